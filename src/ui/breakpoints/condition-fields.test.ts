import { conditionFrom, fieldsOf } from './condition-fields';

const one = { id: 'bx', name: 'X' };
const empty = fieldsOf({ pointer: 'mouse' });

test('what is shown is what was meant', () => {
  for (const condition of [
    { below: 900 },
    { from: 600, below: 900 },
    { below: 900.5 },
    { heightFrom: 500, orientation: 'portrait' as const },
    { from: 768, unit: 'em' as const },
  ])
    expect(conditionFrom(fieldsOf(condition), one)).toEqual({ condition });
  expect(fieldsOf({ from: 600, below: 900 })).toMatchObject({ from: '600', to: '899' });
});

test.each<[Partial<typeof empty>, unknown]>([
  [{ to: '48em' }, { below: 768, unit: 'em', pointer: 'mouse' }],
  [{ from: ' 600 px ' }, { from: 600, pointer: 'mouse' }],
  [
    { pointer: 'finger', heightTo: '499' },
    { pointer: 'finger', heightBelow: 500 },
  ],
])('%j is understood', (typed, condition) => {
  expect(conditionFrom({ ...empty, ...typed }, one)).toEqual({ condition });
});

test.each<[Partial<typeof empty>, RegExp]>([
  [{ to: 'wide' }, /width is a number of px/],
  [{ heightFrom: '-3' }, /height is a number/],
  [{ from: '900', to: '800' }, /smaller width/],
  [{ from: '10' }, /under 40/],
  [{ pointer: '' }, /needs a condition/],
])('%j is refused in words', (typed, problem) => {
  expect(conditionFrom({ ...empty, ...typed }, one)).toEqual({ problem: expect.stringMatching(problem) as string });
});
