import { computedColour } from './colour';
import { formatPx, lengthInPx } from './length';

const context = { em: 20, rem: 16, viewport: { width: 1000, height: 500 } };

test.each([
  ['12px', 12],
  ['1.5em', 30],
  ['2rem', 32],
  ['10vw', 100],
  ['10vh', 50],
  ['1vmin', 5],
  ['1vmax', 10],
  ['72pt', 96],
  ['0', 0],
  ['calc(1em + 4px)', 24],
  ['calc(2 * (1rem - 4px))', 24],
  ['min(10px, 1em)', 10],
  ['max(10px, 1em)', 20],
  ['clamp(12px, 1rem + 2vw, 30px)', 30],
  ['calc(100vw / 4)', 250],
  ['-3px', -3],
])('%s is %d px', (source, px) => {
  expect(lengthInPx(source, context)).toBeCloseTo(px);
});

test.each(['50%', '12', 'auto', 'calc(50% + 1px)', 'calc(1px * 1px)', 'calc(1px + 2)', '1px 2px', 'calc(1px / 0)', '3ch', ''])(
  '"%s" is not claimed',
  (source) => {
    expect(lengthInPx(source, context)).toBeUndefined();
  },
);

test('px are written as browsers write them', () => {
  expect([formatPx(13.33333333), formatPx(0.1 + 0.2), formatPx(-0), formatPx(1234567)]).toEqual([
    '13.3333px',
    '0.3px',
    '0px',
    '1234570px',
  ]);
});

test.each([
  ['red', 'rgb(255, 0, 0)'],
  ['#1c6b5e', 'rgb(28, 107, 94)'],
  ['#00000080', 'rgba(0, 0, 0, 0.5)'],
  ['transparent', 'rgba(0, 0, 0, 0)'],
  ['hsl(0 0% 50%)', 'rgb(128, 128, 128)'],
  ['oklch(50% 0.1 20)', undefined],
  ['currentcolor', undefined],
  ['nocolour', undefined],
])('%s computes to %s', (value, computed) => {
  expect(computedColour(value)).toBe(computed);
});
