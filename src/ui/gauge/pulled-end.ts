import type { RefObject } from 'react';
import { useState } from 'react';
import type { Interval } from '@/core/breakpoints';
import { followPointer } from '../input/follow-pointer';
import { shownProject, useSession } from '../state/store';
import type { Scale } from './scale';
import { endNear } from './stretch';

type Side = 'from' | 'below';

interface Pulled<N extends Interval> {
  /** Whether an end is in hand. */
  readonly isPulled: boolean;
  /** The stretch as it would be, were the end let go now. */
  readonly shown: Interval;
  readonly pull: (side: Side, neighbour: N) => (event: React.PointerEvent<HTMLElement>) => void;
}

/**
 * An end of a stretch pulled along the gauge: to a breakpoint that is near, else to any whole px.
 * @param moved called when it is let go somewhere else; `grows` where the stretch is longer then
 */
export function usePulledEnd<N extends Interval>(
  cell: RefObject<HTMLElement | null>,
  stretch: Interval,
  scale: Scale,
  moved: (side: Side, to: number, neighbour: N, grows: boolean) => void,
): Pulled<N> {
  const [pulled, setPulled] = useState<{ side: Side; to: number }>();
  const pull = (side: Side, neighbour: N) => (event: React.PointerEvent<HTMLElement>) => {
    event.stopPropagation();
    const left = cell.current!.parentElement!.getBoundingClientRect().left;
    let to: number | undefined;
    followPointer(
      event,
      ({ x }) => {
        to = endNear(shownProject(useSession.getState()), scale.width(x - left), scale.x);
        setPulled({ side, to });
      },
      () => {
        setPulled(undefined);
        if (to === undefined || to === stretch[side]) return;
        moved(side, to, neighbour, side === 'from' ? to < stretch.from : to > stretch.below);
      },
    );
  };
  return { isPulled: pulled !== undefined, shown: pulled ? { ...stretch, [pulled.side]: pulled.to } : stretch, pull };
}
