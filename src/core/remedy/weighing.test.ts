import fc from 'fast-check';
import { make, set, TEXT } from '../edits/project-for-tests';
import { freshIn, shownWidths, worthOf } from './index';

const RANGE = { first: 320, last: 1920 };

test('an edit is shown at three widths that it touches, apart from each other, the worst among them', () => {
  expect(shownWidths(RANGE, [{ from: 0, below: 600 }], 599)).toEqual([320, 460, 599]);
  expect(shownWidths(RANGE, [{ from: 400, below: 402 }], 401)).toEqual([401]);
  expect(shownWidths(RANGE, [{ from: 2000, below: 2100 }], 401)).toEqual([]);
  const cells = fc.tuple(fc.integer({ min: 0, max: 2500 }), fc.integer({ min: 1, max: 900 }));
  fc.assert(
    fc.property(cells, fc.integer({ min: 320, max: 1920 }), ([from, size], worst) => {
      const below = from + size;
      const shown = shownWidths(RANGE, [{ from, below }], worst);
      const isThere = (width: number) => from <= width && width < below && 320 <= width && width <= 1920;
      return shown.length <= 3 && shown.every(isThere) && (!isThere(worst) || shown.includes(worst));
    }),
  );
});

test('of two mends the one that changes the look less is worth more, and values that are there cost nothing', () => {
  const one = { entries: 1, change: 0.02, fresh: 1 };
  expect(worthOf(one)).toBeGreaterThan(worthOf({ ...one, change: 0.2 }));
  expect(worthOf(one)).toBeGreaterThan(worthOf({ ...one, fresh: 4 }));
  expect(worthOf({ ...one, entries: 2 })).toBeGreaterThan(worthOf(one));
  const project = make(set(TEXT, 'base', 'height', '20px'));
  const edits = [set(TEXT, 'base', 'height', 'auto'), set(TEXT, 'base', 'width', '50%')];
  expect(freshIn(project, { type: 'group', label: 'Both', edits })).toBe(1);
});
