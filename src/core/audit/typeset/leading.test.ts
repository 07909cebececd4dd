import { Leading } from './leading';

const own = { strut: 0, style: 0, offset: 0, above: 2, below: 18 };
const code = { strut: 0, style: 1, offset: 3, above: 5, below: 16 };
const [OWN, CODE, BOTH, PICTURE] = [0b01, 0b10, 0b11, 0b100];
const lines = (styles: number[], tops: number[]) => ({
  strut: 0,
  styles: Uint32Array.from(styles),
  tops: Float64Array.from(tops),
});

test('a line reaches as far as the largest of all that stands on it', () => {
  const leading = new Leading([own, code]);
  expect([leading.above(0, BOTH), leading.below(0, BOTH)]).toEqual([5, 18]);
  expect([leading.above(0, CODE), leading.below(0, CODE)]).toEqual([5, 16]);
  expect(leading.above(0, PICTURE | OWN)).toBeUndefined();
  expect(leading.offset(0, 1)).toBe(3);
});

test('a step from line to line is as it was measured, by what browsers round', () => {
  const leading = new Leading([own, code]);
  expect(leading.step(0, OWN, CODE)).toBe(23);
  expect(leading.learn(lines([OWN, CODE], [0, 23 + 1 / 64]))).toBe(true);
  expect([leading.step(0, OWN, CODE), leading.step(0, OWN, OWN)]).toEqual([23 + 1 / 64, 20]);
});

test('what one more thing does to a line is learned from lines around it', () => {
  const leading = new Leading([own]);
  // A picture on the second line: 18 px below the first line's top it begins, 40 above the type, and reaches 30 below its top.
  expect(leading.learn(lines([OWN, PICTURE | OWN, OWN], [0, 58, 90]))).toBe(true);
  expect([leading.above(0, PICTURE | OWN), leading.below(0, PICTURE | OWN)]).toEqual([40, 30]);
});

test('what reaches no further than the type beside it may reach less by itself', () => {
  const leading = new Leading([own]);
  expect(leading.learn(lines([OWN, PICTURE | OWN, OWN], [0, 20, 40]))).toBe(true);
  expect([leading.above(0, PICTURE | OWN), leading.below(0, PICTURE | OWN)]).toEqual([2, 18]);
  // Without the block's own type, as browsers set lines in their quirks mode.
  expect([leading.above(0, PICTURE), leading.copy().below(0, PICTURE)]).toEqual([undefined, undefined]);
});

test('what was known at a time stays so, whatever is learned since', () => {
  const leading = new Leading([own]);
  const before = leading.copy();
  expect(leading.learn(lines([OWN, PICTURE | OWN, OWN], [0, 58, 90]))).toBe(true);
  expect(leading.learnHeight(0, 14) && leading.learnOffset(0, 2, 4)).toBe(true);
  expect([before.above(0, PICTURE | OWN), before.offset(0, 2), before.height(0)]).toEqual([undefined, undefined, NaN]);
  expect([leading.copy().above(0, PICTURE | OWN), leading.copy().offset(0, 2), leading.copy().height(0)]).toEqual([40, 4, 14]);
});

test('lines that are not as it is known are told', () => {
  const leading = new Leading([own]);
  expect(leading.learn(lines([OWN, OWN], [0, 20]))).toBe(true);
  expect(leading.learn(lines([OWN, OWN], [0, 21]))).toBe(false);
  expect([leading.learnHeight(0, 14), leading.learnHeight(0, 14.01), leading.learnHeight(0, 16)]).toEqual([true, true, false]);
  const before = leading.version;
  expect([leading.learnOffset(0, 2, 4), leading.learnOffset(0, 2, 6)]).toEqual([true, false]);
  expect(leading.version).toBe(before + 1);
});
