import fc from 'fast-check';
import { contains, DEFAULT_SLICE } from '../breakpoints';
import type { Edit } from '../edits';
import { applyEdit } from '../edits';
import { insert, make, makeFrom, MIDDLE, NARROW, set, SHORT } from '../edits/project-for-tests';
import type { ColumnGrid } from '../document';
import { columnGridSchema, FIRST_GRID } from '../document';
import {
  bandOfTarget,
  edgesOfColumns,
  formatSpan,
  gridAt,
  gridTroubles,
  layColumns,
  parseSpan,
  placeSpans,
  spanTable,
} from './index';

const grid = (fields: Partial<ColumnGrid> = {}): ColumnGrid => ({ ...FIRST_GRID, ...fields });
const setColumns = (at: string, fields: Partial<ColumnGrid>, page: string | null = null): Edit => ({
  type: 'setColumns',
  page,
  at,
  grid: grid(fields),
});

test('columns fill the page between its margins, or stand in the middle of it', () => {
  const laid = layColumns(grid({ columns: 4, gutter: 20, margin: 30 }), 1000);
  expect(laid).toMatchObject({ left: 30, columnWidth: 220, body: 940, fits: true });
  expect(edgesOfColumns(laid)[3]).toEqual({ left: 750, right: 970 });
  expect(layColumns(grid({ columns: 4, gutter: 20, margin: 30, bodyMost: 460 }), 1000)).toMatchObject({
    left: 270,
    columnWidth: 100,
  });
  expect(layColumns(grid({ columns: 4, gutter: 20, margin: 30, bodyMost: 460, align: 'left' }), 1000).left).toBe(30);
  expect(layColumns(grid({ columns: 3, gutter: 10, margin: 0, columnWidth: 100 }), 319).fits).toBe(false);
  expect(layColumns(grid({ columns: 3, gutter: 10, margin: 0, columnWidth: 100 }), 320)).toMatchObject({ fits: true, left: 0 });
});

test.each<[string, object, RegExp]>([
  ['no columns', { columns: 0 }, /at least one column/],
  ['fewer than none', { columns: -3 }, /at least one column/],
  ['half a column', { columns: 2.5 }, /whole number/],
  ['too many', { columns: 49 }, /at most 48/],
  ['a gutter below nothing', { gutter: -1 }, /gutter can't be negative/],
  ['gutters wider than any page', { columns: 12, gutter: 1000 }, /11 gutters of 1000 px leave no room/],
  ['gutters wider than the body', { columns: 12, gutter: 50, bodyMost: 500 }, /in a body of 500 px/],
  ['a column of nothing', { columnWidth: 0 }, /wider than 0 px/],
])('a grid of %s is refused', (_, fields, message) => {
  const result = columnGridSchema.safeParse({ ...FIRST_GRID, ...fields });
  expect(result.success ? '' : result.error.issues[0]!.message).toMatch(message);
});

test('a page’s own grid beats the project’s, a stronger place a weaker one', () => {
  const project = makeFrom(make(MIDDLE, NARROW), setColumns('base', { columns: 12 }), setColumns('bn', { columns: 4 }));
  const at = (one: typeof project, width: number) => gridAt(one, one.pages[0]!, { ...DEFAULT_SLICE, width })?.grid.columns;
  expect([at(project, 1000), at(project, 700), at(project, 500)]).toEqual([12, 12, 4]);
  const own = makeFrom(project, setColumns('bm', { columns: 6 }, 'gfirst'));
  expect([at(own, 1000), at(own, 700), at(own, 500)]).toEqual([12, 6, 6]);
  expect(at(make(), 500)).toBeUndefined();
});

test('where columns are too thin or do not fit is told to the px', () => {
  const any = fc.record({
    columns: fc.integer({ min: 1, max: 16 }),
    gutter: fc.integer({ min: 0, max: 40 }),
    margin: fc.integer({ min: 0, max: 60 }),
    columnLeast: fc.integer({ min: 0, max: 90 }),
    align: fc.constant('left' as const),
    columnWidth: fc.option(fc.integer({ min: 1, max: 120 }), { nil: undefined }),
    bodyMost: fc.option(fc.integer({ min: 700, max: 1400 }), { nil: undefined }),
  });
  fc.assert(
    fc.property(any, any, (wide, narrow) => {
      fc.pre([wide, narrow].every((one) => columnGridSchema.safeParse(one).success));
      const project = makeFrom(make(NARROW), setColumns('base', wide), setColumns('bn', narrow));
      const troubles = gridTroubles(project, project.pages[0]!);
      const told = (kind: string, width: number) =>
        contains(
          troubles.filter((one) => one.kind === kind),
          width,
        );
      for (let width = 1; width < 2600; width += 7) {
        const laid = layColumns(width < 600 ? narrow : wide, width);
        const said = [!told('does-not-fit', width), told('tight', width)];
        // Asking `expect` of each would take most of the time.
        if (said[0] !== laid.fits || said[1] !== laid.tight) expect([width, ...said]).toEqual([width, laid.fits, laid.tight]);
      }
    }),
    { numRuns: 40 },
  );
});

test('setting columns reaches only the widths of its place and its page, and looks like nothing', () => {
  const project = make(MIDDLE, NARROW, SHORT);
  const { footprint, inverse, document } = applyEdit(project, setColumns('bn', { columns: 4 }));
  expect(footprint.gfirst).toMatchObject({ elements: [], html: false, widths: [{ from: 0, below: 600 }] });
  expect(applyEdit(document, inverse).document).toEqual(project);
  expect(() => applyEdit(project, setColumns('bgone', {}))).toThrow(/breakpoint this grid is for/);
});

test('the span table tells each band what is asked, where it stands, and whether it is its own', () => {
  const project = makeFrom(
    make(
      MIDDLE,
      NARROW,
      insert('erow', 'div', 0),
      insert('ea', 'p', 0, 'erow'),
      insert('eb', 'p', 1, 'erow'),
      insert('ec', 'p', 2, 'erow'),
    ),
    set('erow', 'base', 'display', 'grid'),
    set('erow', 'base', 'grid-template-columns', 'repeat(12, minmax(0, 1fr))'),
    set('erow', 'bn', 'display', 'block'),
    ...['ea', 'eb'].map((id) => set(id, 'base', 'grid-column', 'auto / span 6')),
    set('ea', 'bm', 'grid-column', '2 / span 12'),
    set('ec', 'base', 'display', 'none'),
  );
  const page = project.pages[0]!;
  const [narrow, middle, wide] = spanTable(project, page, page.elements.erow!, DEFAULT_SLICE);
  expect(narrow).toMatchObject({ columns: undefined, fit: undefined, display: 'block' });
  expect(wide!.fit).toMatchObject({ rows: 1, sums: [12], used: 12 });
  expect(wide!.cells.map(({ carriage, away }) => [carriage, away])).toEqual([
    ['set', undefined],
    ['set', undefined],
    ['default', 'hidden'],
  ]);
  expect(middle!.fit).toMatchObject({ rows: 2, used: 13 });
  expect(middle!.cells[1]).toMatchObject({ carriage: 'carried', asked: { span: 6 }, placed: { row: 2, start: 1 } });
  expect(bandOfTarget(project, 'bm', DEFAULT_SLICE)?.from).toBe(600);
  expect(bandOfTarget(project, 'base', DEFAULT_SLICE)?.from).toBe(900);
});

test('spans as people write them', () => {
  expect(['3', ' 3 from 4', '12@1', '0', '3 from 0', 'x', ''].map(parseSpan)).toEqual([
    { span: 3 },
    { span: 3, start: 4 },
    { span: 12, start: 1 },
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
  expect([formatSpan({ span: 3 }), formatSpan({ span: 3, start: 4 })]).toEqual(['3', '3 from 4']);
  expect(placeSpans(12, [])).toMatchObject({ rows: 0, used: 12, sums: [] });
});
