import fc from 'fast-check';
import type { Edit } from '../edits';
import { HEADING, insert, make, makeFrom, set, sheet, TEXT } from '../edits/project-for-tests';
import type { Project } from '../document';
import { importedRules } from './imported';
import { rulesOn } from './page-rules';
import { indexOf } from './rule-index';
import { seenNodes } from './seen-nodes';

const seen = (project: Project) => seenNodes(project, project.pages[0]!);
const after = (css: string, ...edits: readonly Edit[]) => {
  const before = make(sheet(css));
  return seen(before) === seen(makeFrom(before, ...edits));
};
const attribute: Edit = { type: 'setAttribute', node: TEXT, name: 'title', value: 'A' };

test('what no selector can tell apart is seen as before: values, texts, names that nobody speaks of', () => {
  expect(after('p { color: red }', set(TEXT, 'base', 'color', 'blue'))).toBe(true);
  expect(after('h1 .x, :not(.y) { color: red }', set(TEXT, 'base', 'color', 'blue'), set(HEADING, 'base', 'gap', '2px'))).toBe(
    true,
  );
  expect(after('p { color: red }', { type: 'renameElement', node: TEXT, name: 'Notice' })).toBe(true);
});

test('however many pages share their sheets, an edit of one leaves what is seen of all', () => {
  const page = make().pages[0]!;
  const start = make(sheet('p { color: red }'));
  const many = {
    ...start,
    pages: Array.from({ length: 9 }, (_, i) => ({ ...page, id: `g${i}`, elements: { ...page.elements } })),
  };
  const all = (project: Project) => project.pages.map((one) => seenNodes(project, one));
  const before = all(many);
  const edited = { ...many, pages: many.pages.map((one, i) => (i === 0 ? { ...one, name: 'Other' } : one)) };
  expect(all(edited).map((nodes, i) => nodes === before[i])).toEqual(before.map(() => true));
});

test('what a selector could tell apart is seen anew', () => {
  // Its own values give it a class of its own, made of its name.
  for (const css of [
    '.first-text { gap: 1px }',
    'p:not(:is(b .first-text)) { gap: 1px }',
    '[class] { gap: 1px }',
    '[class^=fi] i { gap: 1px }',
  ])
    expect([css, after(css, set(TEXT, 'base', 'color', 'blue'))]).toEqual([css, false]);
  expect(after('p { color: red }', attribute)).toBe(false);
  expect(after('p { color: red }', insert('enew', 'p'))).toBe(false);
  expect(after('p { color: red }', { type: 'moveElement', node: TEXT, parent: 'efirstmain', index: 0 })).toBe(false);
  expect(after('p { color: red }', { type: 'setProject', field: 'language', value: 'de' })).toBe(false);
});

test('rules that are passed over by what they ask for first are none that match', () => {
  const simple = fc.constantFrom(
    'p',
    'h1',
    '*',
    '.first-text',
    '#a',
    '[title]',
    ':first-child',
    ':not(p)',
    ':is(p, h1)',
    ':hover',
    'P',
    '.FIRST-TEXT',
  );
  const compound = fc
    .array(simple, { minLength: 1, maxLength: 2 })
    .map((all) => all.sort((a, b) => Number(/^[a-z*]/i.test(b)) - Number(/^[a-z*]/i.test(a))).join(''));
  const selector = fc
    .tuple(compound, fc.constantFrom('', ' ', ' > ', ' + ', ' ~ '), compound, fc.constantFrom('', '', '::before', ':has(b)'))
    .map(([a, join, b, end]) => (join === '' ? b : a + join + b) + end);
  let matching = 0;
  fc.assert(
    fc.property(fc.array(selector, { minLength: 1, maxLength: 8 }), (selectors) => {
      const project = make(
        sheet(`${selectors.map((one) => `${one} { gap: 3px }`).join('\n')}\np { color: red }`),
        set(TEXT, 'base', 'color', 'blue'),
        attribute,
        { type: 'setAttribute', node: HEADING, name: 'id', value: 'a' },
      );
      const page = project.pages[0]!;
      const rules = rulesOn(project, page);
      for (const id of [TEXT, HEADING, 'efirstmain']) {
        const node = seenNodes(project, page).get(id)!;
        const all = rules.flatMap(({ rule }, order) =>
          rule.selectors.some((one) => one.box === undefined && one.matches(node, () => true)) ? [order] : [],
        );
        matching += all.length;
        expect(indexOf(rules).for(node)).toEqual(expect.arrayContaining(all));
        const found = importedRules(project, page, page.elements[id]!).map(({ order }) => order);
        expect(found.toSorted((a, b) => a - b)).toEqual(all);
      }
    }),
    { numRuns: 300, seed: 4 },
  );
  expect(matching).toBeGreaterThan(500);
});
