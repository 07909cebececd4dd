import { Rule } from '../codes';
import type { PageFacts } from '../facts';
import type { Placing } from './placing';
import { sameNumbers } from './lines-at';
import type { Between } from './stack';

/** Heights that differ by more, px, aren't the same. */
export const HIGHER = 0.1;

/** What lies around the content of a cell. */
const endsOf = (gaps: Float64Array) => (gaps.length === 1 ? gaps[0]! : gaps[0]! + gaps[gaps.length - 1]!);
export const between = (a: number, b: number, share: number) => a + (b - a) * share;

/** A row of cells: how high it is at both measured viewports, and between them if nothing else than its own height moved. */
export interface Row {
  readonly cells: readonly number[];
  readonly a: number;
  readonly b: number;
  readonly now: number;
}

/** What one cell asks its row for, px. */
export interface Asked {
  /** Of its content between the two; NaN where that isn't worked out. */
  readonly content: number;
  /** How high it has to be by itself: at both measured viewports, and between them; undefined where that isn't known. */
  readonly known: { readonly a: number; readonly b: number; readonly now: number } | undefined;
  /** And at most, where it isn't. */
  readonly most: { readonly a: number; readonly b: number; readonly now: number };
  /** Whether nothing in it is otherwise. */
  readonly isStill: boolean;
}

/** Cells as high as the highest of them; what stands in each lies where its row says. */
export function placeTableRow(placing: Placing, element: number, top: number): number {
  const { boxes, share } = placing;
  const { onBaseline } = placing.page.set.cells;
  const high = (of: { readonly facts: PageFacts }) => of.facts.boxes[element * 4 + 3]! - of.facts.boxes[element * 4 + 1]!;
  const [a, b] = [high(placing.between.a), high(placing.between.b)];
  const row: Row = { cells: placing.page.set.units[element]!, a, b, now: between(a, b, share) };
  boxes[element * 4 + 1] = top;
  const asked = row.cells.map((cell) => askedBy(placing, cell, top, row));
  const isAligned = row.cells.some((cell) => onBaseline[cell]);
  const height = heightOf(row, asked, isAligned);
  if (height === undefined && !areAllStill(row, asked)) placing.failed = true;
  const known = height ?? row.now;
  row.cells.forEach((cell, i) => fillCell(placing, cell, asked[i]!, top, known));
  boxes[element * 4 + 3] = top + known;
  return top + known;
}

/** Gives a cell its height, and puts its content where that lies in it. */
export function fillCell(placing: Placing, cell: number, { content, most }: Asked, top: number, height: number): void {
  const { boxes, share, between: pair } = placing;
  const { behind, cells, units } = placing.page.set;
  boxes[cell * 4 + 1] = top;
  boxes[cell * 4 + 3] = top + height;
  if (Number.isNaN(content)) {
    for (let inner = cell + 1; inner < behind[cell]!; inner = behind[inner]!)
      placing.shift(inner, (height - most.now) * cells.align[cell]!);
    return;
  }
  const [gapsA, gapsB] = [pair.gapsA.of[cell]!, pair.gapsB.of[cell]!];
  if (gapsA.length === 1) return;
  // What is free around the content is shared between its two ends.
  const more = height - content - between(endsOf(gapsA), endsOf(gapsB), share);
  for (const unit of units[cell]!) placing.shift(unit, more * cells.align[cell]!);
}

/** Whether nothing in a row is otherwise than at both measured viewports. */
export const areAllStill = ({ a, b }: Row, asked: readonly Asked[]): boolean =>
  Math.abs(a - b) < HIGHER && asked.every(({ isStill }) => isStill);

/** How high a row is whose cells ask for so much; undefined where that isn't known. */
function heightOf(row: Row, asked: readonly Asked[], isAligned: boolean): number | undefined {
  const tallest = { a: 0, b: 0, now: 0 };
  for (const { known } of asked) {
    if (!known) continue;
    for (const at of ['a', 'b', 'now'] as const) tallest[at] = Math.max(tallest[at], known[at]);
  }
  const unknown = asked.filter(({ known }) => !known);
  // What makes the row higher than any cell asks for that is known: a cell in which nothing changes, or the row's own height.
  const held: number[] = [];
  for (const at of ['a', 'b'] as const) {
    if (Math.abs(tallest[at] - row[at]) < HIGHER) continue;
    if (tallest[at] > row[at] || unknown.some(({ isStill, most }) => !isStill && most[at] >= row[at] - HIGHER)) return undefined;
    held.push(row[at]);
  }
  if (held.length === 1 && isAligned) return undefined;
  if (held.length === 2 && Math.abs(held[0]! - held[1]!) >= HIGHER) return undefined;
  const height = Math.max(tallest.now, ...held.slice(0, 1));
  const least = Math.min(row.a, row.b);
  const isSure = unknown.every(({ isStill, most }) => (isStill ? least : most.now) <= height + HIGHER);
  return isSure ? height : undefined;
}

export function askedBy(placing: Placing, cell: number, top: number, row: Row): Asked {
  const { page, share, between: pair } = placing;
  const bottom = placing.place(cell, top);
  if (page.set.rule[cell] !== Rule.stack) {
    const isStill = isStillAt(pair, cell, page.set.behind[cell]!);
    return { content: NaN, known: undefined, most: row, isStill };
  }
  const [freeA, freeB] = [endsOf(pair.gapsA.of[cell]!), endsOf(pair.gapsB.of[cell]!)];
  const [a, b] = [row.a - freeA, row.b - freeB];
  const now = bottom - top - between(freeA, freeB, share);
  const asking = (rest: number) => ({ a: a + rest, b: b + rest, now: now + rest });
  const isStill = Math.abs(a - b) < HIGHER && Math.abs(a - now) < HIGHER && hasSameLines(placing, cell);
  if (hasOpenLines(placing, cell)) {
    // Of what its last line needs nothing is known but that the row has room for it.
    return { content: now, known: undefined, most: isStill ? row : { a: Infinity, b: Infinity, now: Infinity }, isStill };
  }
  const rest = restOf(placing, cell, row, a, b);
  return {
    content: now,
    known: rest === undefined ? undefined : asking(rest),
    most: asking(page.set.cells.most[cell]!),
    isStill,
  };
}

/** The lines at the ends of what stands in a cell. */
const linesAtEnds = (placing: Placing, cell: number): number[] =>
  [placing.page.set.units[cell]!.at(0), placing.page.set.units[cell]!.at(-1)].flatMap((unit) =>
    unit !== undefined && unit < 0 && placing.texts.of[-1 - unit] ? [-1 - unit] : [],
  );

/** Whether it isn't known how far its first line reaches up, or its last one down. */
const hasOpenLines = (placing: Placing, cell: number): boolean =>
  linesAtEnds(placing, cell).some((p) => placing.texts.of[p]!.isOpen);

/** Whether the same stands on its lines as at both measured viewports. */
const hasSameLines = (placing: Placing, cell: number): boolean =>
  linesAtEnds(placing, cell).every((p) =>
    [placing.between.a, placing.between.b].every(({ lines }) => sameNumbers(lines[p]!.styles, placing.texts.of[p]!.styles)),
  );

const stills = new WeakMap<Between, Map<number, boolean>>();

/** Whether what stands in an element reaches as far up and down at both measured viewports. */
function isStillAt(pair: Between, element: number, behind: number): boolean {
  let known = stills.get(pair);
  if (!known) stills.set(pair, (known = new Map()));
  let is = known.get(element);
  if (is === undefined) {
    const [a, b] = [pair.a, pair.b].map(({ facts }) => heightInside(facts, element, behind));
    known.set(element, (is = Math.abs(a! - b!) < HIGHER));
  }
  return is;
}

function heightInside({ boxes, lines }: PageFacts, element: number, behind: number): number {
  let [top, bottom] = [Infinity, -Infinity];
  const meet = (from: number, to: number) => ([top, bottom] = [Math.min(top, from), Math.max(bottom, to)]);
  for (let i = element; i < behind; i++) {
    if (i > element && boxes[i * 4] !== boxes[i * 4 + 2]) meet(boxes[i * 4 + 1]!, boxes[i * 4 + 3]!);
    for (let at = 0; at < lines[i]!.length; at += 4) meet(lines[i]![at + 1]!, lines[i]![at + 3]!);
  }
  return bottom > top ? bottom - top : 0;
}

/** How much higher a cell would be by itself than its content, where that is known. */
function restOf(placing: Placing, cell: number, row: Row, a: number, b: number): number | undefined {
  const { page, between: pair } = placing;
  const { least, most } = page.set.cells;
  if (most[cell]! - least[cell]! < HIGHER) return most[cell]!;
  const learned = page.rests.get(cell);
  if (learned !== undefined) return learned;
  // The highest of a row is as high as the row.
  const rests = (
    [
      [a, row.a, pair.gapsA],
      [b, row.b, pair.gapsB],
    ] as const
  ).flatMap(([content, high, gaps]) => {
    const others = row.cells.every((other) => {
      if (other === cell) return true;
      if (hasOpenLines(placing, other)) return false;
      const own = gaps.of[other];
      return own !== undefined && (page.rests.get(other) ?? most[other]!) < endsOf(own) - HIGHER;
    });
    // What is higher than it can ask for is so for another reason.
    return others && high - content <= most[cell]! + HIGHER ? [high - content] : [];
  });
  if (rests.length === 0) return undefined;
  const rest = Math.max(...rests);
  page.rests.set(cell, rest);
  return rest;
}
