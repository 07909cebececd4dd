import type { PageFacts } from './facts';
import { boxOf, LEFT, TOP } from './geometry';
import { exceeds, larger, orderBy, smaller } from './readers';
import { Laying, Level, Positioning } from './facts';
import { oncePerFacts, oncePerGiven } from './once';

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

/** Elements with the items in them that stand beside each other, two at least. */
const besides = oncePerGiven(
  ({ elements, shown, position, flow, level }) => [elements, shown, position, flow, level],
  ({ elements, shown, position, flow, level }) => {
    const items = new Map<number, number[]>();
    for (let i = 1; i < elements.length; i++) {
      const { parent } = elements[i]!;
      if (parent < 0 || !shown[i] || position[i]! >= Positioning.absolute) continue;
      const isBeside =
        flow[parent] === Laying.wrappingRow ||
        flow[parent] === Laying.grid ||
        (flow[parent] === Laying.other && (level[i] === Level.float || level[i] === Level.inlineBlock));
      if (!isBeside) continue;
      const list = items.get(parent);
      if (list) list.push(i);
      else items.set(parent, [i]);
    }
    return [...items].filter(([, list]) => list.length > 1);
  },
);

/** All elements whose items stand beside each other and may go to further rows: wrapping rows, grids, floats, inline blocks. */
export const rowsOf = oncePerFacts((facts): Rows[] =>
  besides(facts).map(([parent, items]) => ({
    parent,
    items,
    rows: intoRows(facts, items),
    grid: facts.flow[parent] === Laying.grid,
  })),
);
