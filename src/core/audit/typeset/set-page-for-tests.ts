import fc from 'fast-check';
import { facts } from '../checks/facts-for-tests';
import type { Drawn } from '../checks/facts-for-tests';
import { Rule } from '../codes';
import type { PageFacts } from '../facts';
import type { Typesetting } from './paragraph';
import { paragraphOf, plainHeights, SPACE } from './paragraph-for-tests';

const [LINE, ABOVE, TYPE, PADDING] = [20, 2, 16, 5];

export interface Block {
  readonly words: readonly number[];
  readonly margin: number;
  /** The share of the page's width that it has. */
  readonly share: number;
  /** Where lines lie that are shorter than their room. */
  readonly align?: number;
}

/** Sets words one after the other, as the dumbest of all browsers. */
function set({ words, align = 0 }: Block, left: number, top: number, room: number) {
  const lines: [number, number, number, number][] = [];
  let used = 0;
  for (const word of words) {
    if (lines.length > 0 && used + SPACE + word <= room) used += SPACE + word;
    else {
      lines.push([left, top + lines.length * LINE + ABOVE, 0, TYPE]);
      used = word;
    }
    lines[lines.length - 1]![2] = used;
  }
  for (const line of lines) line[0] += Math.max(0, room - line[2]) * align;
  return lines;
}

/** Blocks one below the other, and two cells side by side below them, the second's content in the middle. */
export function page(width: number, blocks: readonly Block[], cells: readonly Block[]): PageFacts {
  const drawn: Drawn[] = [];
  let y = 0;
  blocks.forEach((block, i) => {
    const room = width * block.share;
    y += block.margin;
    const lines = set(block, 0, y, room);
    drawn.push({ id: `b${i}`, box: [0, y, room, lines.length * LINE], lines });
    y += lines.length * LINE;
  });
  const rooms = cells.map(({ share }) => width * share - 2 * PADDING);
  const high = cells.map((cell, i) => set(cell, 0, 0, rooms[i]!).length * LINE);
  const row = Math.max(...high) + 2 * PADDING;
  drawn.push({ id: 'row', box: [0, y, width, row] });
  cells.forEach((cell, i) => {
    const left = i === 0 ? 0 : width * cells[0]!.share;
    const top = y + PADDING + (i === 1 ? (row - 2 * PADDING - high[i]!) / 2 : 0);
    const lines = set(cell, left + PADDING, top, rooms[i]!);
    drawn.push({ id: `c${i}`, in: 'row', box: [left, y, width * cell.share, row], lines });
  });
  const all = facts(width, drawn);
  all.boxes[3] = y + row;
  const most = Math.max(y + row, 800);
  return { ...all, scrollHeight: most };
}

export function typesettingOf(blocks: readonly Block[], cells: readonly Block[]): Typesetting {
  const row = blocks.length + 1;
  const count = row + 3;
  const isCell = (i: number) => i > row;
  const paragraphs = [
    ...blocks.map(({ words, align = 0 }, i) => paragraphOf([words], { block: i + 1, align })),
    ...cells.map(({ words }, i) => ({
      ...paragraphOf([words], { block: row + 1 + i }),
      insetLeft: PADDING,
      insetRight: PADDING,
    })),
  ];
  const all = Array.from({ length: count }, (_, i) => i);
  const padded = Float64Array.from(all, (i) => (isCell(i) ? 2 * PADDING : NaN));
  return {
    paragraphs,
    leading: [{ strut: 0, style: 0, offset: 0, above: ABOVE, below: LINE - ABOVE }],
    strict: true,
    rule: Uint8Array.from(all, (i) => (i === row ? Rule.row : Rule.stack)),
    units: all.map((i) => {
      if (i === 0) return all.slice(1, row + 1);
      if (i === row) return [row + 1, row + 2];
      return [-1 - (isCell(i) ? i - 2 : i - 1)];
    }),
    holdsOn: new Int32Array(count).fill(-1),
    holdsBy: new Uint8Array(count),
    behind: Int32Array.from(all, (i) => (i === 0 || i === row ? count : i + 1)),
    cells: {
      least: padded,
      most: padded,
      align: Float64Array.from(all, (i) => (i === row + 2 ? 0.5 : 0)),
      onBaseline: new Uint8Array(count),
      spans: new Uint16Array(count).fill(1),
    },
    heights: plainHeights(count),
    unread: new Uint8Array(count),
    plainShares: true,
    written: new Map(),
    worked: Uint8Array.from(all, (i) => (i > 0 && i !== row ? 1 : 0)),
  };
}

const words = fc.array(fc.integer({ min: 5, max: 70 }), { minLength: 1, maxLength: 50 });
const block = (share: fc.Arbitrary<number>, align: fc.Arbitrary<number> = fc.constant(0)) =>
  fc.record({ words, margin: fc.integer({ min: 0, max: 30 }), share, align });
export const anyPage = fc.record({
  blocks: fc.array(block(fc.constantFrom(1, 0.5, 0.75), fc.constantFrom(0, 0, 0.5, 1)), { minLength: 1, maxLength: 6 }),
  cells: fc.tuple(block(fc.constant(0.25)), block(fc.constant(0.75))),
});
