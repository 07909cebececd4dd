import { Rule } from '../codes';
import type { Placing } from './placing';

/** Heights that differ by more, px, aren't the same. */
const HIGHER = 0.1;

/** What lies around the content of a cell. */
const endsOf = (gaps: Float64Array) => (gaps.length === 1 ? gaps[0]! : gaps[0]! + gaps[gaps.length - 1]!);

/** Cells as high as the highest of them; what stands in each lies where its row says. */
export function placeTableRow(placing: Placing, element: number, top: number): number {
  const { boxes, share, between } = placing;
  const { set } = placing.page;
  const { most, align } = set.cells;
  const [upperA, upperB] = [between.a.facts.boxes, between.b.facts.boxes];
  const rowHeight = ({ [element * 4 + 1]: from, [element * 4 + 3]: to }: Float64Array) => to! - from!;
  const [highA, highB] = [rowHeight(upperA), rowHeight(upperB)];
  const list = set.units[element]!;
  boxes[element * 4 + 1] = top;
  let known = 0;
  /** Cells that may be as high as this, and the highest by itself at both ends. */
  let unsure = 0;
  let [tallA, tallB] = [0, 0];
  const contents: number[] = [];
  for (const cell of list) {
    const bottom = placing.place(cell, top);
    if (set.rule[cell] !== Rule.stack) {
      contents.push(NaN);
      unsure = Math.max(unsure, highA + (highB - highA) * share);
      continue;
    }
    const [a, b] = [between.gapsA.of[cell]!, between.gapsB.of[cell]!];
    const [freeA, freeB] = [endsOf(a), endsOf(b)];
    const content = bottom - top - (freeA + (freeB - freeA) * share);
    contents.push(content);
    const rest = restOf(placing, cell, list, highA - freeA, highA, highB - freeB, highB);
    if (rest === undefined) unsure = Math.max(unsure, content + most[cell]!);
    else {
      known = Math.max(known, content + rest);
      tallA = Math.max(tallA, highA - freeA + rest);
      tallB = Math.max(tallB, highB - freeB + rest);
    }
  }
  // A row may be higher than any of its cells asks for.
  const isOwn = Math.abs(tallA - highA) < HIGHER && Math.abs(tallB - highB) < HIGHER;
  // By something that stays: no cell asks for as much at either end.
  const isHeld = !isOwn && Math.abs(highA - highB) < HIGHER && tallA < highA && tallB < highB;
  if (isHeld) known = Math.max(known, highA);
  if ((!isOwn && !isHeld) || unsure > known + HIGHER) placing.failed = true;
  list.forEach((cell, i) => {
    boxes[cell * 4 + 1] = top;
    boxes[cell * 4 + 3] = top + known;
    if (Number.isNaN(contents[i]!)) return;
    const [a, b] = [between.gapsA.of[cell]!, between.gapsB.of[cell]!];
    if (a.length === 1) return;
    // What is free around the content is shared between its two ends.
    const more = known - contents[i]! - (endsOf(a) + (endsOf(b) - endsOf(a)) * share);
    shiftContent(placing, cell, more * align[cell]!);
  });
  boxes[element * 4 + 3] = top + known;
  return top + known;
}

function shiftContent(placing: Placing, cell: number, by: number): void {
  for (const unit of placing.page.set.units[cell]!) placing.shift(unit, by);
}

/** How much higher a cell would be by itself than its content, where that is known. */
function restOf(
  { page, between }: Placing,
  cell: number,
  row: readonly number[],
  contentA: number,
  highA: number,
  contentB: number,
  highB: number,
): number | undefined {
  const { least, most } = page.set.cells;
  if (most[cell]! - least[cell]! < HIGHER) return most[cell]!;
  // The highest of a row is as high as the row.
  const rests = (
    [
      [contentA, highA, between.gapsA],
      [contentB, highB, between.gapsB],
    ] as const
  ).flatMap(([content, high, gaps]) => {
    const others = row.every((other) => {
      if (other === cell) return true;
      const own = gaps.of[other];
      if (!own) return false;
      const inside = high - endsOf(own);
      return inside + most[other]! < high - HIGHER;
    });
    return others ? [high - content] : [];
  });
  return rests.length > 0 ? Math.max(...rests) : undefined;
}
