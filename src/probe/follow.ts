import { find, idOf, send } from './nodes';

/** A place in the content: an element, and which part of its height lies above the window's top. */
interface Anchor {
  readonly id: string;
  readonly part: number;
}

let linked = false;
/** Where the page was scrolled to by another frame: that is nothing to tell. */
let aligned: number | undefined;
let waiting = 0;

const scrollsAlong = (element: Element) => {
  const { position } = getComputedStyle(element);
  return position !== 'fixed' && position !== 'sticky';
};

/** What stands at the top of the window: the innermost element first, then those it stands in, the body last. */
function anchors(): Anchor[] {
  const path: Anchor[] = [];
  let element: Element | undefined = document.body;
  while (element) {
    const rect: DOMRect = element.getBoundingClientRect();
    path.unshift({ id: idOf(element)!, part: rect.height > 0 ? -rect.top / rect.height : 0 });
    element = [...element.children].find((child) => {
      const box = child.getBoundingClientRect();
      return idOf(child) && box.height > 0 && box.top <= 1 && box.bottom > 1 && scrollsAlong(child);
    });
  }
  return path;
}

export function setLinked(on: boolean): void {
  linked = on;
}

/** Tells what stands at the top, unless another frame brought the page there. */
export function tellAnchor(): void {
  if (!linked) return;
  if (aligned !== undefined && Math.abs(scrollY - aligned) < 1) return;
  aligned = undefined;
  waiting ||= requestAnimationFrame(() => {
    waiting = 0;
    send({ type: 'anchor', anchors: scrollY <= 0 ? [] : anchors() });
  });
}

/** Scrolls so that the same part of the content stands at the top; to the start where none is given. */
export function align(path: readonly Anchor[]): void {
  const element = path.map(({ id }) => find(id)).find((one) => one && one.getClientRects().length > 0);
  const anchor = element && path.find(({ id }) => id === idOf(element));
  const rect = element?.getBoundingClientRect();
  scrollTo(0, rect && anchor ? scrollY + rect.top + anchor.part * rect.height : 0);
  aligned = scrollY;
}

/**
 * Scrolls the page, and boxes in it that scroll, until an element is in sight: its middle, or its top where it is higher
 * than the window. Not `scrollIntoView`, which would scroll the editor around the frame too.
 */
export function bringIntoSight(element: HTMLElement | null): void {
  if (!element || element.getClientRects().length === 0) return;
  for (let box = element.parentElement; box && box !== document.body; box = box.parentElement) {
    const { overflowY } = getComputedStyle(box);
    if (!/auto|scroll/.test(overflowY) || box.scrollHeight <= box.clientHeight) continue;
    const [inner, outer] = [element.getBoundingClientRect(), box.getBoundingClientRect()];
    if (inner.bottom < outer.top || inner.top > outer.bottom) box.scrollTop += inner.top - outer.top;
  }
  const { top, bottom, height, left, right } = element.getBoundingClientRect();
  if (bottom >= 0 && top <= innerHeight) return;
  scrollBy(right < 0 || left > innerWidth ? left : 0, height > innerHeight ? top : top - (innerHeight - height) / 2);
}
