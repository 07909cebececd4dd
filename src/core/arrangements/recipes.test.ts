import { DEFAULT_SLICE } from '../breakpoints';
import type { PageElement } from '../document';
import { childIds, keptTree } from '../document';
import type { Edit } from '../edits';
import { applyEdit, makeEdit } from '../edits';
import { makeFrom, MAIN, NARROW, set, START, TEXT } from '../edits/project-for-tests';
import { planGroup, planPanel } from '../plans';
import { planRecipe, planTakeBack, recipeOf, whyNotLike } from './index';

const el = (id: string, tag: string, children: PageElement['children'] = [], more: Partial<PageElement> = {}): PageElement => ({
  ...{ id, tag, name: id, attributes: {}, children, shared: [], styles: {} },
  ...more,
});
/** Two boxes built alike, and one that isn't. */
const box = (n: number) => [
  el(`ebox${n}`, 'section', [`ehead${n}`, `etext${n}`]),
  el(`ehead${n}`, 'h3', [{ text: `Box ${n}` }]),
  el(`etext${n}`, 'p', [{ text: 'Words' }]),
];
const insert = (...elements: PageElement[]): Edit => ({
  ...{ type: 'insertElement', page: 'gfirst', parent: MAIN, index: 0 },
  elements,
});
const start = makeFrom(
  START,
  NARROW,
  insert(...box(1)),
  insert(...box(2)),
  insert(el('eodd', 'section', ['eoddp']), el('eoddp', 'p')),
);
const before = keptTree(start.pages[0]!);
const fresh = (prefix: string) => {
  let n = 0;
  return () => `${prefix}${(n++).toString(36)}`;
};

/** What somebody does to the first box: values, a state, new words, a group, a panel with its buttons, an alternate. */
function done(): Edit[] {
  const newId = fresh('d');
  const edits: Edit[] = [
    set('ebox1', 'bn', 'padding', '12px'),
    set('ehead1:hover', 'base', 'color', 'rgb(1, 2, 3)'),
    insertInto('ebox1', 2, el('enew', 'p', [{ text: 'More' }], { attributes: { id: 'more' } })),
  ];
  let now = makeFrom(start, ...edits);
  const then = (edit: Edit) => {
    now = applyEdit(now, edit).document;
    edits.push(edit);
  };
  then(planGroup(keptTree(now.pages[0]!), ['etext1', 'enew'], 'egroup').edit);
  const wish = {
    kind: 'drawer',
    edge: 'left',
    at: 'bn',
    covers: 'part',
    locks: true,
    outside: true,
    links: true,
    slides: true,
  } as const;
  then(planPanel(now, now.pages[0]!, 'egroup', wish, newId).edit);
  return edits;
}
const insertInto = (parent: string, index: number, ...elements: PageElement[]): Edit => ({
  ...{ type: 'insertElement', page: 'gfirst', parent, index },
  elements,
});

const shape = (project: typeof start, id: string): unknown => {
  const { elements } = keptTree(project.pages[0]!);
  const of = (one: string): unknown => {
    const { tag, styles, pseudo, panel, children } = elements[one]!;
    return {
      tag,
      styles,
      pseudo,
      panel,
      texts: children.filter((child) => typeof child !== 'string').length,
      in: childIds(elements[one]!).map(of),
    };
  };
  return of(id);
};

test('what was done to one thing is done to another built like it, with ids of its own, and taken back whole', () => {
  const edits = done();
  const first = makeFrom(start, ...edits);
  const recipe = recipeOf(before, 'ebox1', edits, 'Folded box', 'yfold');
  expect(recipe.shape).toEqual({ '@': 'section', '@0': 'h3', '@1': 'p' });
  expect(recipe.edits).not.toMatch(/ebox1|ehead1|etext1|"more"|gfirst/);
  const made = makeEdit(first, planRecipe(first, DEFAULT_SLICE, 'gfirst', 'ebox2', recipe, fresh('n')).edit).document;
  expect(shape(made, 'ebox2')).toEqual(shape(made, 'ebox1'));
  expect(shape(made, 'ebox2')).not.toEqual(shape(start, 'ebox2'));
  const ids = Object.values(made.pages[0]!.elements).flatMap(({ attributes }) => attributes.id ?? []);
  expect(new Set(ids).size).toBe(ids.length);
  const opens = Object.values(made.pages[0]!.elements).flatMap(({ attributes }) => attributes.popovertarget ?? []);
  expect(new Set(opens)).toEqual(
    new Set(Object.values(made.pages[0]!.elements).flatMap((one) => (one.panel ? one.attributes.id! : []))),
  );
  const back = makeEdit(made, planTakeBack(made, made.arranged[0]!.id).edit).document;
  expect({ ...back, arranged: [] }).toEqual(first);
});

test('what isn’t built like it, what was done elsewhere, and what was done not at all are refused in words', () => {
  const recipe = recipeOf(before, 'ebox1', done(), 'Folded box', 'yfold');
  expect(whyNotLike(before, 'eodd', recipe)).toMatch(/eoddp is a <p>, and Folded box was made on a <h3> there/);
  expect(whyNotLike(before, TEXT, recipe)).toMatch(/is a <p>, and Folded box was made on a <section>/);
  expect(() => planRecipe(start, DEFAULT_SLICE, 'gfirst', 'eodd', recipe, fresh('n'))).toThrow(/made on a <h3> there/);
  expect(() => recipeOf(before, 'ebox1', [set(TEXT, 'base', 'color', 'red')], 'Other', 'yo')).toThrow(
    /First text was changed as well, which doesn’t stand in ebox1/,
  );
  expect(() => recipeOf(before, 'ebox1', [], 'Nothing', 'yn')).toThrow(/Nothing was done to ebox1 yet/);
});

test('a breakpoint that a recipe brought is there once', () => {
  const edits: Edit[] = [
    { type: 'addBreakpoint', breakpoint: { id: 'bnew', name: 'Tight', condition: { below: 420 } } },
    set('ebox1', 'bnew', 'padding', '4px'),
  ];
  const first = makeFrom(start, ...edits);
  const recipe = recipeOf(before, 'ebox1', edits, 'Tighter', 'yt');
  const made = makeEdit(first, planRecipe(first, DEFAULT_SLICE, 'gfirst', 'ebox2', recipe, fresh('n')).edit).document;
  expect(made.breakpoints.map(({ id }) => id)).toEqual(first.breakpoints.map(({ id }) => id));
  expect(made.pages[0]!.elements['ebox2']!.styles.bnew).toEqual(made.pages[0]!.elements['ebox1']!.styles.bnew);
});
