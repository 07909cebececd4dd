import { Aligned } from '../codes';
import type { Stacker } from './stacker';

/** Places items side by side in rows as high as their highest items. @returns how far their element reaches down, if nothing makes it higher */
export function placeBeside(stacker: Stacker, element: number, top: number): number {
  const { boxes } = stacker;
  const { head, gap, above, below, rest } = stacker.page.set.heights;
  const rows = stacker.between.a.rows.get(element)!;
  let cursor = top + head[element]!;
  rows.forEach((row, r) => {
    if (r > 0) cursor += gap[element]!;
    const heights = row.map((item) => stacker.place(item, cursor + above[item]!) - cursor + below[item]!);
    const highest = Math.max(...heights);
    row.forEach((item, i) => makeRoom(stacker, item, highest - heights[i]!));
    cursor += highest;
  });
  boxes[element * 4 + 3] = cursor + rest[element]!;
  return boxes[element * 4 + 3]!;
}

/** Hands what is free in a row to an item in it. */
function makeRoom(stacker: Stacker, item: number, free: number): void {
  const align = stacker.page.set.heights.align[item]!;
  if (align === Aligned.stretched) stacker.stretch(item, free);
  else stacker.shift(item, free * align);
}

/** Rows that share what their element is higher than they ask for. */
export function stretchRows(stacker: Stacker, element: number, more: number): void {
  if (!stacker.page.set.heights.shares[element]) return;
  const rows = stacker.between.a.rows.get(element)!;
  const each = more / rows.length;
  rows.forEach((row, r) => {
    for (const item of row) {
      stacker.shift(item, each * r);
      makeRoom(stacker, item, each);
    }
  });
}
