import { balanced } from './balanced';
import { importsOf } from './imports';
import { addressesIn, withAddresses } from './references';
import { isSupported } from './supports';
import { readWholeSheet } from './whole-sheet';

const rules = (css: string) =>
  readWholeSheet(css).rules.map(({ selector, layer, unsure, doubted, normal }) => ({
    selector,
    layer: layer.join('.'),
    unsure,
    doubted,
    normal,
  }));

test('rules in rules are written out, with what is loose between them', () => {
  expect(
    rules('.a { color: red; &:hover, b { color: blue } @media (width < 9px) { color: lime } color: tan }').map(
      ({ selector, normal }) => [selector, normal.color],
    ),
  ).toEqual([
    ['.a', 'red'],
    [':is(.a):hover, :is(.a) b', 'blue'],
    ['.a', 'lime'],
    ['.a', 'tan'],
  ]);
});

test('a rule in a rule needs no "&" to be one', () => {
  const css = `:not(.dark) { pre b { color: red } .x { color: blue; > i { color: tan } } a:hover { color: lime }
  --own: { not: a rule }; color: black; b:not([a="}"]), c { color: teal } @media (width < 9px) { d { color: olive } } color: gray; e & { color: navy } }
@layer one { p { q { color: gold } } } bad; r { color: pink } s { t: u { color: red } ; color: plum }`;
  expect(rules(css).map(({ selector, normal }) => [selector, normal.color])).toEqual([
    [':is(:not(.dark)) pre b', 'red'],
    [':is(:not(.dark)) .x', 'blue'],
    [':is(:is(:not(.dark)) .x) >i', 'tan'],
    [':is(:not(.dark)) a:hover', 'lime'],
    [':not(.dark)', 'black'],
    [':is(:not(.dark)) b:not([a="}"]), :is(:not(.dark)) c', 'teal'],
    [':is(:not(.dark)) d', 'olive'],
    [':not(.dark)', 'gray'],
    ['e :is(:not(.dark))', 'navy'],
    [':is(p) q', 'gold'],
    ['s', 'plum'],
  ]);
});

test.each(['{', '@media screen {', 'p {', '& {', '.a { :is(', '((('])('%s by thousands ends', (piece) => {
  const { rules: read } = readWholeSheet(`b { color: red } ${piece.repeat(20_000)}`);
  expect(read.length).toBeLessThan(70);
});

test.each(['\\', '@', '@a\\', 'url(', '(', '"\n', '/*', '@import "a";', '}', 'a{', '<!--'])(
  'what %s by tens of thousands asks for, and how it ends, is told',
  (piece) => {
    const css = piece.repeat(50_000);
    expect(importsOf(css)).toHaveLength(piece.startsWith('@import') ? 50_000 : 0);
    expect(addressesIn(css)).toEqual([]);
    const closed = balanced(css);
    expect(balanced(closed) === closed).toBe(true);
  },
);

test('layers keep their order, and those without a name are each their own', () => {
  const css =
    '@layer one, two; @layer two.inner { p { color: red } } @layer { p { color: blue } } @layer one { @layer deep { p { color: tan } } }';
  expect(rules(css).map(({ layer }) => layer)).toEqual(['two.inner', '#0', 'one.deep']);
  expect(readWholeSheet(css).layers.map((one) => one.join('.'))).toEqual(['one', 'two', 'two.inner', '#0', 'one', 'one.deep']);
});

test('what is not known is doubted, not left out; what no browser takes is', () => {
  expect(
    rules(`p:has(b) { color: red } @container (width > 3px) { p { color: red } } @media (scripting: enabled) { p { color: red } }
@supports (display: grid) { p { float: left } } @supports not (display: grid) { p { float: right } } @supports (nobody: knows) { p { float: none } }
p { width: calc-size(auto, size); color: nothing; border-inline: 1px solid; background: url(x.png) red; font: inherit } p::-webkit-scrollbar { color: red }`).map(
      ({ selector, unsure, doubted, normal }) => [
        selector,
        unsure,
        doubted.length,
        normal.float ?? normal.color ?? normal['background-color'],
      ],
    ),
  ).toEqual([
    ['p:has(b)', true, 0, 'red'],
    ['p', true, 0, 'red'],
    ['p', true, 0, 'red'],
    ['p', false, 0, 'left'],
    ['p', true, 0, 'none'],
    ['p', false, expect.any(Number) as number, 'red'],
  ]);
  const [last] = rules('p { width: calc-size(auto, size); border-inline: 1px solid }');
  expect(last!.doubted).toEqual(expect.arrayContaining(['width', 'border-left-width']));
});

test.each([
  ['(display: grid)', true],
  ['not (display: grid)', false],
  ['(display: grid) and (nobody: knows)', undefined],
  ['(display: grid) or (nobody: knows)', true],
  ['((color: red) and (not (-moz-appearance: none)))', true],
  ['selector(:has(a))', undefined],
])('%s is supported: %s', (condition, expected) => {
  expect(isSupported(condition)).toBe(expected);
});

test('imports are found with all their conditions, as long as they count', () => {
  const css = `@charset "utf-8"; @layer a; @import "one.css"; @import url( two.css ) layer(base.x) supports(display: grid) screen and (width > 3px);
@import url("three.css") layer; p {} @import "four.css";`;
  expect(
    importsOf(css).map(({ start, end, ...rest }) => ({ ...rest, text: css.slice(start, end).slice(0, 7) + css[end - 1]! })),
  ).toEqual([
    { address: 'one.css', text: '@import;' },
    { address: 'two.css', layer: 'base.x', supports: 'display: grid', media: 'screen and (width > 3px)', text: '@import;' },
    { address: 'three.css', layer: '', text: '@import;' },
  ]);
});

test('addresses are found and replaced, in whatever way they are written', () => {
  const css = `@import url(a.css); @font-face { src: url( b.woff ) format("woff"), url("c d.woff") } p { background: image-set("e.png" 1x, url('f.png') 2x); content: "url(no.png)" /* url(no.png) */ }`;
  expect(addressesIn(css).map(({ address }) => address)).toEqual(['b.woff', 'c d.woff', 'e.png', 'f.png']);
  expect(withAddresses(css, (address) => (address.startsWith('b') ? undefined : `x/${address}`))).toBe(
    css.replace('"c d.woff"', '"x/c d.woff"').replace('"e.png"', '"x/e.png"').replace(`'f.png'`, '"x/f.png"'),
  );
});

test.each([
  ['a { color: red', 'a { color: red}'],
  ['a { background: url(x', 'a { background: url(x)}'],
  ['a { content: "x', 'a { content: "x"}'],
  ['a {} /* and', 'a {} /* and*/'],
  ['a { color: rgb(1, 2', 'a { color: rgb(1, 2)}'],
  ['a {} } b {}', 'a {} ) b {}'],
  ['a { b: ( } c {}', 'a { b: ( } c {})}'],
  ['', ''],
])('%s can stand in something as %s', (css, expected) => {
  expect(balanced(css)).toBe(expected);
});
