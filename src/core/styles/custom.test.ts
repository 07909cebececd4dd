import { substitute, usesVariables, variablesIn, wellFormed } from './custom';
import { checkValue } from './value';

const values: Record<string, string> = { '--a': '4px', '--b': 'red', '--Case': '1' };
const put = (text: string) => substitute(text, (name) => values[name]);

test.each<[string, string | undefined]>([
  ['12px', '12px'],
  ['var(--a)', '4px'],
  ['calc(var(--a) + var( --a ))', 'calc(4px + 4px)'],
  ['var(--none)', undefined],
  ['var(--none, 7px)', '7px'],
  ['var(--none, var(--b))', 'red'],
  ['var(--none, rgb(1, 2, 3))', 'rgb(1, 2, 3)'],
  ['var(--none,)', ''],
  ['var(--case)', undefined],
  ['var(--a) var(--none)', undefined],
  ['"var(" var(--a)', undefined],
])('%s', (text, expected) => {
  expect(put(text)).toBe(expected);
});

test('what mentions variables, and which', () => {
  expect(usesVariables('VAR(--a)')).toBe(true);
  expect(usesVariables('my-var(--a)')).toBe(false);
  expect(variablesIn('calc(var(--a) + var(--x, var(--b)))')).toEqual(['--a', '--x', '--b']);
  expect(['var(--a)', 'var(a)', 'var(--a', 'var(--a, var())'].map(wellFormed)).toEqual([true, false, false, false]);
});

test('variables are taken in longhands, refused in shorthands, and hold nothing from outside', () => {
  expect(checkValue('padding-top', 'var(--a, 3px)')).toEqual({ ok: true, declarations: { 'padding-top': 'var(--a, 3px)' } });
  expect(checkValue('--Room', ' 8px   9px ')).toEqual({ ok: true, declarations: { '--Room': '8px 9px' } });
  for (const [property, value] of [
    ['padding', 'var(--a)'],
    ['--a', 'url(http://example.com)'],
    ['--a', ''],
    ['--a', 'red !important'],
    ['--a b', 'red'],
    ['width', 'var(--a'],
  ] as const)
    expect(checkValue(property, value).ok).toBe(false);
});
