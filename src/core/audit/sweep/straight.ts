import type { PageFacts, StyleFacts } from '../facts';
import { Level } from '../facts';
import { sameJson } from '../../text';

/**
 * Between two events — a line wraps, a condition begins, a value meets its limit — every coordinate of a page is an
 * affine function of the viewport's width (CSS Values 4: lengths, percentages, sums and shares of them are). Layout
 * rounds to 1/64 px, again in every box; worked-out coordinates may be off by this many px.
 */
const ROUNDING = 0.1;
/** How high type reaches above and below its line is rounded to whole px; what stands around growing type is off by more. */
const TYPE_ROUNDING = 0.6;
/** How wide growing type is changes by 1/64 of its size, so that what is as wide as its text is off by less than that in height. */
const TYPE_ACROSS = 0.3;

/** Type is as high as whole px. */
const WHOLE = 1;

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
  for (let i = 0; i < a.lines.length; i++) if (a.lines[i]!.length !== b.lines[i]!.length) return false;
  return sameBesidesLines(a, b) && !(isSized(a, b) && hasOtherType(a, b));
}

/** Whether type that grows is a px higher: browsers round how high each size reaches, and all around it jumps. */
function hasOtherType(a: PageFacts, b: PageFacts): boolean {
  for (let i = 0; i < a.lines.length; i++) {
    const [x, y] = [a.lines[i]!, b.lines[i]!];
    if (x.length > 0 && Math.abs(x[3]! - x[1]! - (y[3]! - y[1]!)) > WHOLE / 2) return true;
  }
  return false;
}

export const scrollsSideways = ({ scrollWidth, viewport }: PageFacts): boolean => scrollWidth > viewport.width;

/**
 * Whether a page is higher than the window. As long as it isn't, it is told to be as high, so that how high it is bends where it is; and browsers tell whole px.
 */
export const scrollsDown = ({ scrollHeight, viewport }: PageFacts): boolean => scrollHeight > viewport.height + 0.5;

/** The same but for the lines on which texts stand. */
export function sameBesidesLines(a: PageFacts, b: PageFacts): boolean {
  if (scrollsSideways(a) !== scrollsSideways(b)) return false;
  return same(a.broken, b.broken) && sameDrops(a.drops, b.drops) && isStyledAlike(a, b);
}

/** Whether two viewports have the same styles, and show the same. */
const isStyledAlike = (a: PageFacts, b: PageFacts): boolean =>
  same(a.shown, b.shown) &&
  sameFocus(a.focus, b.focus) &&
  STYLES.every((name) => same(a[name] as Numbers, b[name] as Numbers)) &&
  sameGrids(a.grids, b.grids);

/** The same where nothing but the window's width says of which size type is, or what holds. */
export const isAsStyled = (a: PageFacts, b: PageFacts): boolean => !a.gaps && !isSized(a, b) && isStyledAlike(a, b);

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

/** Whether the size of any type that shows differs. */
export const isSized = (a: PageFacts, b: PageFacts): boolean =>
  a.fontSize !== b.fontSize && a.fontSize.some((size, i) => size !== b.fontSize[i] && a.lines[i]!.length > 0);

/** Whether a third viewport between two lies on the straight line between them, in all that decides anything. */
export function onTheLine(a: PageFacts, middle: PageFacts, b: PageFacts): Straight | undefined {
  const share = (middle.viewport.width - a.viewport.width) / (b.viewport.width - a.viewport.width);
  const sized = isSized(a, b);
  const within = sized ? TYPE_ROUNDING : ROUNDING;
  const across = sized ? TYPE_ACROSS : ROUNDING;
  const off = (x: Numbers, y: Numbers, z: Numbers, i: number, most = within) =>
    Math.abs(x[i]! + (z[i]! - x[i]!) * share - y[i]!) > most;
  const loose = new Uint8Array(a.elements.length);
  for (let i = 0; i < a.elements.length; i++) {
    if (!a.shown[i]) continue;
    if (Math.abs(a.chars[i]! + (b.chars[i]! - a.chars[i]!) * share - middle.chars[i]!) > 0.002) return undefined;
    if (
      a.lines[i]!.length > 0 &&
      Math.abs(a.fontSize[i]! + (b.fontSize[i]! - a.fontSize[i]!) * share - middle.fontSize[i]!) > 0.02
    )
      return undefined;
    if (DOWN.some((side) => off(a.boxes, middle.boxes, b.boxes, i * 4 + side)) || off(a.inset, middle.inset, b.inset, i))
      return undefined;
    if (ACROSS.some((side) => off(a.boxes, middle.boxes, b.boxes, i * 4 + side, across))) {
      if (a.level[i] !== Level.inline) return undefined;
      loose[i] = 1;
    }
    const [x, y, z] = [a.lines[i]!, middle.lines[i]!, b.lines[i]!];
    for (let at = 0; at < x.length; at += 4) {
      if (DOWN.some((side) => off(x, y, z, at + side))) return undefined;
      if (!loose[i] && ACROSS.some((side) => off(x, y, z, at + side))) loose[i] = 1;
    }
  }
  if (a.gaps && a.gaps.some((_, i) => off(a.gaps!, middle.gaps!, b.gaps!, i))) return undefined;
  const stray = (name: 'scrollWidth' | 'scrollHeight') => Math.abs(a[name] + (b[name] - a[name]) * share - middle[name]);
  // These two are given in whole px. How far a page reaches past the viewport is told, so it is to be right.
  const whole = stray('scrollHeight') <= 1 && stray('scrollWidth') <= (a.scrollWidth > a.viewport.width ? 0.35 : 1);
  return whole ? { loose } : undefined;
}
