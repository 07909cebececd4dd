import { bandAt } from '../breakpoints';
import { make, makeFrom, MIDDLE, NARROW, set, TEXT } from '../edits/project-for-tests';
import { beneathCell, matrixOf } from './index';

const BASIS = make(MIDDLE, NARROW);

test('each size stands there upright and turned, with a viewport that lies in it, and nothing of its own', () => {
  const rows = matrixOf(BASIS);
  expect(rows.map(({ name, from, below }) => [name, from, below])).toEqual([
    ['Narrow', 0, 600],
    ['Middle', 600, 900],
    [BASIS.baseName, 900, Infinity],
  ]);
  for (const { from, below, cells } of rows)
    for (const { orientation, viewport, breakpoint } of cells) {
      expect(breakpoint).toBeUndefined();
      const { width, height } = viewport!;
      expect([width >= from && width < below, orientation === 'portrait' ? height >= width : height < width]).toEqual([
        true,
        true,
      ]);
    }
});

test('a cell with an arrangement of its own wins in it and nowhere else, and counts its values; the others inherit', () => {
  const cell = matrixOf(BASIS)[1]!.cells[0]!;
  const own = makeFrom(
    BASIS,
    { type: 'addBreakpoint', breakpoint: { id: 'bcell', name: 'Middle, upright', condition: cell.condition } },
    set(TEXT, 'bcell', 'color', 'red'),
    set(TEXT, 'bcell', 'opacity', '0.5'),
  );
  const rows = matrixOf(own);
  expect(rows.map(({ cells }) => cells.map(({ values, breakpoint }) => `${breakpoint?.id ?? '-'} ${values}`))).toEqual([
    ['- 0', '- 0'],
    ['bcell 2', '- 0'],
    ['- 0', '- 0'],
  ]);
  const held = rows.map(({ cells }) =>
    cells.map(({ viewport }) =>
      bandAt(own, viewport!.width, { height: viewport!.height, pointer: 'mouse' }).holds.includes('bcell'),
    ),
  );
  expect(held).toEqual([
    [false, false],
    [true, false],
    [false, false],
  ]);
  expect(rows.map((row) => beneathCell(own, row))).toEqual(['Narrow', 'Middle', own.baseName]);
});

test('sizes in em, and sizes that no upright screen has, are told apart', () => {
  const em = make(
    { type: 'addBreakpoint', breakpoint: { id: 'bem', name: 'Narrow', condition: { below: 600, unit: 'em' } } },
    { type: 'addBreakpoint', breakpoint: { id: 'bown', name: 'Own', condition: { below: 600, orientation: 'landscape' } } },
    { type: 'addBreakpoint', breakpoint: { id: 'bvast', name: 'Vast', condition: { from: 2_200 } } },
  );
  const rows = matrixOf(em);
  expect(rows[0]!.cells[1]!.breakpoint?.id).toBe('bown');
  // No screen that can be looked at is 2,200 px wide and as high.
  expect(rows.at(-1)!.cells.map(({ viewport }) => viewport !== undefined)).toEqual([false, true]);
});
