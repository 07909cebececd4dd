import type { Placing } from './placing';
import type { Asked, Row } from './table-row';
import { areAllStill, askedBy, between, fillCell, HIGHER } from './table-row';

/** At both measured viewports, and between them. */
const TIMES = ['a', 'b', 'now'] as const;
type Heights = Record<(typeof TIMES)[number], number>;

/** A cell and the rows that it reaches over. */
interface Reaching {
  readonly cell: number;
  readonly first: number;
  readonly span: number;
  readonly asked: Asked;
}

/** Places rows of which cells reach over several of them. @returns how far they reach down */
export function placeSpannedRows(placing: Placing, group: number, top: number): number {
  const { boxes, share, between: pair } = placing;
  const { units, cells } = placing.page.set;
  const rows = units[group]!;
  const [boxesA, boxesB] = [pair.a.facts.boxes, pair.b.facts.boxes];
  const apart = (upper: number, lower: number) =>
    between(boxesA[lower]! - boxesA[upper]!, boxesB[lower]! - boxesB[upper]!, share);
  const measured = (element: number): Row => {
    const [a, b] = [boxesA, boxesB].map((all) => all[element * 4 + 3]! - all[element * 4 + 1]!);
    return { cells: [element], a: a!, b: b!, now: between(a!, b!, share) };
  };
  const gaps = rows.map((row, i) => apart(i === 0 ? group * 4 + 1 : rows[i - 1]! * 4 + 3, row * 4 + 1));
  const reaching = rows.flatMap((row, first) =>
    units[row]!.map((cell): Reaching => {
      const asked = askedBy(placing, cell, top, measured(cell));
      return { cell, first, span: cells.spans[cell]!, asked };
    }),
  );
  const heights = heightsOf(rows.length, gaps, reaching);
  const isAsMeasured = (row: number, i: number) =>
    Math.abs(heights[i]!.a - measured(row).a) < HIGHER && Math.abs(heights[i]!.b - measured(row).b) < HIGHER;
  const areKnown = reaching.every(({ asked }) => asked.known) && rows.every(isAsMeasured);
  const areStill = () =>
    rows.every((row) =>
      areAllStill(
        measured(row),
        reaching.map(({ asked }) => asked),
      ),
    );
  if (!areKnown && !areStill()) placing.failed = true;
  boxes[group * 4 + 1] = top;
  let cursor = top;
  rows.forEach((row, i) => {
    boxes[row * 4 + 1] = cursor + gaps[i]!;
    cursor += gaps[i]! + (areKnown ? heights[i]!.now : measured(row).now);
    boxes[row * 4 + 3] = cursor;
  });
  for (const { cell, first, span, asked } of reaching) {
    const [from, to] = [boxes[rows[first]! * 4 + 1]!, boxes[rows[first + span - 1]! * 4 + 3]!];
    placing.shift(cell, from - top);
    fillCell(placing, cell, asked, from, to - from);
  }
  boxes[group * 4 + 3] = cursor + apart(rows.at(-1)! * 4 + 3, group * 4 + 3);
  return boxes[group * 4 + 3]!;
}

/** How high rows are: as the highest of their own cells; what one that reaches over several needs more, these share as they are high. */
function heightsOf(count: number, gaps: readonly number[], reaching: readonly Reaching[]): Heights[] {
  const heights = Array.from({ length: count }, (): Heights => ({ a: 0, b: 0, now: 0 }));
  for (const { asked, first, span } of reaching)
    if (span === 1) for (const at of TIMES) heights[first]![at] = Math.max(heights[first]![at], asked.known?.[at] ?? 0);
  for (const { asked, first, span } of reaching) {
    if (span === 1) continue;
    const rows = heights.slice(first, first + span);
    const free = gaps.slice(first + 1, first + span).reduce((sum, gap) => sum + gap, 0);
    for (const at of TIMES) {
      const high = rows.reduce((sum, row) => sum + row[at], 0);
      const need = (asked.known?.[at] ?? 0) - free;
      if (need > high) for (const row of rows) row[at] *= need / high;
    }
  }
  return heights;
}
