import { Aligned } from '../codes';
import type { Placing } from './placing';
import { SAME } from './same';

/** Places items side by side in rows as high as their highest items. @returns how far their element reaches down, if nothing makes it higher */
export function placeBeside(placing: Placing, element: number, top: number): number {
  const { boxes } = placing;
  const { head, gap, above, below, rest } = placing.page.set.heights;
  const rows = placing.between.a.rows.get(element)!;
  let cursor = top + head[element]!;
  for (let r = 0; r < rows.length; r++) {
    const row = rows[r]!;
    if (r > 0) cursor += gap[element]!;
    const heights: number[] = [];
    let highest = 0;
    for (const item of row) {
      const height = placing.place(item, cursor + above[item]!) - cursor + below[item]!;
      heights.push(height);
      if (heights.length === 1 || height > highest) highest = height;
    }
    for (let i = 0; i < row.length; i++) {
      const item = row[i]!;
      // What stands beside a higher one is as high as that, however high it would be by itself.
      if (placing.open.size > 0 && heights[i]! + (placing.open.get(item) ?? 0) <= highest + SAME) placing.open.delete(item);
      makeRoom(placing, item, highest - heights[i]!);
    }
    cursor += highest;
  }
  boxes[element * 4 + 3] = cursor + rest[element]!;
  return boxes[element * 4 + 3]!;
}

/** Hands what is free in a row to an item in it. */
function makeRoom(placing: Placing, item: number, free: number): void {
  const align = placing.page.set.heights.align[item]!;
  if (align === Aligned.stretched) placing.stretch(item, free);
  else placing.shift(item, free * align);
}

/** Rows that share what their element is higher than they ask for. */
export function stretchRows(placing: Placing, element: number, more: number): void {
  if (!placing.page.set.heights.shares[element]) return;
  const rows = placing.between.a.rows.get(element)!;
  const each = more / rows.length;
  rows.forEach((row, r) => {
    for (const item of row) {
      placing.shift(item, each * r);
      makeRoom(placing, item, each);
    }
  });
}
