import { DEFAULT_SLICE } from '../breakpoints';
import { isHiddenAt, specifiedValue } from '../cascade';
import type { Page, Project } from '../document';
import { dropsOf, kept, readProject } from '../document';
import type { Edit } from '../edits';
import { applyEdit, makeEdit } from '../edits';
import { lintProject } from '../lints';
import { HEADING, insert, MAIN, make, makeFrom } from '../edits/project-for-tests';
import type { Plan } from './index';
import { dropOrder, planDrops, planFitDrops, planNoDrops, whyNoDrops } from './index';

const ids = (prefix = 'n') => {
  let count = 0;
  return () => `${prefix}${count++}`;
};
const ITEMS = ['ea', 'eb', 'ec', 'ed'];
const within = (id: string, tag: string): Edit => {
  const edit = insert(id, tag);
  return edit.type === 'insertElement' ? { ...edit, parent: 'erow', index: 0 } : edit;
};
const BASIS = makeFrom(
  make(insert('erow', 'nav')),
  { type: 'setStyle', owner: 'erow', at: 'base', property: 'display', value: 'flex' },
  ...ITEMS.toReversed().map((id) => within(id, 'a')),
);
const page = (project: Project): Page => project.pages[0]!;
const made = (project: Project, plan: Plan): Project => {
  const { document, inverse } = makeEdit(project, plan.edit);
  expect(applyEdit(document, inverse).document).toEqual(project);
  expect(readProject(JSON.parse(JSON.stringify(kept(document))))).toEqual(document);
  return document;
};
const wish = (items: readonly string[], menu = false) => ({ items, menu });
const shown = (project: Project, width: number, among = ITEMS) =>
  among.filter((id) => !isHiddenAt(project, page(project), id, width)).join(' ');
const drop = (items: readonly string[], widths: readonly number[], menu = false) =>
  made(BASIS, planDrops(BASIS, page(BASIS), 'erow', wish(items, menu), widths, ids()));

test('items drop one after the other, each just below its width, and stay as they are above', () => {
  const project = drop(['ed', 'eb', 'ec'], [700, 700, 0]);
  expect([1000, 700, 699, 320].map((width) => shown(project, width))).toEqual(['ea eb ec ed', 'ea eb ec ed', 'ea ec', 'ea ec']);
  expect(dropOrder(project, page(project), 'erow')).toEqual(['ed', 'eb']);
  // Two that drop at once share a breakpoint; one that always fits has none.
  expect(project.breakpoints.map(({ name, condition }) => `${name} ${condition.below}`)).toEqual(['ed drops 700']);
});

test('in the menu shows just what has dropped, and the way to it only where something has', () => {
  const project = drop(['ed', 'ec'], [800, 600], true);
  const { items, more } = dropsOf(project, page(project), page(project).elements.erow!)!;
  const copies = items.map(({ copy }) => copy!);
  for (const width of [1000, 800, 799, 600, 599, 320]) {
    const dropped = items.filter(({ item }) => isHiddenAt(project, page(project), item, width)).length;
    const inMenu = copies.filter(
      (id) => specifiedValue(project, page(project), id, 'display', { ...DEFAULT_SLICE, width }) !== 'none',
    ).length;
    expect([width, inMenu, !isHiddenAt(project, page(project), more!, width)]).toEqual([width, dropped, dropped > 0]);
  }
  expect(lintProject(project).filter(({ lint }) => /panel|shown/.test(lint))).toEqual([]);
  const back = made(project, planNoDrops(project, page(project), 'erow'));
  expect(kept(back).pages[0]!.elements).toEqual(kept(BASIS).pages[0]!.elements);
  expect(back.breakpoints).toEqual(BASIS.breakpoints);
});

test('fitted again, the same breakpoints move; new ones come and unneeded ones go', () => {
  const project = drop(['ed', 'eb', 'ec'], [700, 700, 500]);
  const fitted = made(project, planFitDrops(project, page(project), 'erow', [720, 650, 640], ids('m')));
  expect([720, 719, 650, 649, 640, 639].map((width) => shown(fitted, width))).toEqual([
    ...['ea eb ec ed', 'ea eb ec', 'ea eb ec', 'ea ec', 'ea ec', 'ea'],
  ]);
  expect(fitted.breakpoints).toHaveLength(3);
  expect(fitted.breakpoints.slice(0, 2).map(({ id }) => id)).toEqual(
    expect.arrayContaining(project.breakpoints.map(({ id }) => id)),
  );
  const together = made(fitted, planFitDrops(fitted, page(fitted), 'erow', [600, 600, 600], ids('o')));
  expect([600, 599].map((width) => shown(together, width))).toEqual(['ea eb ec ed', 'ea']);
  expect(together.breakpoints).toHaveLength(1);
  expect(() => planFitDrops(together, page(together), 'erow', [600, 600, 600], ids())).toThrow('right as it is');
});

test('a breakpoint at which something else has been said stays when nothing drops any more', () => {
  const project = drop(['ed'], [700]);
  const { id } = project.breakpoints[0]!;
  const more = makeFrom(project, { type: 'setStyle', owner: HEADING, at: id, property: 'color', value: 'red' });
  const back = made(more, planNoDrops(more, page(more), 'erow'));
  expect(back.breakpoints.map((one) => one.id)).toEqual([id]);
  expect(shown(back, 320)).toBe('ea eb ec ed');
});

test('what can’t drop is refused with why: all of a row, what isn’t in it, fields into a menu, a row that fits', () => {
  const why = (items: readonly string[], menu = false, project = BASIS) =>
    whyNoDrops(project, page(project), 'erow', wish(items, menu));
  expect(why([])).toMatch(/Choose what/);
  expect(why(ITEMS)).toMatch(/nothing would be left/);
  expect(why(ITEMS, true)).toBeUndefined();
  expect(why([HEADING])).toMatch(/Only what stands/);
  expect(whyNoDrops(BASIS, page(BASIS), MAIN, wish(['ea']))).toMatch(/Only what stands|no items/);
  const name: Edit = { type: 'setAttribute', node: 'efield', name: 'name', value: 'q' };
  const field = makeFrom(BASIS, within('efield', 'input'), name);
  expect(why(['efield'], true, field)).toMatch(/fields, which would be there twice/);
  expect(() => planDrops(BASIS, page(BASIS), 'erow', wish(['ea']), [0], ids())).toThrow('fits at all widths');
  const project = drop(['ed'], [700]);
  const moved = makeFrom(project, { type: 'removeElement', node: 'ed' });
  expect(dropsOf(moved, page(moved), page(moved).elements.erow!)).toBeUndefined();
});
