import type { Condition } from './condition';
import { breakpointName } from './name';

const set = (...names: string[]) => ({
  baseName: 'Base',
  breakpoints: names.map((name, i) => ({ id: `b${i}`, name, condition: { below: 100 + i } })),
});

test('names say how wide, and never twice the same', () => {
  expect(breakpointName(set(), { below: 600 })).toBe('Narrow');
  expect(breakpointName(set(), { from: 1600 })).toBe('Very wide');
  expect(breakpointName(set(), { from: 600, below: 900 })).toBe('Fairly narrow');
  // A neighbour, where it is taken.
  expect(['Very narrow', 'Fairly narrow']).toContain(breakpointName(set('Narrow'), { below: 600 }));
  const names: string[] = [];
  for (let i = 0; i < 14; i++) names.push(breakpointName(set(...names), { below: 600 }));
  expect(new Set(names).size).toBe(14);
  expect(names.at(-1)).toMatch(/^Narrow \d$/);
});

test('what else is asked for is in the name', () => {
  const named = (condition: Condition) => breakpointName(set(), condition);
  expect(named({ orientation: 'portrait' })).toBe('Upright');
  expect(named({ below: 600, orientation: 'landscape' })).toBe('Narrow, lying');
  expect(named({ heightBelow: 500 })).toBe('Low');
  expect(named({ from: 1000, pointer: 'finger' })).toBe('Fairly wide, by finger');
});
