import { demoProject } from '@/demo';
import type { Finding, WidthResult } from '../audit';
import { applyEdit } from '../edits';
import { byWorth, causesOf, fixesFor, isSafe, placesFor, proposedBreakpoints, verdictOn } from './index';

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
const at = (width: number, ...keys: string[]): WidthResult => ({
  width,
  violations: keys.map((key) => {
    const [check, element] = key.split(' ') as [string, string];
    return { check, violation: { element, amount: 1, measured: {}, others: [] } };
  }),
});

test('a fix is written where it covers the finding and little else', () => {
  expect(placesFor(project, [{ from: 497, below: 600 }]).map(({ words }) => words)).toEqual([
    'at 497 to 599, with a breakpoint there',
    'at 599 and narrower',
  ]);
  expect(placesFor(project, [{ from: 320, below: 600 }]).map(({ at: place }) => place)).toEqual(['bnarrow', 'bmiddle']);
  expect(placesFor(project, [{ from: 320, below: 1921 }]).map(({ at: place }) => place)).toEqual(['base']);
  expect(placesFor(project, [{ from: 1700, below: 1921 }])[0]!.before).toMatchObject([
    { type: 'addBreakpoint', breakpoint: { condition: { from: 1700 } } },
  ]);
});

test('fixes are edits that can be made and that change something', () => {
  const fixes = fixesFor(project, page, finding('clipped-content', 497, 600));
  expect(fixes[0]!.title).toBe('Automatic height for Tool card 1 at 497 to 599, with a breakpoint there');
  for (const { edit } of fixes) expect(applyEdit(project, edit).footprint[page.id]!.widths.length).toBeGreaterThan(0);
  expect(fixesFor(project, page, finding('clipped-content', 497, 600, { element: 'egone' }))).toEqual([]);
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

test('a verdict counts what is cleared, names what is new, and leaves the rest identical', () => {
  const ill = finding('clipped-content', 500, 503);
  const key = `clipped-content ${card.id}`;
  const before = [at(499), at(500, key), at(501, key, 'small-text ea'), at(502, key)];
  const good = verdictOn(project.audit.range, ill, [{ from: 499, below: 503 }], before, [at(499), at(500), at(501), at(502)]);
  expect(good).toMatchObject({ widths: 3, cleared: 3, added: [], also: [{ check: 'small-text' }], identical: 1597 });
  const bad = verdictOn(project.audit.range, ill, [{ from: 499, below: 502 }], before, [
    at(499, 'wrapped-label eb'),
    at(500),
    at(501, key),
  ]);
  expect(bad).toMatchObject({ widths: 3, cleared: 1, added: [{ check: 'wrapped-label', widths: [{ from: 499, below: 500 }] }] });
  expect([isSafe(good), isSafe(bad)]).toEqual([true, false]);
  expect([bad, good].sort(byWorth)[0]).toBe(good);
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
