import type { Project } from '@/core/document';
import { insert, MAIN, make, makeFrom, MIDDLE, set } from '@/core/edits/project-for-tests';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';

// The checks of rows and grids on pages that Chromium lays out: what is measured is what was meant.

afterAll(() => closeBrowser());

async function found(project: Project, check: string, widths: readonly number[]): Promise<[number, string][]> {
  const measured = await MeasuredPage.open(project, project.pages[0]!);
  const results = await measured.measure(widths);
  await measured.close();
  return results.flatMap(({ width, violations }) =>
    violations.filter((one) => one.check === check).map((one): [number, string] => [width, one.violation.element]),
  );
}

const text = (node: string, words: string) => ({ type: 'setText' as const, node, text: words });
const ROW = makeFrom(
  make(MIDDLE, insert('erow', 'div', 0), ...['ea', 'eb', 'ec'].map((id, i) => insert(id, 'div', i, 'erow'))),
  ...['ea', 'eb', 'ec'].map((id) => text(id, id)),
  set(MAIN, 'base', 'padding', '0'),
  set('efirstbody', 'base', 'margin', '0'),
);
const grid = makeFrom(ROW, set('erow', 'base', 'display', 'grid'), set('erow', 'base', 'grid-template-columns', '1fr 1fr 1fr'));

test('a row is over-full exactly where its items ask for more columns', async () => {
  expect(await found(grid, 'row-over-full', [500, 1000])).toEqual([]);
  const wide = makeFrom(grid, set('ea', 'bm', 'grid-column', 'span 4'));
  expect(await found(wide, 'row-over-full', [899, 900])).toEqual([[899, 'erow']]);
  // Three and one in three columns break to the next row, which is no fault.
  expect(await found(makeFrom(grid, set('ea', 'base', 'grid-column', 'span 3')), 'row-over-full', [500])).toEqual([]);
  expect(await found(makeFrom(wide, set('erow', 'base', 'display', 'none')), 'row-over-full', [899])).toEqual([]);
});

const LONG = text('eb', 'Unbrokenlongword'.repeat(4));

test('equal shares that a long word makes unequal are found, from the width where it does', async () => {
  expect(await found(grid, 'unequal-items', [300, 900])).toEqual([]);
  const shares = await found(makeFrom(grid, LONG), 'unequal-items', [300, 2500]);
  expect(shares).toEqual([[300, 'erow']]);
  const free = makeFrom(grid, LONG, set('erow', 'base', 'grid-template-columns', 'repeat(3, minmax(0, 1fr))'));
  expect(await found(free, 'unequal-items', [300])).toEqual([]);
  const flex = makeFrom(
    ROW,
    LONG,
    set('erow', 'base', 'display', 'flex'),
    ...['ea', 'eb', 'ec'].map((id) => set(id, 'base', 'flex', '1 1 0')),
  );
  expect(await found(flex, 'unequal-items', [300, 2500])).toEqual([[300, 'erow']]);
  expect(await found(makeFrom(flex, set('eb', 'base', 'min-width', '0')), 'unequal-items', [300])).toEqual([]);
  // Without shares, widths by content are meant.
  expect(await found(makeFrom(ROW, LONG, set('erow', 'base', 'display', 'flex')), 'unequal-items', [300])).toEqual([]);
});

test('a box of fixed height around a row that wraps', async () => {
  const wraps = makeFrom(
    ROW,
    set('erow', 'base', 'display', 'flex'),
    set('erow', 'base', 'flex-wrap', 'wrap'),
    ...['ea', 'eb', 'ec'].map((id) => set(id, 'base', 'flex', '0 0 200px')),
  );
  const fixed = makeFrom(wraps, set('erow', 'base', 'height', '30px'));
  expect(await found(wraps, 'fixed-height', [599])).toEqual([]);
  expect(await found(fixed, 'fixed-height', [599, 600])).toEqual([[599, 'erow']]);
  expect(await found(makeFrom(fixed, set('erow', 'bm', 'height', 'auto')), 'fixed-height', [599])).toEqual([]);
  expect(await found(makeFrom(wraps, set('erow', 'base', 'height', '50%')), 'fixed-height', [599])).toEqual([]);
});

test('the column grid is too tight to the px', async () => {
  const columns = makeFrom(ROW, {
    type: 'setColumns',
    page: null,
    at: 'base',
    grid: { columns: 10, gutter: 10, margin: 5, align: 'left', columnLeast: 40 },
  });
  expect(await found(columns, 'tight-grid', [499, 500])).toEqual([[499, 'efirstbody']]);
});
