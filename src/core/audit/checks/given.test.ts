import type { PageFacts } from '../facts';
import { asUsual, judge } from '../judge';
import { chance } from '../sweep/chance';
import { randomFacts } from '../sweep/random-facts-for-tests';
import { CHECKS } from '.';

/** Lists of which one may be another at the next viewport while all others are kept. */
const LISTS = [
  ...(['shown', 'lines', 'broken', 'position', 'pinned', 'level', 'flow', 'cutX', 'cutY', 'ellipsis', 'solid', 'moved'] as const),
  ...(['ink', 'ground', 'backdrop', 'opacity', 'bold', 'fontSize', 'chars', 'inset', 'share', 'fixedHeight', 'boxes'] as const),
];

/** A page of chance, with what most of those don't have: broken words, and rows that were one row in a wider window. */
function pageOf(seed: number): PageFacts {
  const random = chance(seed);
  const facts = { ...randomFacts(seed, 0), broken: Uint8Array.from({ length: 14 }, () => Math.floor(random() * 2)) };
  const inRow = facts.boxes.map((side, i) => (i % 2 === 1 ? i & 2 : side));
  return { ...facts, bandTop: { ...structuredClone(facts), boxes: inRow } };
}

test('what is kept of a page from one viewport to the next is found anew where what it follows from is otherwise', () => {
  const asked = asUsual(CHECKS);
  const found = (facts: PageFacts) => JSON.stringify(judge(asked, facts));
  for (let seed = 1; seed <= LISTS.length * 8; seed++) {
    const list = LISTS[seed % LISTS.length]!;
    const before = pageOf(seed);
    const after = { ...before, [list]: pageOf(seed + 1000)[list] };
    found(before);
    const [kept, anew] = [found(after), found(structuredClone(after))];
    if (kept !== anew) expect({ list, seed, kept }).toEqual({ list, seed, kept: anew });
  }
});
