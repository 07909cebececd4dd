import { useState } from 'react';
import { followPointer } from '../input/follow-pointer';
import { useSession } from '../state/store';
import { movePage } from './page-actions';

/** Where a page that is dragged would stand: before which other page, or behind all of them. */
export interface DragPlace {
  readonly page: string;
  readonly before: string | undefined;
}

/** The card before which something at a place in the window goes, in the order of reading; undefined for the end. */
export function cardBefore(
  cards: readonly { readonly id: string; readonly box: Pick<DOMRect, 'left' | 'top' | 'width' | 'bottom'> }[],
  x: number,
  y: number,
): string | undefined {
  return cards.find(({ box }) => y < box.top || (y < box.bottom && x < box.left + box.width / 2))?.id;
}

/** Pages are dragged by their cards to another place in the order; Escape takes it back. */
export function usePageDragging(scroller: HTMLElement | null) {
  const [place, setPlace] = useState<DragPlace>();
  const press = (event: React.PointerEvent<HTMLElement>, page: string) => {
    let now: DragPlace | undefined;
    const move = ({ x, y }: { readonly x: number; readonly y: number }) => {
      const { pages } = useSession.getState().project;
      const cards = pages.flatMap(({ id }) => {
        const card = scroller?.querySelector(`[data-page="${id}"]`);
        return card ? [{ id, box: card.getBoundingClientRect() }] : [];
      });
      now = { page, before: cardBefore(cards, x, y) };
      setPlace(now);
    };
    const end = () => {
      setPlace(undefined);
      if (!now || now.before === page) return;
      const { pages } = useSession.getState().project;
      const at = pages.findIndex(({ id }) => id === page);
      const others = pages.filter(({ id }) => id !== page);
      const to = others.findIndex(({ id }) => id === now!.before);
      movePage(page, (to < 0 ? others.length : to) - at);
    };
    followPointer(event, move, end, () => setPlace(undefined));
  };
  /** On which side of a card the dragged page would come to stand; undefined for elsewhere, or where it stands anyway. */
  const sideOf = (id: string, ids: readonly string[]): 'before' | 'behind' | undefined => {
    if (!place) return undefined;
    const at = ids.indexOf(place.page);
    const stays = place.before === place.page || (place.before ?? '') === (ids[at + 1] ?? '');
    if (stays) return undefined;
    if (place.before === id) return 'before';
    return place.before === undefined && id === ids[ids.length - 1] ? 'behind' : undefined;
  };
  return { dragged: place?.page, press, sideOf };
}
