import type { Breakpoint } from './breakpoint';
import { breakpointSchema, defaultOrder } from './breakpoint';
import { bandAt, bandsOf, describeInterval } from './bands';
import { conditionAt, conditionQuery, describeCondition } from './condition';

const narrow: Breakpoint = { id: 'bnarrow', name: 'Narrow', condition: conditionAt(599, 'narrower') };
const middle: Breakpoint = { id: 'bmiddle', name: 'Middle', condition: conditionAt(899, 'narrower') };
const large: Breakpoint = { id: 'blarge', name: 'Very wide', condition: conditionAt(1600, 'wider') };

test('a mixed set: the base lies between downward and upward breakpoints', () => {
  const breakpoints = [narrow, large, middle].sort(defaultOrder);
  expect(breakpoints.map((breakpoint) => breakpoint.name)).toEqual(['Very wide', 'Middle', 'Narrow']);
  const bands = bandsOf({ breakpoints, baseName: 'Wide' });
  expect(bands.map((band) => [band.name, band.from, band.below, band.home])).toEqual([
    ['Narrow', 0, 600, 'bnarrow'],
    ['Middle', 600, 900, 'bmiddle'],
    ['Wide', 900, 1600, 'base'],
    ['Very wide', 1600, Infinity, 'blarge'],
  ]);
  expect(bands[0]!.holds).toEqual(['bmiddle', 'bnarrow']);
});

test('no breakpoints: one band, the base', () => {
  expect(bandsOf({ breakpoints: [], baseName: 'Any' })).toEqual([
    { from: 0, below: Infinity, name: 'Any', holds: [], home: 'base' },
  ]);
});

test('overlapping conditions make a band named after both', () => {
  const up: Breakpoint = { id: 'bup', name: 'Up', condition: { from: 700 } };
  const band = bandAt({ breakpoints: [up, middle], baseName: 'Base' }, 800);
  expect(band.name).toBe('Up and Middle');
  expect(band.home).toBe('bmiddle');
});

test('words and queries say the same', () => {
  expect(describeCondition(middle.condition)).toBe('899 and narrower');
  expect(conditionQuery(middle.condition)).toBe('(width < 900px)');
  expect(conditionQuery(large.condition)).toBe('(width >= 1600px)');
  expect(describeCondition({ below: 900.5 })).toBe('below 900.5');
  expect(describeInterval({ from: 600, below: 900 })).toBe('600 to 899');
  expect(describeInterval({ from: 0, below: 600 })).toBe('599 and narrower');
});

test.each([
  [{ below: 0 }, /under 40/],
  [{ from: 99999 }, /over 10000/],
  [{ below: 500.123 }, /two decimals/],
  [{ below: 'wide' }, /./],
  [{ from: 600, below: 300 }, /smaller width/],
  [{}, /needs a condition/],
  [{ heightFrom: 600, heightBelow: 600 }, /smaller height/],
  [{ orientation: 'sideways' }, /portrait or landscape/],
])('refuses %j', (condition, message) => {
  const result = breakpointSchema.safeParse({ id: 'bx', name: 'X', condition });
  expect(result.success).toBe(false);
  expect(result.error?.issues[0]?.message).toMatch(message);
});
