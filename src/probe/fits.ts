/** Rounding of layout, px: it reckons in 64ths. A label that is squeezed by more may break. */
const SLACK = 0.02;
/** So far past an edge nobody sees anything, px. */
const PAST = 0.1;
/** What stands beside a row is a label up to so many characters: it mustn't be squeezed either. */
const LABEL_MOST = 60;

const isThere = (element: Element): element is HTMLElement => {
  const { position, display } = getComputedStyle(element);
  return display !== 'none' && position !== 'absolute' && position !== 'fixed' && element.getClientRects().length > 0;
};

/** How wide elements would be on one line with all the room they want, px. */
function wantedWidths(elements: readonly HTMLElement[]): number[] {
  const styles = elements.map((one) => one.getAttribute('style'));
  for (const { style } of elements) {
    style.setProperty('width', 'max-content', 'important');
    style.setProperty('flex', 'none', 'important');
    style.setProperty('min-width', '0', 'important');
    style.setProperty('max-width', 'none', 'important');
  }
  const widths = elements.map((one) => one.getBoundingClientRect().width);
  elements.forEach((one, i) => (styles[i] === null ? one.removeAttribute('style') : one.setAttribute('style', styles[i]!)));
  return widths;
}

function contentEdges(element: Element): readonly [left: number, right: number] {
  const { left, right } = element.getBoundingClientRect();
  const style = getComputedStyle(element);
  const sum = (side: string) =>
    parseFloat(style.getPropertyValue(`padding-${side}`)) + parseFloat(style.getPropertyValue(`border-${side}-width`));
  return [left + sum('left'), right - sum('right')];
}

const onOneLine = (elements: readonly HTMLElement[]) => {
  const boxes = elements.map((one) => one.getBoundingClientRect());
  return Math.max(...boxes.map(({ top }) => top)) < Math.min(...boxes.map(({ bottom }) => bottom));
};

/**
 * Whether all that shows of a row fits: on one line, each item as wide as it wants to be, and nothing of it past the edges of what it
 * stands in; nor are labels that stand beside the row on its line squeezed. A row that isn't shown fits.
 */
export function fits(row: HTMLElement): boolean {
  if (!row.checkVisibility() || !isThere(row)) return true;
  const { display, flexDirection } = getComputedStyle(row);
  // Where it is laid out otherwise it is no row, and has no room to run out of.
  if (!/flex$/.test(display) || flexDirection.startsWith('column')) return true;
  const items = [...row.children].filter(isThere);
  if (items.length === 0) return true;
  const around = row.parentElement;
  const beside =
    around && /flex$/.test(getComputedStyle(around).display) && getComputedStyle(around).flexDirection.startsWith('row')
      ? [...around.children].filter(isThere).filter((one) => one !== row && (one.textContent ?? '').trim().length <= LABEL_MOST)
      : [];
  if (!onOneLine(items) || (beside.length > 0 && !onOneLine([row, ...beside]))) return false;
  const looked = [...items, ...beside];
  const wanted = wantedWidths(looked);
  if (looked.some((one, i) => one.getBoundingClientRect().width < wanted[i]! - SLACK)) return false;
  let [left, right] = [Infinity, -Infinity];
  for (const item of items) {
    const box = item.getBoundingClientRect();
    [left, right] = [Math.min(left, box.left), Math.max(right, box.right)];
  }
  for (let at: Element | null = row; at && at.localName !== 'html'; at = at.parentElement) {
    const [from, to] = contentEdges(at);
    if (left < from - PAST || right > to + PAST) return false;
  }
  return true;
}

/** What a frame says of a row: its items in the order in which they drop, each with how it is shown, and what shows when some have. */
export interface DropRow {
  readonly row: HTMLElement;
  readonly items: readonly { readonly node: HTMLElement; readonly display: string }[];
  readonly more: HTMLElement | undefined;
}

/** The rows of a document out of which items drop. */
export function dropRows(document: Document): DropRow[] {
  const named = (id: string) => document.querySelector<HTMLElement>(`[data-mp-node="${CSS.escape(id)}"]`) ?? undefined;
  return [...document.querySelectorAll<HTMLElement>('[data-mp-drops]')].map((row) => {
    const [items = '', more = ''] = row.dataset.mpDrops!.split(';');
    return {
      row,
      items: items.split(' ').flatMap((one) => {
        const [id = '', display = 'block'] = one.split(':');
        const node = named(id);
        return node ? [{ node, display }] : [];
      }),
      more: more === '' ? undefined : named(more),
    };
  });
}

/** The items of a row that have dropped. */
export const droppedOf = ({ items }: DropRow) => items.filter(({ node }) => getComputedStyle(node).display === 'none');

/** Whether the row would still fit if the item that dropped last came back; undefined where none has dropped. */
export function wouldFit({ row, items, more }: DropRow): { readonly item: HTMLElement; readonly fits: boolean } | undefined {
  const dropped = droppedOf({ row, items, more });
  const next = dropped[dropped.length - 1];
  if (!next || !row.checkVisibility()) return undefined;
  const changed: [HTMLElement, string][] = [
    [next.node, next.display],
    ...(more && dropped.length === 1 ? [[more, 'none'] as [HTMLElement, string]] : []),
  ];
  const styles = changed.map(([node]) => node.getAttribute('style'));
  for (const [node, display] of changed) node.style.setProperty('display', display, 'important');
  const result = fits(row);
  changed.forEach(([node], i) => (styles[i] === null ? node.removeAttribute('style') : node.setAttribute('style', styles[i]!)));
  return { item: next.node, fits: result };
}
