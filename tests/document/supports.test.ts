import fc from 'fast-check';
import type { Browser } from 'playwright-core';
import { isSupported } from '@/core/read/supports';
import { launchChromium } from '@/server/browser/chromium';

/* Conditions of @supports, as they may be written by anybody, against the rules that Chromium applies in them. */

const one = fc.constantFrom;
const gap = one('', ' ', ' ', ' ', '  ', '\n', '/**/', ' /* (a) or (b) */ ');
const declarations = one(
  ...[
    'display: grid',
    'display:grid',
    'DISPLAY: Grid',
    'display: grid !important',
    'display: grid ! important',
    'display: none none',
    'display: )',
    'display:',
    'display',
    ': grid',
    'display: grid;',
    'display: grid; color: red',
    'color: red',
    'color: "red"',
    'color: nothing',
    'colour: red',
    'width: calc(1px + 2%)',
    'width: calc(1px + 2)',
    'width: min(1px, 2%)',
    'width: 1px 2px',
    'width: /**/ 10px',
    'width: 10px /* ) */',
    'content: ")"',
    'content: "(" ")"',
    'content: "a and (b)"',
    'background: url(a.png)',
    'background: url(a)b)',
    'background-image: url("a)b")',
    'font-family: a and b',
    'grid-template-areas: "a or b"',
    'd\\69splay: grid',
    'display: gr\\69 d',
    'color: var(--a)',
    'color: var(--a, )',
    'color: var(a)',
    'nothing: var(--a)',
    '--a: b',
    '--a:',
    '--: b',
    '-webkit-appearance: none',
    '-moz-appearance: none',
    '-ms-flex: 1',
    'display: -webkit-flex',
    'display: -moz-box',
    'position: sticky',
    'inset: 0',
    'gap: 1px',
    'aspect-ratio: 1 / 2',
    'container-type: inline-size',
    'text-wrap: balance',
    'color: color-mix(in oklab, red, blue)',
    'color: oklch(50% 0.1 20)',
    'color: rgb(1 2 3 / 50%)',
    'width: 100dvh',
    'width: round(1px, 2px)',
    'height: stretch',
    'animation-timeline: scroll()',
    'display: inherit',
    'display: revert-layer',
    'all: unset',
    'all: red',
    'mask: none',
    'zoom: 2',
    'margin-trim: block',
    'line-clamp: 2',
    'reading-flow: normal',
    'text-box: trim-both cap alphabetic',
    'corner-shape: bevel',
    'masonry-auto-flow: pack',
    'color: lab(50% 20 30)',
    'hanging-punctuation: first',
    'initial-letter: 2',
    'font-smooth: auto',
    'ime-mode: auto',
    'scroll-timeline: none',
    'width: fit-content(2px)',
    'display: grid-lanes',
    'display: run-in',
    'display: flow-root list-item',
    'overflow: overlay',
    'position: running(a)',
    'content: target-counter(url(a), b)',
    'background: element(#a)',
    'background: cross-fade(url(a), url(b))',
    'image-rendering: optimizeQuality',
    'user-select: contain',
    'text-emphasis: dot',
    'quotes: auto',
    'rotate: x 10deg',
    'translate: 1px',
    'interpolate-size: allow-keywords',
  ],
);
const functions = one(
  ...[
    'selector(a)',
    'selector(:has(a))',
    'selector(:nobody)',
    'selector(a > b, c)',
    'selector(a >)',
    'SELECTOR(a)',
    'font-tech(color-COLRv1)',
    'font-format(woff2)',
    'font-format(nothing)',
    'nothing(a)',
    'selector (a)',
    'supports(display: grid)',
    'at-rule(@container)',
  ],
);

/** What may stand in brackets or beside `and`. */
const { condition } = fc.letrec<{ condition: string; part: string }>((tie) => ({
  part: fc.oneof(
    { maxDepth: 2 },
    fc.tuple(gap, declarations, gap).map(([a, text, b]) => `(${a}${text}${b})`),
    fc.tuple(gap, declarations, gap).map(([a, text, b]) => `(${a}${text}${b})`),
    functions,
    fc.tuple(gap, tie('condition'), gap).map(([a, text, b]) => `(${a}${text}${b})`),
    one('()', '(a)', '[display: grid]', 'display: grid', '(display: grid', '"(display: grid)"', 'not'),
  ),
  condition: fc.oneof(
    { maxDepth: 3 },
    tie('part'),
    tie('part'),
    fc.tuple(one('not', 'NOT', 'not ', 'not not '), gap, tie('part')).map(([word, a, text]) => `${word}${a}${text}`),
    fc
      .tuple(tie('part'), gap, one('and', 'or', 'AND', 'Or', 'xor', ',', ''), gap, tie('part'))
      .map(([x, a, word, b, y]) => `${x}${a}${word}${b}${y}`),
    fc
      .tuple(tie('part'), one('and', 'or'), tie('part'), one('and', 'or'), fc.tuple(one('', '', 'not '), tie('part')))
      .map(([x, first, y, second, [not, z]]) => `${x} ${first} ${y} ${second} ${not}${z}`),
  ),
}));

let browser: Browser;
beforeAll(async () => void (browser = await launchChromium()));
afterAll(() => browser.close());

test('what is said of a condition is what Chromium says', async () => {
  const page = await browser.newPage();
  const wrong = new Map<string, string>();
  let [known, asked] = [0, 0];
  const conditions = [...new Set(fc.sample(condition, { numRuns: 3_000, seed: Number(process.env.SEED ?? 45) }))];
  await page.setContent('<a>Reed</a>');
  const holds = await page.evaluate((all) => {
    const link = getComputedStyle(document.querySelector('a')!);
    const sheet = new CSSStyleSheet();
    document.adoptedStyleSheets = [sheet];
    return all.map((text) => {
      sheet.replaceSync(`@supports ${text} { a { z-index: 7 } }`);
      return link.zIndex === '7';
    });
  }, conditions);
  conditions.forEach((text, i) => {
    asked++;
    const said = isSupported(text);
    if (said === undefined) return;
    known++;
    if (said !== holds[i]) wrong.set(text, `${said}, ${holds[i]}`);
  });
  expect([...wrong]).toEqual([]);
  expect(known / asked).toBeGreaterThan(0.5);
});
