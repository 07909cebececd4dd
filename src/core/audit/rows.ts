import type { PageFacts } from './facts';
import { boxOf, LEFT, TOP } from './geometry';
import { exceeds, larger, orderBy, smaller } from './readers';
import { Laying, Level, Positioning } from './facts';
import { oncePerFacts } from './once';

/** The items of an element that stand beside each other, and the rows they fall into. */
export interface Rows {
  readonly parent: number;
  readonly items: readonly number[];
  /** Item indices row by row, from the top. */
  readonly rows: readonly (readonly number[])[];
  /** Whether it's a grid, whose columns place the items. */
  readonly grid: boolean;
}

/** Items that share at least half of the lower one's height stand in one row. */
function intoRows(facts: PageFacts, items: readonly number[]): number[][] {
  const rows: { members: number[]; top: number; bottom: number }[] = [];
  const sides = (side: number) => items.map((item) => facts.boxes[item * 4 + side]!);
  for (const place of orderBy(facts, items.length, sides(TOP), sides(LEFT))) {
    const item = items[place]!;
    const { top, bottom } = boxOf(facts, item);
    const row = rows[rows.length - 1];
    const shared = row ? smaller(facts, row.bottom, bottom) - larger(facts, row.top, top) : 0;
    if (row && exceeds(facts, shared, smaller(facts, row.bottom - row.top, bottom - top) / 2)) {
      row.members.push(item);
      row.bottom = larger(facts, row.bottom, bottom);
    } else rows.push({ members: [item], top, bottom });
  }
  return rows.map(({ members }) => members);
}

/** All elements whose items stand beside each other and may go to further rows: wrapping rows, grids, floats, inline blocks. */
export const rowsOf = oncePerFacts((facts): Rows[] => {
  const items = new Map<number, number[]>();
  for (let i = 1; i < facts.elements.length; i++) {
    const { parent } = facts.elements[i]!;
    if (parent < 0 || !facts.shown[i] || facts.position[i]! >= Positioning.absolute) continue;
    const flow = facts.flow[parent];
    const beside =
      flow === Laying.wrappingRow ||
      flow === Laying.grid ||
      (flow === Laying.other && (facts.level[i] === Level.float || facts.level[i] === Level.inlineBlock));
    if (!beside) continue;
    const list = items.get(parent);
    if (list) list.push(i);
    else items.set(parent, [i]);
  }
  return [...items].flatMap(([parent, list]) =>
    list.length < 2 ? [] : [{ parent, items: list, rows: intoRows(facts, list), grid: facts.flow[parent] === Laying.grid }],
  );
});
