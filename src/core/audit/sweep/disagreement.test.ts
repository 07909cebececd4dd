import { facts } from '../checks/facts-for-tests';
import { disagreement, farthestOff } from './disagreement';

const page = (right: number, scrollWidth = Math.round(right)) => facts(400, [{ id: 'far', box: [0, 0, right, 50] }], scrollWidth);
const workedOut = (right: number, known = 0, scrollWidth?: number) => ({
  ...page(right, scrollWidth),
  doubt: { loose: new Uint8Array(2), sized: false, rooms: new Float64Array(2).fill(known) },
});

test('a px that a page scrolls further is another number, unless what reaches farthest lies at half a px', () => {
  expect(disagreement(workedOut(450.1), page(450.1))).toBeUndefined();
  expect(disagreement(workedOut(450.1), page(450.1, 451))).toBe('the width that can be scrolled: 450, not 451');
  expect(disagreement(workedOut(450.48), page(450.52))).toBeUndefined();
  expect(disagreement(workedOut(450.48), page(450.52, 452))).toBe('the width that can be scrolled: 450, not 452');
});

test('what isn’t a number is no place', () => {
  expect(disagreement(workedOut(NaN, 0, 450), page(450))).toBe('side 2 of far: NaN, not 450');
});

test('where it is looked whether anything bends beside it, half as much counts', () => {
  expect(disagreement(workedOut(450), page(450.15))).toBeUndefined();
  expect(disagreement(workedOut(450), page(450.15), 1 / 2)).toBe('side 2 of far: 450, not 450.15');
  expect(disagreement(workedOut(450, 0.125), page(450.09))).toBeUndefined();
  expect(disagreement(workedOut(450, 0.125), page(450.09), 1 / 2)).toMatch(/^how wide far is: 450, not 450.09/);
});

test('where positions are known better, less is allowed', () => {
  const within = (across: number) => ({ ...workedOut(450), doubt: { ...workedOut(450).doubt, off: { across, down: 0.05 } } });
  expect(disagreement(within(0.2), page(450.09))).toBeUndefined();
  expect(disagreement(within(0.1), page(450.09))).toBe('side 2 of far: 450, not 450.09');
  expect(disagreement(within(0.1), page(450.07))).toBeUndefined();
  const lower = page(450);
  lower.boxes[7]! += 0.06;
  expect(disagreement(workedOut(450), lower)).toBeUndefined();
  expect(disagreement(within(0.25), lower)).toBe('side 3 of far: 50, not 50.06');
});

test('how far off what is farthest off is, but for ends of lines that are taken to reach as far as they can', () => {
  expect(farthestOff(workedOut(450), page(450.07))).toEqual({ across: expect.closeTo(0.07, 9), down: 0 });
  const loose = { ...workedOut(450), doubt: { ...workedOut(450).doubt, loose: Uint8Array.of(0, 1) } };
  expect(farthestOff(loose, page(450.07))).toEqual({ across: 0, down: 0 });
  const lower = page(450);
  lower.boxes[7]! += 0.03;
  expect(farthestOff(loose, lower)).toEqual({ across: 0, down: expect.closeTo(0.03, 9) });
  // Of what isn't shown nothing is asked.
  expect(farthestOff(workedOut(450), { ...page(450.07), shown: Uint8Array.of(1, 0) })).toEqual({ across: 0, down: 0 });
});
