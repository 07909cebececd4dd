import fc from 'fast-check';
import { facts } from '../checks/facts-for-tests';
import type { Drawn } from '../checks/facts-for-tests';
import { Rule } from '../codes';
import type { PageFacts } from '../facts';
import { disagreement } from '../sweep/disagreement';
import type { Typesetting } from './paragraph';
import { paragraphOf, plainHeights, SPACE } from './paragraph-for-tests';
import { Typesetter } from './typesetter';

const [LINE, ABOVE, TYPE, PADDING] = [20, 2, 16, 5];

interface Block {
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
function page(width: number, blocks: readonly Block[], cells: readonly Block[]): PageFacts {
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

function typesettingOf(blocks: readonly Block[], cells: readonly Block[]): Typesetting {
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
const anyPage = fc.record({
  blocks: fc.array(block(fc.constantFrom(1, 0.5, 0.75), fc.constantFrom(0, 0, 0.5, 1)), { minLength: 1, maxLength: 6 }),
  cells: fc.tuple(block(fc.constant(0.25)), block(fc.constant(0.75))),
});

test('between two measured widths all is worked out as it would be measured', () => {
  let worked = 0;
  fc.assert(
    fc.property(anyPage, fc.integer({ min: 400, max: 1200 }), ({ blocks, cells }, first) => {
      const at = (width: number) => page(width, blocks, cells);
      const parents = at(first).elements.map(({ parent }) => parent);
      const typesetter = new Typesetter(typesettingOf(blocks, cells), (i) => parents[i]!);
      const between = typesetter.between(at(first), at(first + 96))!;
      const all = between.lineStarts().all();
      let before: PageFacts | undefined;
      for (let width = first + 1; width < first + 96; width++) {
        const starts = all[width - first];
        // Asking `expect` of each would take most of the time.
        const alone = between.lineStarts().at(width);
        if (JSON.stringify(starts) !== JSON.stringify(alone)) expect([width, starts]).toEqual([width, alone]);
        const facts = starts && between.factsAt(width, starts);
        // Those of two widths at a time are what they were.
        for (const one of [before, facts])
          if (one && disagreement(one, at(one.viewport.width)))
            expect([width, disagreement(one, at(one.viewport.width))]).toEqual([width, undefined]);
        before = facts;
        if (facts) worked++;
      }
    }),
    { numRuns: 20 },
  );
  // Where the page begins to be higher than the window nothing is worked out.
  expect(worked).toBeGreaterThan(20 * 60);
});

test('a width is worked out as if it were the first, whatever was asked before', () => {
  let compared = 0;
  fc.assert(
    fc.property(
      ...[anyPage, fc.array(fc.integer({ min: 401, max: 799 }), { minLength: 2, maxLength: 12 })],
      ({ blocks, cells }, widths) => {
        const at = (width: number) => page(width, blocks, cells);
        const parents = at(400).elements.map(({ parent }) => parent);
        const anew = () => new Typesetter(typesettingOf(blocks, cells), (i) => parents[i]!).between(at(400), at(800));
        const kept = anew();
        const lineStarts = kept?.lineStarts();
        for (const width of widths) {
          const starts = lineStarts?.at(width);
          const facts = starts && kept!.factsAt(width, starts);
          const first = starts && anew()!.factsAt(width, starts);
          expect([width, facts?.lines, facts?.boxes]).toEqual([width, first?.lines, first?.boxes]);
          if (facts) compared++;
        }
      },
    ),
    { numRuns: 40 },
  );
  expect(compared).toBeGreaterThan(100);
});

test('a paragraph that is set otherwise than worked out is left to measuring, and the rest is worked out all the same', () => {
  const blocks: Block[] = [
    { words: Array.from({ length: 40 }, () => 30), margin: 0, share: 1 },
    { words: [40, 40], margin: 10, share: 1 },
  ];
  const cells: Block[] = [
    { words: [10], margin: 0, share: 0.25 },
    { words: [20], margin: 0, share: 0.75 },
  ];
  const set = typesettingOf(blocks, cells);
  // What is said of the second block's words isn't so.
  const wrong = { ...set, paragraphs: set.paragraphs.map((one, i) => (i === 1 ? paragraphOf([[40, 70]], { block: 2 }) : one)) };
  const at = (width: number) => page(width, blocks, cells);
  const parents = at(500).elements.map(({ parent }) => parent);
  const between = new Typesetter(wrong, (i) => parents[i]!).between(at(500), at(600))!;
  const facts = between.factsAt(550, between.lineStarts().at(550)!)!;
  expect(disagreement(facts, at(550))).toBeUndefined();
  expect([...facts.lines[2]!]).toEqual([...at(550).lines[2]!]);
});

/** A text, and two cells below it: nobody knows how the words of the second, element 4, are set, and they move with it. */
function partlyUnread() {
  const blocks: Block[] = [{ words: Array.from({ length: 40 }, () => 30), margin: 0, share: 1 }];
  const cells: Block[] = [
    { words: [10], margin: 0, share: 0.25 },
    { words: [20], margin: 0, share: 0.75 },
  ];
  const set = typesettingOf(blocks, cells);
  const unread = Uint8Array.from(set.worked, (_, i) => (i === 4 ? 1 : 0));
  const partly = {
    ...set,
    unread,
    units: set.units.map((list, i) => (i === 4 ? [] : list)),
    worked: set.worked.map((one, i) => (i === 4 ? 0 : one)),
    paragraphs: set.paragraphs.slice(0, 2),
  };
  const first = page(500, blocks, cells);
  const parents = first.elements.map(({ parent }) => parent);
  return { first, last: page(600, blocks, cells), typesetter: new Typesetter(partly, (i) => parents[i]!) };
}

test('what was measured stays as it was, however much of it two viewports share', () => {
  const { first, last, typesetter } = partlyUnread();
  const shared = { ...last, lines: last.lines.map((own, i) => (i === 4 ? first.lines[4]! : own)) };
  const before = first.lines[4]!.slice();
  const between = typesetter.between(first, shared)!;
  // One line more than at both ends.
  const worked = between.factsAt(550, between.lineStarts().at(410)!)!;
  expect(worked.lines[4]![1]).not.toBe(before[1]);
  expect([...first.lines[4]!]).toEqual([...before]);
});

test('text in a block that is high enough for several lines at one end alone may reach farther everywhere between', () => {
  const { first, last, typesetter } = partlyUnread();
  last.boxes[4 * 4 + 3]! += 20;
  const between = typesetter.between(first, last)!;
  expect([...between.loose]).toEqual([0, 0, 0, 0, 1]);
  const worked = between.factsAt(550, between.lineStarts().at(410)!)!;
  expect(worked.doubt!.loose).toEqual(between.loose);
  expect(worked.lines[4]![2]).toBe(worked.boxes[4 * 4 + 2]);
});
