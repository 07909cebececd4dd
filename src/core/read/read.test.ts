import { readMediaQuery } from './media';
import { readSelectors } from './selector';
import { readSheet } from './sheet';

test.each<[string, unknown]>([
  ['(min-width: 600px)', [{ from: 600 }]],
  ['only screen and (min-width: 37.5em) and (orientation: landscape)', [{ from: 600, orientation: 'landscape', unit: 'em' }]],
  ['(600px <= width < 900px)', [{ from: 600, below: 900 }]],
  ['(900px > width)', [{ below: 900 }]],
  ['(height < 500px), (pointer: coarse)', [{ heightBelow: 500 }, { pointer: 'finger' }]],
  ['screen', [{}]],
  ['print', []],
  ['(pointer: coarse) and (pointer: fine)', []],
  ['(hover: hover)', [{ hover: true }]],
  ['(any-pointer: none) and (max-resolution: 96dpi)', [{ pointer: 'remote', densityBelow: 1 + 2 ** -20 }]],
  ['(prefers-color-scheme: dark) and (prefers-color-scheme: light)', []],
  ['(min-width: 30em) and (max-width: 900px)', [{ from: 480, below: 900 + 2 ** -20 }]],
  ['(any-orientation: portrait)', undefined],
  ['(scripting: enabled)', undefined],
  ['not screen', []],
  ['not print', [{}]],
  ['not all and (min-width: 600px)', [{ below: 600 }]],
  ['screen and (not (width >= 600px))', [{ below: 600 }]],
  ['(min-width: 600px) or (orientation: portrait)', [{ from: 600 }, { orientation: 'portrait' }]],
  ['not ((width >= 600px) and (hover))', [{ below: 600 }, { hover: false }]],
  ['not ((width < 600px) or (width >= 900px))', [{ from: 600, below: 900 }]],
  ['(width >= 600px) and (hover) or (pointer: fine)', undefined],
  ['only tty', []],
  ['', [{}]],
  ['(min-width: 40vw)', undefined],
])('%s', (query, expected) => {
  expect(readMediaQuery(query)?.map((one) => JSON.parse(JSON.stringify(one)) as unknown)).toEqual(expected);
});

test('"at most 599" ends after 599 and before any fraction of it', () => {
  const [{ below } = {}] = readMediaQuery('(max-width: 599px)')!;
  expect(below).toBeGreaterThan(599);
  expect(below).toBeLessThan(599.001);
});

test.each<[string, number[]]>([
  ['a', [0, 0, 1]],
  ['ul li.card > a[href]:hover', [0, 3, 3]],
  ['#top .x', [1, 1, 0]],
  [':where(.a .b) p', [0, 0, 1]],
  [':is(p, .a)', [0, 1, 0]],
  [':not(#x, p)', [1, 0, 0]],
  ['p::before', [0, 0, 2]],
])('the specificity of %s', (selector, expected) => {
  expect(readSelectors(selector)![0]!.specificity).toEqual(expected);
});

test.each(['a:has(b)', ':not(:hover)', 'p:lang(en)', 'a >', '[data-mp-node]', ':nth-child(2 of .x)'])(
  '%s is left out, as its meaning here would not be sure',
  (selector) => {
    expect(readSelectors(selector)).toBeUndefined();
  },
);

test('shorthands are written out, and take back what they reset', () => {
  const { rules, notes, overwritten } = readSheet(
    'p { margin-left: 4px; margin: 1px 2px; font: bold 12px/1.5 Georgia, serif; color: red !important; color: blue; --Space: 3px }',
  );
  expect(notes).toEqual([]);
  expect(rules[0]!.normal).toMatchObject({
    'margin-left': '2px',
    'margin-top': '1px',
    'font-weight': 'bold',
    'font-style': 'normal',
    'line-height': '1.5',
    'font-family': 'Georgia, serif',
    color: 'blue',
    '--Space': '3px',
  });
  expect(rules[0]!.important).toEqual({ color: 'red' });
  expect(overwritten).toMatchObject([{ property: 'margin-left', by: 'margin', line: 1 }]);
});

test('what can not be used is left out with its line and a reason', () => {
  const { rules, notes } = readSheet(`@import url(x.css);
p { color: red; background: url(http://example.com/x.png); all: unset; writing-mode: vertical-rl }
a:has(b) { color: red }
@media (scripting: enabled) { p { color: blue } }
p { color: }
@font-face { font-family: X; src: url(x) }
h1 { margin: var(--m); accent-color: red }`);
  expect(rules.map(({ selector, normal, others }) => [selector, Object.keys(normal), others])).toEqual([
    ['p', ['color'], []],
    ['h1', [], ['accent-color: red;']],
  ]);
  expect(notes.map(({ line }) => line).sort()).toEqual([1, 2, 2, 2, 3, 4, 5, 6, 7]);
  for (const { message } of notes) expect(message).toMatch(/\w{4,}/);
});

test('a sheet of nonsense is no sheet, and breaks nothing', () => {
  for (const css of ['', '}}}}', '{', 'p {', '<style>p{}</style>', '@media {', '/* ', '"\\'])
    expect(readSheet(css).rules).toEqual([]);
});
