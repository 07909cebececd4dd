import type { PageFacts, StyleFacts } from '../facts';
import { Laying, Level, Positioning } from '../facts';
import { sameJson } from '../../text';

/**
 * Between two events — a line wraps, a condition begins, a value meets its limit — every coordinate of a page is an
 * affine function of the viewport's width (CSS Values 4: lengths, percentages, sums and shares of them are). Layout
 * rounds to 1/64 px, again in every box; worked-out coordinates may be off by this many px.
 */
const ROUNDING = 0.1;

const STYLES: readonly (keyof StyleFacts)[] = [
  'cutX',
  'cutY',
  'ellipsis',
  'position',
  'pinned',
  'level',
  'flow',
  'fixedHeight',
  'share',
  'visible',
  'bold',
  'ink',
  'ground',
  'backdrop',
  'opacity',
  'solid',
  'moved',
  'breaks',
  'chars',
  'scrollPadding',
];

type Numbers = ArrayLike<number>;

function same(a: Numbers, b: Numbers): boolean {
  if (a === b) return true;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

function sameGrids(a: PageFacts['grids'], b: PageFacts['grids']): boolean {
  if (a === b) return true;
  return (
    a.size === b.size && [...a].every(([i, one]) => b.get(i)?.template === one.template && b.get(i)?.columns === one.columns)
  );
}

const sameFocus = (a: PageFacts['focus'], b: PageFacts['focus']) =>
  a === b ||
  (a !== undefined &&
    b !== undefined &&
    (['changed', 'ring', 'drawnByBrowser', 'apart'] as const).every((name) => same(a[name], b[name])));

const sameDrops = (a: PageFacts['drops'], b: PageFacts['drops']) => sameJson([...(a ?? [])], [...(b ?? [])]);

/** Whether two viewports show the same arrangement: the same styles, the same boxes, the same lines in each text. */
export function sameArrangement(a: PageFacts, b: PageFacts): boolean {
  if (a.scrollWidth > a.viewport.width !== b.scrollWidth > b.viewport.width) return false;
  if (!same(a.shown, b.shown) || !same(a.broken, b.broken) || !sameFocus(a.focus, b.focus)) return false;
  if (!sameDrops(a.drops, b.drops)) return false;
  for (let i = 0; i < a.lines.length; i++) if (a.lines[i]!.length !== b.lines[i]!.length) return false;
  return STYLES.every((name) => same(a[name] as Numbers, b[name] as Numbers)) && sameGrids(a.grids, b.grids);
}

/** The sides of a list of boxes, four numbers each: across are left and right, down are top and bottom. */
const ACROSS = [0, 2] as const;
const DOWN = [1, 3] as const;

/**
 * Words move from line to line without anything else moving. Where a text stands on as many lines, at the same heights,
 * only how far each line reaches isn't known between: it is then taken to reach as far as it possibly can.
 */
export interface Straight {
  /** 1 for elements whose lines, or own box where they stand in a line, reach we don't know how far. */
  readonly loose: Uint8Array;
}

const IN_TABLE = new Set(['table', 'td', 'th', 'caption']);

/** Whether an element, or one it stands in, is as wide as its text asks for. */
function isSizedByText(facts: PageFacts, element: number): boolean {
  for (let at = element; at > 0; at = facts.elements[at]!.parent) {
    const around = facts.flow[facts.elements[at]!.parent]!;
    if (facts.level[at]! >= Level.inlineBlock || facts.position[at]! >= Positioning.absolute) return true;
    if (around !== Laying.other && !(facts.share[at]! > 0)) return true;
    if (IN_TABLE.has(facts.elements[at]!.tag)) return true;
  }
  return false;
}

/** Whether a third viewport between two lies on the straight line between them, in all that decides anything. */
export function onTheLine(a: PageFacts, middle: PageFacts, b: PageFacts): Straight | undefined {
  const share = (middle.viewport.width - a.viewport.width) / (b.viewport.width - a.viewport.width);
  const off = (x: Numbers, y: Numbers, z: Numbers, i: number) => Math.abs(x[i]! + (z[i]! - x[i]!) * share - y[i]!) > ROUNDING;
  const loose = new Uint8Array(a.elements.length);
  for (let i = 0; i < a.elements.length; i++) {
    if (!a.shown[i]) continue;
    // Browsers round letters to their grid, so a line of growing type grows unevenly.
    if (a.fontSize[i] !== b.fontSize[i] && a.lines[i]!.length > 0) {
      if (off(a.fontSize, middle.fontSize, b.fontSize, i) || isSizedByText(a, i)) return undefined;
      loose[i] = 1;
    }
    if (DOWN.some((side) => off(a.boxes, middle.boxes, b.boxes, i * 4 + side))) return undefined;
    if (ACROSS.some((side) => off(a.boxes, middle.boxes, b.boxes, i * 4 + side))) {
      if (a.level[i] !== Level.inline) return undefined;
      loose[i] = 1;
    }
    const [x, y, z] = [a.lines[i]!, middle.lines[i]!, b.lines[i]!];
    for (let at = 0; at < x.length; at += 4) {
      if (DOWN.some((side) => off(x, y, z, at + side))) return undefined;
      if (!loose[i] && ACROSS.some((side) => off(x, y, z, at + side))) loose[i] = 1;
    }
  }
  // These two are given in whole px.
  const whole = (['scrollWidth', 'scrollHeight'] as const).every(
    (name) => Math.abs(a[name] + (b[name] - a[name]) * share - middle[name]) <= 1,
  );
  return whole ? { loose } : undefined;
}

/** Works facts out between two measured viewports. The arrays are overwritten by each call of what it returns. */
export function between(a: PageFacts, b: PageFacts, { loose }: Straight): (width: number) => PageFacts {
  const boxes = new Float64Array(a.boxes.length);
  const fontSize = new Float64Array(a.fontSize.length);
  const lines = a.lines.map((list) => (list.length === 0 ? list : new Float64Array(list.length)));
  const moving = a.lines.flatMap((list, i) => (list.length > 0 ? [i] : []));
  const slack = [...loose].flatMap((one, i) => (one ? [i] : []));
  const sized = !same(a.fontSize, b.fontSize);
  const doubt = { near: false, loose, sized };
  if (!sized) fontSize.set(a.fontSize);
  const fill = (into: Float64Array, from: Numbers, to: Numbers, share: number) => {
    for (let i = 0; i < into.length; i++) into[i] = from[i]! + (to[i]! - from[i]!) * share;
  };
  const blockOf = (i: number) => {
    let at = i;
    while (at > 0 && a.level[at] === Level.inline) at = a.elements[at]!.parent;
    return at;
  };
  /** As far as a text can reach: the block it stands in, or further where it does so at both ends. */
  const stretch = (i: number, share: number) => {
    const block = blockOf(i) * 4;
    const reach = (side: number, most: (...values: number[]) => number) => {
      const far = ({ lines: all, boxes: around }: PageFacts) => {
        let result = around[block + side]!;
        for (let at = side; at < all[i]!.length; at += 4) result = most(result, all[i]![at]!);
        return result;
      };
      return far(a) + (far(b) - far(a)) * share;
    };
    const [left, right] = [reach(0, Math.min), reach(2, Math.max)];
    const own = lines[i]!;
    for (let at = 0; at < own.length; at += 4) [own[at], own[at + 2]] = [left, right];
    if (a.level[i] === Level.inline) [boxes[i * 4], boxes[i * 4 + 2]] = [left, right];
  };
  return (width) => {
    const share = (width - a.viewport.width) / (b.viewport.width - a.viewport.width);
    fill(boxes, a.boxes, b.boxes, share);
    if (sized) fill(fontSize, a.fontSize, b.fontSize, share);
    for (const i of moving) fill(lines[i]!, a.lines[i]!, b.lines[i]!, share);
    for (const i of slack) stretch(i, share);
    doubt.near = false;
    const wide = a.scrollWidth > a.viewport.width;
    return {
      ...a,
      viewport: { width, height: a.viewport.height },
      scrollWidth: wide ? a.scrollWidth + (b.scrollWidth - a.scrollWidth) * share : width,
      scrollHeight: a.scrollHeight + (b.scrollHeight - a.scrollHeight) * share,
      boxes,
      fontSize,
      lines,
      doubt,
    };
  };
}
