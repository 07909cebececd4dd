import { PROPERTIES } from './properties';
import { checkValue, stepValue } from './value';
import { longhandsOf, SHORTHAND_NAMES } from './shorthands';
import { isProperty } from './properties';

const expand = (property: string, value: string) => {
  const result = checkValue(property, value);
  if (!result.ok) throw new Error(result.message);
  return result.declarations;
};

test('there are at least 80 properties, each with a grammar and a valid initial value', () => {
  expect(PROPERTIES.length).toBeGreaterThanOrEqual(80);
  for (const { name, initial } of PROPERTIES) expect([name, checkValue(name, initial).ok]).toEqual([name, true]);
});

test('every keyword that a control offers is valid', () => {
  for (const { name, control } of PROPERTIES)
    if (control.kind === 'keyword')
      for (const keyword of control.keywords)
        expect([name, keyword, checkValue(name, keyword).ok]).toEqual([name, keyword, true]);
});

test('shorthands stand for known longhands only', () => {
  for (const name of SHORTHAND_NAMES)
    for (const longhand of longhandsOf(name)) expect([longhand, isProperty(longhand)]).toEqual([longhand, true]);
});

test.each([
  ['padding', '0 24px', { 'padding-top': '0', 'padding-right': '24px', 'padding-bottom': '0', 'padding-left': '24px' }],
  ['margin', '1px 2px 3px', { 'margin-top': '1px', 'margin-right': '2px', 'margin-bottom': '3px', 'margin-left': '2px' }],
  ['gap', '8px', { 'row-gap': '8px', 'column-gap': '8px' }],
  ['flex', '1', { 'flex-grow': '1', 'flex-shrink': '1', 'flex-basis': '0%' }],
  ['flex', '0 0 30%', { 'flex-grow': '0', 'flex-shrink': '0', 'flex-basis': '30%' }],
  ['flex', 'none', { 'flex-grow': '0', 'flex-shrink': '0', 'flex-basis': 'auto' }],
  ['grid-column', '2 / span 3', { 'grid-column-start': '2', 'grid-column-end': 'span 3' }],
  [
    'border-bottom',
    '2px solid #1F2B29',
    { 'border-bottom-width': '2px', 'border-bottom-style': 'solid', 'border-bottom-color': '#1f2b29' },
  ],
  ['overflow', 'hidden auto', { 'overflow-x': 'hidden', 'overflow-y': 'auto' }],
  ['list-style', 'none', { 'list-style-type': 'none', 'list-style-position': 'outside' }],
  [
    'margin',
    'calc(1px + 2px) auto',
    { 'margin-top': 'calc(1px + 2px)', 'margin-right': 'auto', 'margin-bottom': 'calc(1px + 2px)', 'margin-left': 'auto' },
  ],
  [
    'background',
    'red',
    {
      'background-color': 'red',
      'background-image': 'none',
      'background-size': 'auto',
      'background-position': '0% 0%',
      'background-repeat': 'repeat',
    },
  ],
  ['font-family', '"Schibsted Grotesk Variable", sans-serif', { 'font-family': '"Schibsted Grotesk Variable", sans-serif' }],
  ['display', 'FLEX', { display: 'flex' }],
])('%s: %s', (property, value, longhands) => {
  expect(expand(property, value)).toEqual(longhands);
});

test.each([
  ['width', '12', /unit/],
  ['width', 'red', /isn't a value that width/],
  ['colour', 'red', /isn't a property/],
  ['color', '', /missing/],
  ['color', 'red !important', /important/],
  ['width', 'var(x)', /written as var/],
  ['color', 'red; } body { display: none', /character/],
  ['background-image', 'url(https://example.org/x.png)', /picture/],
  ['width', 'calc(1px', /isn't closed/],
  ['width', '1'.repeat(3000), /at most 2000/],
  ['display', 'revert', /clear the value/],
])('refuses %s: %s', (property, value, message) => {
  const result = checkValue(property, value);
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.message).toMatch(message);
});

test('arrow keys step the number at the caret', () => {
  expect(stepValue('0 24px', 5, 1)).toEqual({ value: '0 25px', caret: 6 });
  expect(stepValue('1.2em', 0, 0.1)?.value).toBe('1.3em');
  expect(stepValue('-3px', 0, 10)?.value).toBe('7px');
  expect(stepValue('auto', 0, 1)).toBeUndefined();
});
