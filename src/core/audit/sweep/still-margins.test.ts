import { Kind, Trace } from '../trace';
import { StillMargins } from './still-margins';

const SLACK = 0.25;
const verdict = (...margins: number[]) => {
  const trace = new Trace();
  for (const margin of margins) trace.add(margin, SLACK, Kind.even);
  return { found: [], trace, start: 0, end: trace.length };
};

test('a number near its limit that was the same at two measured widths is in no doubt', () => {
  const still = new StillMargins();
  expect(still.isDoubtful(verdict(0.1), 0)).toBe(true);
  still.meet([verdict(0.1, 40)]);
  expect(still.isDoubtful(verdict(0.1), 0)).toBe(true);
  still.meet([verdict(0.1, 0.2)]);
  expect(still.isDoubtful(verdict(0.1), 0)).toBe(false);
  // What was met once moves, and what another judge met says nothing.
  expect(still.isDoubtful(verdict(0.2), 0)).toBe(true);
  expect(still.isDoubtful(verdict(0.1), 1)).toBe(true);
});

test('on the other side of its limit a number is in doubt, however near', () => {
  const still = new StillMargins();
  still.meet([verdict(0)]);
  still.meet([verdict(0)]);
  expect(still.isDoubtful(verdict(0), 0)).toBe(false);
  expect(still.isDoubtful(verdict(1e-13), 0)).toBe(true);
});

test('what is not known at all stays in doubt', () => {
  const still = new StillMargins();
  const single = (kind: number) => {
    const trace = new Trace();
    trace.add(0, 0, kind);
    return { found: [], trace, start: 0, end: 1 };
  };
  expect(still.isDoubtful(single(Kind.unknown), 0)).toBe(true);
  // A number that is known exactly and lies on its limit says nothing of it.
  for (let i = 0; i < 2; i++) still.meet([single(Kind.even)]);
  expect(still.isDoubtful(single(Kind.even), 0)).toBe(false);
  expect(still.isDoubtful(single(Kind.unknown), 0)).toBe(true);
  expect(still.isDoubtful(verdict(5), 0)).toBe(false);
});

test('a number that was the same elsewhere is in doubt where it is not so at both ends', () => {
  const still = new StillMargins();
  for (let i = 0; i < 2; i++) still.meet([verdict(0.1)]);
  const ends = (...margins: number[]) => margins.map((margin) => verdict(margin));
  expect(still.isDoubtful(verdict(0.1), 0, ends(0.1, 0.1))).toBe(false);
  expect(still.isDoubtful(verdict(0.1), 0, ends(0.1, 40))).toBe(true);
  expect(still.isDoubtful(verdict(0.1), 0, ends(-0.2, 0.1))).toBe(true);
});
