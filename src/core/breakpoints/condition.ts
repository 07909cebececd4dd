import { z } from 'zod';
import type { Interval } from './interval';
import type { Motion, Orientation, Pointer, Reader, Scheme, Slice, Viewport } from './viewport';
import { DEFAULT_SLICE, ORIENTATIONS, orientationOf, POINTER_VALUES, POINTERS } from './viewport';

/** The least and greatest edge a breakpoint may have, in px, across and down. */
const EDGE_MIN = 40;
export const EDGE_MAX = 10_000;
/** Media Queries 4, 1.3: em in a condition is the browser's own font size, whatever a page sets; 16 px by default. */
export const EM = 16;

const edge = z
  .number('A breakpoint needs a width in px.')
  .min(EDGE_MIN, `A breakpoint can't lie under ${EDGE_MIN} px.`)
  .max(EDGE_MAX, `A breakpoint can't lie over ${EDGE_MAX} px.`)
  .refine((value) => Math.abs(value * 100 - Math.round(value * 100)) < 1e-6, 'A breakpoint has at most two decimals.');

/**
 * Where a breakpoint holds (Media Queries 4): a part of the plane of widths and heights, and perhaps only with one
 * pointer. Edges are px and half-open, `from <= width < below`; "900 and narrower" is stored as `below: 901`, so the
 * whole pixel 900 belongs to it. Every part that is given must hold.
 */
export const conditionSchema = z
  .strictObject(
    {
      from: edge.optional(),
      below: edge.optional(),
      heightFrom: edge.optional(),
      heightBelow: edge.optional(),
      orientation: z.enum(ORIENTATIONS, 'An orientation is portrait or landscape.').optional(),
      pointer: z.enum(POINTERS, 'A pointer is mouse, finger or remote.').optional(),
      /** How edges are written in CSS; px unless it says em. */
      unit: z.literal('em').optional(),
    },
    { error: (issue) => (issue.code === 'invalid_type' ? 'A breakpoint needs a condition.' : undefined) },
  )
  .superRefine((condition, context) => {
    const wrong = (message: string) => context.addIssue({ code: 'custom', message });
    if (partsOf(condition).length === 0) wrong('A breakpoint needs a condition: a width, a height, an orientation or a pointer.');
    if (condition.from !== undefined && condition.below !== undefined && condition.from >= condition.below)
      wrong('A breakpoint begins at a smaller width than it ends.');
    if (
      condition.heightFrom !== undefined &&
      condition.heightBelow !== undefined &&
      condition.heightFrom >= condition.heightBelow
    )
      wrong('A breakpoint begins at a smaller height than it ends.');
  });
export interface Condition {
  readonly from?: number | undefined;
  readonly below?: number | undefined;
  readonly heightFrom?: number | undefined;
  readonly heightBelow?: number | undefined;
  readonly orientation?: Orientation | undefined;
  readonly pointer?: Pointer | undefined;
  readonly unit?: 'em' | undefined;
  /** What only style sheets from elsewhere ask for; breakpoints don't. Device px for each CSS px, half-open. */
  readonly densityFrom?: number | undefined;
  readonly densityBelow?: number | undefined;
  readonly hover?: boolean | undefined;
  readonly scheme?: Scheme | undefined;
  readonly motion?: Motion | undefined;
}

const CONDITION_PARTS = ['from', 'below', 'heightFrom', 'heightBelow', 'orientation', 'pointer'] as const;
export type ConditionPart = (typeof CONDITION_PARTS)[number];

/** The parts that are given. */
function partsOf(condition: Condition): ConditionPart[] {
  return CONDITION_PARTS.filter((part) => condition[part] !== undefined);
}

/** Whether it asks for nothing but a width. */
export function isWidthOnly(condition: Condition): boolean {
  return partsOf(condition).every((part) => part === 'from' || part === 'below');
}

export function sameCondition(a: Condition, b: Condition): boolean {
  return CONDITION_PARTS.every((part) => a[part] === b[part]);
}

/** Finer than any fraction of a px that browsers report, and exact in binary. */
const HAIR = 2 ** -20;
const NOWHERE: Interval = { from: 0, below: 0 };

/** Whether what the condition asks of the device and its reader is so. */
export function holdsForReader(condition: Condition, reader: Reader): boolean {
  const { pointer, hover, scheme, motion, densityFrom = 0, densityBelow = Infinity } = condition;
  const density = reader.density ?? 1;
  return (
    (!pointer || pointer === reader.pointer) &&
    (hover === undefined || hover === (reader.pointer === 'mouse')) &&
    (!scheme || scheme === (reader.scheme ?? 'light')) &&
    (!motion || motion === (reader.motion ?? 'full')) &&
    densityFrom <= density &&
    density < densityBelow
  );
}

/** Edges in px for a reader: those in em follow the text size. */
function edgesFor({ from = 0, below = Infinity, heightFrom = 0, heightBelow = Infinity, unit }: Condition, text = 1) {
  const factor = unit === 'em' ? text : 1;
  return { from: from * factor, below: below * factor, heightFrom: heightFrom * factor, heightBelow: heightBelow * factor };
}

/** The widths at which the condition holds at one height and for one reader; empty where it holds at none. */
export function conditionInterval(condition: Condition, slice: Slice = DEFAULT_SLICE): Interval {
  const { heightFrom, heightBelow, ...widths } = edgesFor(condition, slice.text);
  const { height } = slice;
  if (height < heightFrom || height >= heightBelow || !holdsForReader(condition, slice)) return NOWHERE;
  let { from, below } = widths;
  if (condition.orientation === 'portrait') below = Math.min(below, height + HAIR);
  if (condition.orientation === 'landscape') from = Math.max(from, height + HAIR);
  return from < below ? { from, below } : NOWHERE;
}

export function holdsAt(condition: Condition, viewport: Viewport): boolean {
  const { from, below, heightFrom, heightBelow } = edgesFor(condition, viewport.text);
  const { width, height } = viewport;
  return (
    from <= width &&
    width < below &&
    heightFrom <= height &&
    height < heightBelow &&
    (!condition.orientation || condition.orientation === orientationOf(viewport)) &&
    holdsForReader(condition, viewport)
  );
}

/** A width where the condition begins or ends to hold. */
export interface Edge {
  readonly side: 'from' | 'below';
  readonly at: number;
}

/** The widths where it begins and ends to hold, narrow one first; none where it doesn't ask for a width. */
export function edgesOf(condition: Condition): Edge[] {
  const edges: Edge[] = [];
  if (condition.from !== undefined) edges.push({ side: 'from', at: condition.from });
  if (condition.below !== undefined) edges.push({ side: 'below', at: condition.below });
  return edges;
}

export function withEdge(condition: Condition, side: Edge['side'], value: number): Condition {
  return { ...condition, [side]: value };
}

/** The number people see at an edge: the last whole px before an end, the first at a beginning. */
export function shownEdge({ side, at }: Edge): number {
  return side === 'below' && Number.isInteger(at) ? at - 1 : at;
}

/** The edge that is meant by a number people typed: the reverse of `shownEdge`. */
export function edgeMeant(side: Edge['side'], shown: number): number {
  return side === 'below' && Number.isInteger(shown) ? shown + 1 : shown;
}

/** The condition that holds at `width` and beyond it in the given direction. `width` is a whole number of px. */
export function conditionAt(width: number, direction: 'narrower' | 'wider'): Condition {
  return direction === 'narrower' ? { below: width + 1 } : { from: width };
}

const trimmed = (value: number) => String(Math.round(value * 10_000) / 10_000);

function describeAxis(
  from: number | undefined,
  below: number | undefined,
  em: boolean,
  less: string,
  more: string,
  after: string,
): string | undefined {
  const size = (px: number) => (em ? `${trimmed(px / EM)} em` : trimmed(px));
  const whole = below !== undefined && !em && Number.isInteger(below);
  if (from !== undefined && below !== undefined)
    return (whole ? `${size(from)} to ${below - 1}` : `${size(from)} to below ${size(below)}`) + after;
  if (from !== undefined) return `${size(from)} and ${more}`;
  if (below === undefined) return undefined;
  return whole ? `${below - 1} and ${less}` : `below ${size(below)}${after}`;
}

/** In words: "900 and narrower", "600 to 899", "499 and shorter, landscape", "below 48 em". */
export function describeCondition(condition: Condition): string {
  const { from, below, heightFrom, heightBelow, orientation, pointer, unit } = condition;
  return [
    describeAxis(from, below, unit === 'em', 'narrower', 'wider', ''),
    describeAxis(heightFrom, heightBelow, unit === 'em', 'shorter', 'taller', ' high'),
    orientation,
    pointer,
  ]
    .filter(Boolean)
    .join(', ');
}

/** "range" is the syntax of Media Queries 4; "min-max" that of Media Queries 3, which can't say "below". */
export const QUERY_SYNTAXES = ['range', 'min-max'] as const;
export type QuerySyntax = (typeof QUERY_SYNTAXES)[number];

/** By how much "max" stays under an edge, px. Viewports that are a fraction of a px wide can stand in between. */
const UNDER = 0.02;
const lowered = (below: number) => Math.round((below - UNDER) * 10_000) / 10_000;

/** The media query. In the syntax with min and max a condition ends 0.02 px before its edge. */
export function conditionQuery(condition: Condition, syntax: QuerySyntax = 'range'): string {
  const size = (px: number) => (condition.unit === 'em' ? `${trimmed(px / EM)}em` : `${px}px`);
  const axis = (name: string, from: number | undefined, below: number | undefined) => {
    if (syntax === 'min-max')
      return [
        from !== undefined && `(min-${name}: ${size(from)})`,
        below !== undefined && `(max-${name}: ${size(lowered(below))})`,
      ]
        .filter(Boolean)
        .join(' and ');
    if (from !== undefined && below !== undefined) return `(${size(from)} <= ${name} < ${size(below)})`;
    if (from !== undefined) return `(${name} >= ${size(from)})`;
    return below === undefined ? undefined : `(${name} < ${size(below)})`;
  };
  return [
    axis('width', condition.from, condition.below),
    axis('height', condition.heightFrom, condition.heightBelow),
    condition.orientation && `(orientation: ${condition.orientation})`,
    condition.pointer && `(pointer: ${POINTER_VALUES[condition.pointer]})`,
  ]
    .filter(Boolean)
    .join(' and ');
}
