import type { Breakpoint } from './breakpoint';
import type { Condition } from './condition';
import { READY_SETS } from './ready-sets';
import { checkSet } from './set-checks';

const set = (...conditions: Condition[]) => ({
  baseName: 'Base',
  breakpoints: conditions.map((condition, i): Breakpoint => ({ id: `b${i}`, name: `B${i}`, condition })),
});
const kinds = (conditions: Condition[], devices: { name: string; width: number }[] = []) =>
  checkSet(set(...conditions), devices).map(({ kind }) => kind);

test.each<[string, Condition[], string[]]>([
  ['nothing', [], []],
  ['a set that tiles', [{ below: 900 }, { below: 600 }], []],
  ['a base in the middle', [{ from: 1200 }, { below: 600 }], []],
  ['a hole of a fraction', [{ below: 799 }, { from: 799.5 }], ['hole']],
  ['a hole of 39 px', [{ below: 600 }, { from: 639 }], ['hole']],
  ['a base of 40 px', [{ below: 600 }, { from: 640 }], []],
  [
    'a hole between bounded ones, however wide',
    [
      { from: 300, below: 600 },
      { from: 800, below: 1000 },
    ],
    ['hole'],
  ],
  ['799 and 800 against 800', [{ from: 800 }, { below: 801 }], ['overlap']],
  ['an overlap of 39 px', [{ from: 600 }, { below: 639 }], ['overlap']],
  ['an overlap of 40 px, meant', [{ from: 600 }, { below: 640 }], []],
  ['twice the same', [{ below: 600 }, { below: 600, unit: 'em' }], ['duplicate']],
  ['what can never hold', [{ from: 900, heightBelow: 500, orientation: 'portrait' }], ['never-holds']],
  ['the narrower before the wider', [{ below: 600 }, { below: 900 }], ['never-reached']],
  ['a common ground for two others', [{ from: 600 }, { from: 600, below: 900 }, { from: 900 }], []],
  ['39 px of a band', [{ below: 639 }, { below: 600 }], ['thin-band']],
  ['40 px of a band', [{ below: 640 }, { below: 600 }], []],
  ['a short screen across all', [{ below: 600 }, { heightBelow: 500 }], []],
])('%s', (_, conditions, expected) => {
  expect(kinds(conditions)).toEqual(expected);
});

test('a device sits on an edge when it is the last px under it or the first above', () => {
  const at = (width: number) => kinds([{ below: 900 }], [{ name: 'Tablet', width }]);
  expect([898, 899, 900, 901].map((width) => at(width).length)).toEqual([0, 1, 1, 0]);
  const [problem] = checkSet(set({ below: 900 }), [{ name: 'Tablet', width: 899 }]);
  expect(problem).toMatchObject({
    sentence: 'Tablet (899 wide) sits right on the edge of B0 (899 and narrower).',
    mend: { do: 'change', condition: { below: 908 } },
    offer: 'Move B0 to 907 and narrower',
  });
});

test('each mend of a condition mends what it is offered for', () => {
  for (const conditions of [
    [{ below: 799 }, { from: 799.5 }],
    [{ from: 800 }, { below: 801 }],
    [{ below: 639 }, { below: 600 }],
  ]) {
    const before = set(...conditions);
    const [problem] = checkSet(before, []);
    const mend = problem!.mend;
    if (mend.do !== 'change') throw new Error('Another mend was expected.');
    const breakpoints = before.breakpoints.map((one) => (one.id === mend.id ? { ...one, condition: mend.condition } : one));
    expect(checkSet({ ...before, breakpoints }, [])).toEqual([]);
  }
});

test('ready sets have three to five breakpoints and nothing wrong with them', () => {
  for (const { baseName, breakpoints } of READY_SETS) {
    expect(breakpoints.length).toBeGreaterThanOrEqual(3);
    expect(breakpoints.length).toBeLessThanOrEqual(5);
    expect(checkSet({ baseName, breakpoints: breakpoints.map((one, i) => ({ id: `b${i}`, ...one })) }, [])).toEqual([]);
    expect(new Set([baseName, ...breakpoints.map(({ name }) => name)]).size).toBe(breakpoints.length + 1);
  }
});
