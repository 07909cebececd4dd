import { bringIn, bringInEdit } from '../bring-in';
import { hashForTests } from '../bring-in/hash-for-tests';
import type { Held } from '../breakpoints/viewport';
import { ComputedStyles, resolve } from '../cascade';
import type { Project } from '../document';
import { newProject } from '../document';
import type { Edit } from '../edits';
import { applyEdit, makeEdit } from '../edits';
import { PROPERTIES } from '../styles';
import { planTakeInline, planTakeOver } from './index';

function brought(html: string): Project {
  const start = { ...newProject('00000000-0000-4000-8000-000000000000', 'Brought'), pages: [] };
  const read = bringIn([{ path: 'index.html', bytes: new TextEncoder().encode(html) }], {
    project: start,
    hash: hashForTests,
    key: 'k',
  });
  return makeEdit(start, bringInEdit(read)).document;
}

/** Every computed value of every element at widths on both sides of each edge, at rest and in turn pointed at or pressed. */
function looks(project: Project): string[] {
  const page = project.pages[0]!;
  const elements = Object.keys(page.elements);
  const held = elements.map((element): Held => ({ element, states: ['hover', 'active'], around: [] }));
  return [320, 599, 600, 601, 700, 899, 900, 1300].flatMap((width) =>
    [undefined, ...held].flatMap((one) => {
      const computed = new ComputedStyles(project, page, { width, height: 800, ...(one && { held: one }) });
      return elements.flatMap((id) =>
        PROPERTIES.map(({ name }) => `${width} ${one?.element} ${id} ${name}: ${computed.value(id, name)}`),
      );
    }),
  );
}

let ids = 0;
const newId = (letter: string) => `${letter}new${++ids}`;
const sheetOf = (project: Project) => ({ page: project.pages[0]!.id, sheet: project.sheets[0]!.id });
const done = (project: Project, { edit }: { edit: Edit }) => applyEdit(project, edit);
const elementNamed = (project: Project, id: string) =>
  Object.values(project.pages[0]!.elements).find(({ attributes }) => attributes.id === id)!;

const PAGE = `<!doctype html><style>
p { margin: 4px; color: red }
.card { padding: 8px; color: green; border: 1px solid }
.card:hover { color: blue }
.card::before { content: "x"; color: teal }
#one { padding-left: 20px }
.wide .card { padding-top: 12px }
@media (max-width: 599px) { .card { padding: 2px } p { margin: 1px } }
@media (width >= 900px) { p.card { padding: 16px } }
.loud { color: lime !important }
.gone { color: olive }
</style><div class=wide><p class=card id=one>One</p><p class="card loud" id=two>Two</p></div><p class=card id=three>Three</p><p id=four>Four</p>`;

test('a whole sheet becomes shared styles, and everything looks the same', () => {
  const project = brought(PAGE);
  const plan = planTakeOver(project, sheetOf(project), newId);
  const { document: after, inverse } = done(project, plan);
  expect(looks(after)).toEqual(looks(project));
  expect(after.breakpoints.map(({ condition }) => condition)).toEqual(expect.arrayContaining([{ below: 600 }, { from: 900 }]));
  expect(after.shared.map(({ name }) => name)).toEqual(expect.arrayContaining(['p', 'card', 'one', '.wide .card', 'p.card']));
  const { origin } = resolve(after, after.pages[0]!, elementNamed(after, 'four').id, 'margin-top', 700);
  expect(origin).toMatchObject({ candidate: { layer: 'shared' } });
  expect(plan.details.join(' ')).toMatch(
    /1 rule speaks of no element of this page, and stays.*1 value stays only in the sheet: it is important/,
  );
  expect(plan.sentence).toMatch(/^Makes 9 rules of .* 5 shared styles of 4 elements/);
  expect(applyEdit(after, inverse).document).toEqual(project);
});

test('what is stronger than one rule goes along; what stays keeps what it beats', () => {
  const project = brought(PAGE);
  const plan = planTakeOver(project, { ...sheetOf(project), rule: { selector: '.card', line: 3 } }, newId);
  expect(plan.details.join(' ')).toMatch(/rules that beat it somewhere go along/);
  const after = done(project, plan).document;
  expect(looks(after)).toEqual(looks(project));
  // Nothing is said of margins by what was asked for, nor by what goes along.
  expect(resolve(after, after.pages[0]!, elementNamed(after, 'four').id, 'margin-top', 700).origin).toMatchObject({
    candidate: { layer: 'imported' },
  });
});

test.each<[string, string, string, string?]>([
  ['a state of something else', '.a:hover .b { color: red } .b { color: blue; margin: 1px }', 'color'],
  ['a rule that only a browser can tell', 'div:has(p) .b { color: red } .b { color: blue; margin: 1px }', 'color'],
  ['links that were visited', 'p:visited { color: red } .b { color: blue; margin: 1px }', 'color'],
  ['a reader’s setting', '@media (prefers-color-scheme: dark) { p.b { color: red } } .b { color: blue; margin: 1px }', 'color'],
  ['a state beaten by rest', '.b:hover { color: red } #b { color: blue } .b { color: tan; margin: 1px }', 'color', 'shared'],
])('beside %s only the rest is taken over', (_, css, stays, layer = 'imported') => {
  const project = brought(`<!doctype html><style>${css}</style><div class=a><p class=b id=b>B</p></div>`);
  const after = done(project, planTakeOver(project, { ...sheetOf(project), className: 'b' }, newId)).document;
  expect(looks(after)).toEqual(looks(project));
  const said = after.shared.flatMap(({ styles }) => Object.values(styles).flatMap(Object.keys));
  expect(said).toContain('margin-top');
  const isStill = resolve(after, after.pages[0]!, elementNamed(after, 'b').id, stays, 700).origin;
  expect(isStill).toMatchObject({ candidate: { layer } });
});

test('what can’t be taken over says why', () => {
  const project = brought(
    '<!doctype html><style>p { color: red !important } b { color: red } i:has(u) { color: red }</style><p>P</p>',
  );
  const choice = sheetOf(project);
  const take = (selector: string) => planTakeOver(project, { ...choice, rule: { selector, line: 1 } }, newId);
  expect(() => take('p')).toThrow('Nothing of it can be taken over: it is important.');
  expect(() => take('b')).toThrow('it speaks of no element of this page');
  expect(() => take('i:has(u)')).toThrow('only a browser can tell where it holds');
});

test('rules of equal strength whose order would change become styles of their own', () => {
  const project = brought(`<!doctype html><style>.a { color: red } .b { color: blue }
@media (max-width: 599px) { .a { color: green } }</style><p class="a b" id=b>B</p>`);
  const after = done(project, planTakeOver(project, sheetOf(project), newId)).document;
  expect(looks(after)).toEqual(looks(project));
  expect(after.shared.map(({ name }) => name)).toEqual(['a', 'b', 'a 2']);
});

test('rules that ask for parts of a class don’t match what the new classes are called', () => {
  const project =
    brought(`<!doctype html><style>div[class*="high-"] { margin: 9px } .high { color: red } .x { color: tan }</style>
<div class=high>A</div><div class="high-low x">B</div>`);
  const after = done(project, planTakeOver(project, { ...sheetOf(project), className: 'high' }, newId)).document;
  expect(looks(after)).toEqual(looks(project));
  expect(after.shared.map(({ name }) => name)).toEqual(['Rule on line 1']);
  const whole = brought('<!doctype html><style>[class="a"] { margin: 9px } .a { color: red }</style><p class=a>A</p>');
  expect(() => planTakeOver(whole, { ...sheetOf(whole), className: 'a' }, newId)).toThrow(/whole class attribute/);
});

test('style attributes become own values; what can’t be stays in them', () => {
  const project =
    brought(`<!doctype html><p id=a style="color: red; padding: 3px; margin: 1px !important; background: url(x.png)">A</p>
<p id=b style="font-family: monospace">B</p><p id=c style="width: 50%; background-color: rgb(1, 2,  3)">C</p>`);
  const own = { ...elementNamed(project, 'a'), styles: { bsmall: { color: 'blue' } } };
  const withOwn = makeEdit(
    makeEdit(project, { type: 'addBreakpoint', breakpoint: { id: 'bsmall', name: 'Small', condition: { below: 600 } } }).document,
    { type: 'setStyle', owner: own.id, at: 'bsmall', property: 'color', value: 'blue' },
  ).document;
  const all = Object.keys(withOwn.pages[0]!.elements);
  const plan = planTakeInline(withOwn, all);
  const { document: after, inverse } = done(withOwn, plan);
  expect(looks(after)).toEqual(looks(withOwn));
  expect(elementNamed(after, 'a')).toMatchObject({ styles: { base: { color: 'red', 'padding-left': '3px' } } });
  expect(elementNamed(after, 'a').attributes.style).toBe('margin: 1px !important; background: url(x.png)');
  expect(elementNamed(after, 'b').attributes.style).toBe('font-family: monospace');
  expect(elementNamed(after, 'c')).toMatchObject({ attributes: { id: 'c' }, styles: { base: { width: '50%' } } });
  expect(elementNamed(after, 'c').styles.base).toMatchObject({ 'background-color': 'rgb(1, 2, 3)' });
  expect(plan.details.join(' ')).toMatch(/1 own value that never showed goes/);
  expect(applyEdit(after, inverse).document).toEqual(withOwn);
  expect(() => planTakeInline(after, [elementNamed(after, 'b').id])).toThrow(/nothing in a style attribute/);
});
