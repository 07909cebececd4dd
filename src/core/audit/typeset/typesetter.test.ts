import fc from 'fast-check';
import type { PageFacts } from '../facts';
import { disagreement } from '../sweep/disagreement';
import { paragraphOf } from './paragraph-for-tests';
import type { Block } from './set-page-for-tests';
import { anyPage, page, typesettingOf } from './set-page-for-tests';
import { Typesetter } from './typesetter';

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

test('what turns between two viewports is told by whether another is like the first in it', () => {
  const { first, last } = partlyUnread();
  // What was measured of a width is remembered.
  const parting = (other: PageFacts) => partlyUnread().typesetter.parting(first, other);
  expect(parting(last)).toBeUndefined();
  const lower = { ...last, lines: last.lines.map((own, i) => (i === 4 ? Float64Array.from([...own, ...own]) : own)) };
  expect(partlyUnread().typesetter.between(first, lower)).toBeUndefined();
  const wider = { ...last, scrollWidth: last.viewport.width + 1 };
  for (const other of [lower, { ...last, scrollHeight: 801 }, wider])
    expect([first, last, other].map(parting(other)!)).toEqual([true, true, false]);
  // Half a px is none to a browser.
  expect(parting({ ...last, scrollHeight: 800.4 })).toBeUndefined();
});
