import { demoProject } from '@/demo';
import type { Finding } from '../audit';
import type { Verdict } from './index';
import { applyEdit } from '../edits';
import {
  addedBy,
  byWorth,
  causesOf,
  entryOf,
  fixesFor,
  isSafe,
  placesFor,
  proposedBreakpoints,
  seemsSafe,
  verdictOn,
} from './index';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const page = project.pages[1]!;
const card = Object.values(page.elements).find(({ name }) => name === 'Tool card 1')!;

const finding = (check: string, from: number, below: number, more: Partial<Finding> = {}): Finding => ({
  key: `${check} ${card.id}`,
  check,
  severity: 'broken',
  element: card.id,
  widths: [{ from, below }],
  worst: { width: below - 1, violation: { element: card.id, amount: 9, measured: { cut: 9 }, others: [] } },
  ...more,
});
test('a fix is written where it covers the finding and little else', () => {
  expect(placesFor(project, [{ from: 497, below: 600 }]).map(({ words }) => words)).toEqual([
    'at 599 and narrower',
    'at 899 and narrower',
    'at 497 to 599, with a breakpoint there',
  ]);
  expect(placesFor(project, [{ from: 320, below: 600 }]).map(({ at: place }) => place)).toEqual(['bnarrow', 'bmiddle']);
  expect(placesFor(project, [{ from: 320, below: 1921 }]).map(({ at: place }) => place)).toEqual(['base']);
  expect(placesFor(project, [{ from: 1700, below: 1921 }]).at(-1)!.before).toMatchObject([
    { type: 'addBreakpoint', breakpoint: { condition: { from: 1700 } } },
  ]);
});

test('fixes are edits that can be made and that change something', () => {
  const fixes = fixesFor(project, page, entryOf([finding('clipped-content', 497, 600)]));
  expect(fixes[0]!.title).toBe('Automatic height for Tool card at 599 and narrower');
  // New breakpoints are the last resort.
  expect(fixes.map(({ breakpoints }) => breakpoints)).toEqual(fixes.map(({ breakpoints }) => breakpoints).sort());
  expect(fixes.at(-1)!.breakpoints).toBe(1);
  for (const { edit } of fixes) expect(applyEdit(project, edit).footprint[page.id]!.widths.length).toBeGreaterThan(0);
  expect(fixesFor(project, page, entryOf([finding('clipped-content', 497, 600, { element: 'egone' })]))).toEqual([]);
});

test('the cause is the declaration behind it, with where it is written', () => {
  const [cause] = causesOf(project, page, finding('clipped-content', 497, 600));
  expect(cause).toMatchObject({
    property: 'height',
    value: '390px',
    where: 'from Tool card of part Tool card, fed at 599 and narrower',
    at: 'bnarrow',
  });
});

test('a verdict counts what is cleared, names what is new or worse, and leaves the rest identical', () => {
  const ill = finding('clipped-content', 500, 503);
  const small = finding('small-text', 501, 502, { key: 'small-text ea', element: 'ea' });
  const { range } = project.audit;
  const good = verdictOn(range, [ill], [{ from: 499, below: 503 }], [ill, small], []);
  expect(good).toMatchObject({ widths: 3, cleared: 3, added: [], worse: [], also: [{ check: 'small-text' }], identical: 1597 });
  const label = finding('wrapped-label', 499, 500, { key: 'wrapped-label eb', element: 'eb' });
  const bad = verdictOn(range, [ill], [{ from: 499, below: 502 }], [ill], [label, finding('clipped-content', 501, 503)]);
  expect(bad).toMatchObject({ widths: 3, cleared: 1, added: [{ check: 'wrapped-label', widths: [{ from: 499, below: 500 }] }] });
  const grown = finding('clipped-content', 500, 503, {
    worst: { width: 500, violation: { element: card.id, amount: 30, measured: {}, others: [] } },
  });
  expect(verdictOn(range, [small], [{ from: 499, below: 503 }], [ill, small], [grown]).worse).toMatchObject([
    { element: card.id },
  ]);
  expect([seemsSafe(good), seemsSafe(bad)]).toEqual([true, false]);
  // Only what was looked at in every view is called safe.
  expect([isSafe(good), isSafe({ ...good, everyView: true })]).toEqual([false, true]);
  const tried = (verdict: Verdict, breakpoints = 0) => ({ verdict, breakpoints });
  expect([tried(bad), tried(good)].sort(byWorth)[0]!.verdict).toBe(good);
  // What changes the look less is better, and what makes no breakpoint.
  const loud = { ...good, change: 0.4 };
  expect([tried(good, 1), tried(loud), tried(good)].sort(byWorth)).toEqual([tried(good), tried(loud), tried(good, 1)]);
});

test('what other checks said already is nothing new', () => {
  const [usual, large] = [finding('clipped-content', 400, 500), finding('large-text', 400, 520)];
  expect(addedBy([{ from: 300, below: 600 }], [usual], [{ ...large, key: `large-text ${card.id}` }])).toEqual([
    { check: 'large-text', element: card.id, widths: [{ from: 500, below: 520 }] },
  ]);
});

test('breakpoints are proposed where something begins to fail inside a band', () => {
  const inside = finding('clipped-content', 497, 560);
  const atEdge = finding('clipped-content', 497, 600);
  const wide = finding('long-lines', 1700, 1921, { severity: 'poor' });
  const proposed = proposedBreakpoints(project, [inside, atEdge, wide, finding('small-text', 400, 500, { severity: 'note' })]);
  expect(proposed.map(({ width, direction }) => [width, direction])).toEqual([
    [559, 'narrower'],
    [1700, 'wider'],
  ]);
  const { document } = applyEdit(project, proposed[0]!.edit);
  expect(document.breakpoints.some(({ condition }) => condition.below === 560)).toBe(true);
});
