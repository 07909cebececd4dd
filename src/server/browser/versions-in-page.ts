import { conditionsOfDocument } from '@/probe/conditions';

/** A width at which versions of a page differ, and some of the elements that do. */
export interface MovedAt {
  readonly width: number;
  readonly count: number;
  readonly elements: readonly string[];
}

/** Less than this many px is rounding. */
const MOVED = 0.05;
const NAMED_MOST = 8;

/** What is compared of an element besides its box: its text, and how it's painted. */
const LOOKS = [
  'color',
  'backgroundColor',
  'backgroundImage',
  'borderTopColor',
  'borderBottomColor',
  'borderTopStyle',
  'boxShadow',
  'opacity',
  'visibility',
  'fontWeight',
  'fontFamily',
  'fontStyle',
  'textDecorationLine',
  'textTransform',
  'textAlign',
  'borderTopLeftRadius',
  'objectFit',
  'content',
  'zIndex',
  'transform',
] as const;

function looksOtherwise(a: HTMLElement, b: HTMLElement): boolean {
  const own = (element: HTMLElement) =>
    [...element.childNodes].map((node) => (node.nodeType === 3 ? node.nodeValue!.trim() : '')).join('|');
  if (own(a) !== own(b) || a.getAttribute('src') !== b.getAttribute('src')) return true;
  const [x, y] = [a, b].map((element) => element.ownerDocument.defaultView!.getComputedStyle(element));
  return LOOKS.some((name) => x![name] !== y![name]);
}

/** Less than this many px isn't seen. */
const SEEN = 1;

/**
 * How much of a page is otherwise in its second version, from 0 to 1: the share of elements that look otherwise, or that are
 * as wide or stand as far from the side of what they stand in as they weren't; of those with nothing in them also as high.
 * What only moved down with the rest, or grew with what is in it, doesn't count. The mean of all widths.
 */
export function changeOf(pair: readonly HTMLIFrameElement[], widths: readonly number[]): number {
  const [before, after] = pair.map((one) => {
    const elements = one.contentDocument!.querySelectorAll<HTMLElement>('[data-mp-node]');
    return new Map([...elements].map((element) => [element.dataset.mpNode!, element]));
  });
  const standing = (element: HTMLElement | undefined) => {
    if (!element || element.getClientRects().length === 0) return undefined;
    const { left, width, height } = element.getBoundingClientRect();
    const around = element.parentElement?.closest('[data-mp-node]')?.getBoundingClientRect().left ?? 0;
    return { from: left - around, width, height: element.querySelector('[data-mp-node]') ? 0 : height };
  };
  const ids = [...new Set([...before!.keys(), ...after!.keys()])];
  let sum = 0;
  for (const width of widths) {
    for (const one of pair) one.style.width = `${width}px`;
    let [shown, changed] = [0, 0];
    for (const id of ids) {
      const [x, y] = [before!.get(id), after!.get(id)];
      const [a, b] = [standing(x), standing(y)];
      if (!a && !b) continue;
      shown++;
      const isOther = !a || !b || (['from', 'width', 'height'] as const).some((key) => Math.abs(a[key] - b[key]) > SEEN);
      if (isOther || looksOtherwise(x!, y!)) changed++;
    }
    sum += shown === 0 ? 0 : changed / shown;
  }
  return widths.length === 0 ? 0 : sum / widths.length;
}

/**
 * Two versions of a page in frames of their own, compared at widths.
 * @param looks whether it counts too that something reads or looks otherwise
 */
export function compareVersions(pair: readonly HTMLIFrameElement[], widths: readonly number[], looks: boolean): MovedAt[] {
  const [before, after] = pair.map((one) => {
    const elements = one.contentDocument!.querySelectorAll<HTMLElement>('[data-mp-node]');
    return new Map([...elements].map((element) => [element.dataset.mpNode!, element]));
  });
  const ids = [...new Set([...before!.keys(), ...after!.keys()])];
  const boxOf = (element: HTMLElement | undefined) =>
    element && element.getClientRects().length > 0 ? element.getBoundingClientRect() : undefined;
  const conditions = pair.map((one) => conditionsOfDocument(one.contentDocument!, one.clientHeight));
  const contained = conditions.some((one) => one.containers !== undefined);
  let epoch: string | undefined;
  let repainted = new Set<string>();
  const found: MovedAt[] = [];
  for (const width of widths) {
    for (const one of pair) one.style.width = `${width}px`;
    // How things are painted changes with conditions only, so it's looked at once in each band.
    const now =
      conditions.flatMap(({ media }) => media.map(({ matches }) => (matches ? 1 : 0))).join('') + (contained ? ` ${width}` : '');
    if (looks && now !== epoch) {
      epoch = now;
      repainted = new Set(
        ids.filter((id) => before!.has(id) && after!.has(id) && looksOtherwise(before!.get(id)!, after!.get(id)!)),
      );
    }
    const moved = ids.filter((id) => {
      if (repainted.has(id)) return true;
      const [a, b] = [boxOf(before!.get(id)), boxOf(after!.get(id))];
      if (!a || !b) return a !== b;
      return (['left', 'top', 'width', 'height'] as const).some((side) => Math.abs(a[side] - b[side]) > MOVED);
    });
    if (moved.length > 0) found.push({ width, count: moved.length, elements: moved.slice(0, NAMED_MOST) });
  }
  return found;
}
