import { childIds } from '../document';
import fc from 'fast-check';
import { DEFAULT_SLICE } from '../breakpoints';
import { specifiedValue } from '../cascade';
import { applyEdit } from '../edits';
import { HEADING, insert, MAIN, make, makeFrom, MIDDLE, NARROW, set, shared, TEXT } from '../edits/project-for-tests';
import { gridAt } from '../grid';
import { topmost } from '../structure';
import type { Plan } from './index';
import {
  planColumn,
  planGroup,
  planHeights,
  planLayOnColumns,
  planMove,
  planOrder,
  planShares,
  planUngroup,
  planWidths,
} from './index';

const PROJECT = makeFrom(
  make(
    MIDDLE,
    NARROW,
    insert('erow', 'div'),
    insert('ea', 'p', 0, 'erow'),
    insert('eb', 'p', 1, 'erow'),
    insert('eplain', 'div', 3),
  ),
  set('erow', 'base', 'display', 'grid'),
  set('erow', 'base', 'grid-template-columns', 'repeat(12, minmax(0, 1fr))'),
  set('erow', 'base', 'color', 'red'),
  set('ea', 'base', 'grid-column', '2 / span 3'),
  set('ea', 'bn', 'width', '50%'),
  set('ea', 'bm', 'left', '3px'),
);
const page = PROJECT.pages[0]!;
const children = (plan: Plan, id: string) => applyEdit(PROJECT, plan.edit).document.pages[0]!.elements[id]?.children;
const move = (ids: readonly string[], parent: string, index: number) =>
  planMove(PROJECT, DEFAULT_SLICE, page.id, ids, { parent, index });

test('a move to another parent says what was said with the old one in mind; within one it says nothing', () => {
  const plan = move(['ea'], 'eplain', 0);
  expect(plan.sentence).toBe('Moves ea into eplain, at all widths.');
  expect(plan.details.join('\n')).toMatch(/grid-column-start 2 and grid-column-end span 3 of ea meant a cell of erow’s grid/);
  expect(plan.details.join('\n')).toMatch(/width 50% \(599 and narrower\) of ea meant a share of erow’s size/);
  expect(plan.details.join('\n')).toMatch(/left 3px \(899 and narrower\) of ea meant a distance from erow/);
  expect(plan.details.join('\n')).toMatch(/ea inherits another color/);
  expect(move(['ea'], 'erow', 2)).toMatchObject({ details: [], sentence: 'Moves ea within erow, at all widths.' });
});

test('several move together and keep their order, counted without themselves', () => {
  expect(children(move(['eb', 'ea'], MAIN, 1), MAIN)).toEqual([HEADING, 'ea', 'eb', TEXT, 'erow', 'eplain']);
  expect(children(move([HEADING, 'eplain'], MAIN, 3), MAIN)).toEqual([TEXT, 'erow', HEADING, 'eplain']);
});

test('what can not move says why', () => {
  expect(() => move([page.root], MAIN, 0)).toThrow(/Select something/);
  expect(() => move(['erow'], 'erow', 0)).toThrow(/into itself/);
  expect(() => move(['erow'], 'ea', 0)).toThrow(/into itself|holds text/);
  const locked = makeFrom(PROJECT, { type: 'setLocked', node: 'ea', locked: true });
  expect(() => planMove(locked, DEFAULT_SLICE, page.id, ['ea'], { parent: MAIN, index: 0 })).toThrow(/ea is locked/);
  expect(() => applyEdit(locked, { type: 'moveElement', node: 'ea', parent: MAIN, index: 0 })).toThrow(/locked/);
});

test('grouping and taking the group away leads back', () => {
  const grouped = planGroup(page, [TEXT, HEADING], 'egroup');
  expect(children(grouped, MAIN)).toEqual(['egroup', 'erow', 'eplain']);
  expect(children(grouped, 'egroup')).toEqual([HEADING, TEXT]);
  const after = applyEdit(PROJECT, grouped.edit).document;
  const apart = planUngroup(after.pages[0]!, ['egroup']);
  expect(apart.details).toEqual([]);
  expect(applyEdit(after, apart.edit).document).toEqual(PROJECT);
  expect(() => planGroup(page, [TEXT, 'ea'], 'egroup')).toThrow(/one parent/);
  expect(() => planUngroup(page, [TEXT])).toThrow(/holds no elements/);
});

test('what goes with a group that is taken away is said; several at once stay in their places', () => {
  const styled = makeFrom(PROJECT, shared('erow'), insert('einner', 'p', 0, 'eplain'));
  const plan = planUngroup(styled.pages[0]!, ['erow', 'eplain']);
  expect(plan.details.join()).toMatch(/erow has 3 values of its own and a shared style/);
  expect(applyEdit(styled, plan.edit).document.pages[0]!.elements[MAIN]!.children).toEqual([HEADING, TEXT, 'ea', 'eb', 'einner']);
});

test('order only where a row or a grid is, and no further than its ends', () => {
  expect(() => planOrder(PROJECT, DEFAULT_SLICE, page, TEXT, HEADING, 'bn')).toThrow(/neither a row nor a grid/);
  const plan = planOrder(PROJECT, DEFAULT_SLICE, page, 'eb', 'ea', 'bn');
  const { elements } = applyEdit(PROJECT, plan.edit).document.pages[0]!;
  expect([elements.ea!.styles.bn!.order, elements.eb!.styles.bn?.order]).toEqual(['1', undefined]);
  const column = planColumn(PROJECT, DEFAULT_SLICE, page, 'ea', 99, 'base');
  expect(applyEdit(PROJECT, column.edit).document.pages[0]!.elements.ea!.styles.base!['grid-column-start']).toBe('10');
});

test('columns, shares and proportions say what keeps them from being made', () => {
  expect(() => planLayOnColumns(PROJECT, DEFAULT_SLICE, page, 'erow')).toThrow(/no column grid yet/);
  expect(() => planShares(PROJECT, DEFAULT_SLICE, page, TEXT, 'base', 3)).toThrow(/holds elements/);
  expect(() => planWidths(PROJECT, DEFAULT_SLICE, page, ['ea'], 'base', [1])).toThrow(/two or more/);
  expect(() => planWidths(PROJECT, DEFAULT_SLICE, page, ['ea', TEXT], 'base', [1, 1])).toThrow(/one parent/);
  expect(() => planWidths(PROJECT, DEFAULT_SLICE, page, ['ea', 'eb'], 'base', [1, 0])).toThrow(/2 shares above 0/);
  expect(() => planHeights(PROJECT, DEFAULT_SLICE, page, ['ea', 'eb'], 'bgone')).toThrow();
});

test('a row is laid on the columns of every place that has some', () => {
  const grid = (columns: number) => ({ columns, gutter: 10, margin: 0, align: 'left' as const, columnLeast: 0 });
  const project = makeFrom(
    PROJECT,
    { type: 'setColumns', page: null, at: 'base', grid: grid(12) },
    { type: 'setColumns', page: null, at: 'bn', grid: grid(4) },
  );
  const plan = planLayOnColumns(project, DEFAULT_SLICE, project.pages[0]!, 'eplain');
  expect(plan.sentence).toBe('Lays eplain on the column grid: 12 at base, 4 at 599 and narrower.');
  const { styles } = applyEdit(project, plan.edit).document.pages[0]!.elements.eplain!;
  expect(styles.base!['grid-template-columns']).toBe('repeat(12, minmax(0, 1fr))');
  expect(styles.bn).toEqual({ display: 'grid', 'grid-template-columns': 'repeat(4, minmax(0, 1fr))', 'column-gap': '10px' });
});

test('any elements of a page, moved to any place of any parent, stand there together in their order', () => {
  const ids = [HEADING, TEXT, 'erow', 'ea', 'eb', 'eplain'];
  fc.assert(
    fc.property(
      fc.subarray(ids, { minLength: 1 }),
      fc.constantFrom(MAIN, 'erow', 'eplain'),
      fc.nat(6),
      (moved, parent, place) => {
        const index = Math.min(place, childIds(page.elements[parent]!).length);
        let plan: Plan;
        try {
          plan = move(moved, parent, index);
        } catch (error) {
          return expect((error as Error).message).toMatch(/itself|holds|text|can't stand/);
        }
        const tops = topmost(page, moved);
        const before = childIds(page.elements[parent]!);
        const kept = (list: readonly string[]) => list.filter((id) => !tops.includes(id));
        expect(children(plan, parent)).toEqual([...kept(before.slice(0, index)), ...tops, ...kept(before.slice(index))]);
      },
    ),
    { numRuns: 200 },
  );
});

test('a page’s own columns come before the project’s where a row is laid on them', () => {
  const grid = (columns: number) => ({ columns, gutter: 10, margin: 0, align: 'left' as const, columnLeast: 0 });
  const project = makeFrom(
    PROJECT,
    { type: 'setColumns', page: null, at: 'base', grid: grid(12) },
    { type: 'setColumns', page: null, at: 'bn', grid: grid(4) },
    { type: 'setColumns', page: 'gfirst', at: 'bm', grid: grid(6) },
  );
  const one = project.pages[0]!;
  const after = applyEdit(project, planLayOnColumns(project, DEFAULT_SLICE, one, 'eplain').edit).document;
  for (const width of [500, 700, 1000]) {
    const viewport = { ...DEFAULT_SLICE, width };
    const laid = specifiedValue(after, after.pages[0]!, 'eplain', 'grid-template-columns', viewport);
    expect([width, laid]).toEqual([width, `repeat(${gridAt(project, one, viewport)!.grid.columns}, minmax(0, 1fr))`]);
  }
});
