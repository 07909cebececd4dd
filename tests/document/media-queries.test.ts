import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import type { Viewport } from '@/core/breakpoints';
import { holdsAt } from '@/core/breakpoints/condition';
import { readMediaQuery } from '@/core/read/media';
import { launchChromium } from '@/server/browser/chromium';

/* Media queries, as they may be written by anybody, against Chromium at several viewports and for several readers. */

const one = fc.constantFrom;
const space = one('', ' ', ' ', ' ', '  ', '\n', '/**/', ' /* a, b */ ');
const sizes = one(
  ...[
    '600px',
    '37.5em',
    '40rem',
    '599.98px',
    '900PX',
    '0',
    '0px',
    '-1px',
    '+700px',
    '.5em',
    '5e2px',
    '600',
    '600 px',
    '6in',
    '40vw',
  ],
);
const densities = one('1dppx', '96dpi', '1.5x', '2dppx', '50dpcm', '1', '+1x', '-1x', '1.x', '1e0dppx');
const values = (name: string) => (name === 'resolution' ? densities : sizes);
const signs = one('<', '<=', '>', '>=', '=', '< =', '==');
const names = one('width', 'width', 'height', 'Width', 'resolution');

const plain = fc
  .tuple(one('', 'min-', 'max-'), names)
  .chain(([least, name]) =>
    fc.tuple(space, space, values(name)).map(([a, b, value]) => `${a}${least}${name}${b}:${a}${value}${b}`),
  );
const range = names.chain((name) =>
  fc
    .tuple(values(name), signs, one('', 'min-'), signs, values(name), space, one(1, 2, 3))
    .map(([a, x, least, y, b, gap, kind]) =>
      kind === 1
        ? `${least}${name}${gap}${y}${gap}${b}`
        : kind === 2
          ? `${a}${gap}${x}${gap}${name}`
          : `${a} ${x} ${name} ${y}${gap}${b}`,
    ),
);
const words = one(
  ...[
    'orientation: portrait',
    'orientation:landscape',
    'hover',
    'hover: none',
    'any-hover:hover',
    'pointer: fine',
    'any-pointer: coarse',
  ],
  ...[
    'prefers-color-scheme: dark',
    'prefers-color-scheme:light',
    'prefers-reduced-motion',
    'prefers-reduced-motion: no-preference',
  ],
  ...[
    'min-orientation: portrait',
    'orientation',
    'width',
    'min-width',
    'color',
    'grid: 0',
    'hover: maybe',
    'nonsense: 1',
    'pointer: none',
  ],
);
const feature = fc.oneof({ arbitrary: plain, weight: 3 }, { arbitrary: range, weight: 3 }, { arbitrary: words, weight: 2 });

const condition = fc.letrec<{ inBrackets: string; condition: string }>((tie) => ({
  inBrackets: fc.oneof(
    { depthSize: 'small' },
    { arbitrary: fc.tuple(space, feature).map(([a, inside]) => `(${a}${inside}${a})`), weight: 4 },
    fc.tuple(space, tie('condition')).map(([a, inside]) => `(${a}${inside}${a})`),
  ),
  condition: fc.oneof(
    { depthSize: 'small' },
    { arbitrary: tie('inBrackets'), weight: 3 },
    fc.tuple(one('not ', 'NOT\n', 'not', 'not/**/'), tie('inBrackets')).map(([not, inside]) => `${not}${inside}`),
    fc
      .tuple(
        tie('inBrackets'),
        one(' and ', ' or ', ' AND ', ' and', 'and ', ' and/**/'),
        tie('inBrackets'),
        one('', ' and ', ' or '),
        tie('inBrackets'),
      )
      .map(([a, joint, b, more, c]) => (more ? `${a}${joint}${b}${more}${c}` : `${a}${joint}${b}`)),
  ),
})).condition;
const type = one(
  'screen',
  'all',
  'print',
  'only screen',
  'not screen',
  'not print',
  'ONLY all',
  'not all',
  'not only',
  'handheld',
  'and',
  'none',
);
const query = fc.oneof(
  { arbitrary: condition, weight: 3 },
  type,
  fc.tuple(type, one(' and ', ' and', ' or ', ' '), condition).map((all) => all.join('')),
);
const list = fc.array(query, { minLength: 1, maxLength: 3 }).map((all) => all.join(', '));

const VIEWPORTS: readonly Viewport[] = [
  { width: 400, height: 800, pointer: 'mouse' },
  { width: 600, height: 600, pointer: 'mouse', scheme: 'dark' },
  { width: 599, height: 300, pointer: 'mouse', motion: 'reduced' },
  { width: 700, height: 500, pointer: 'mouse' },
  { width: 1_200, height: 900, pointer: 'mouse' },
];

let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage();
}, 60_000);
afterAll(() => browser.close());

test('what is read of a query holds where Chromium says that it does', async () => {
  const queries = fc.sample(list, 4_000).sort((a, b) => a.length - b.length);
  const read = new Map(queries.map((text) => [text, readMediaQuery(text)] as const).filter(([, is]) => is !== undefined));
  // What isn't known here is left as it is written.
  expect(read.size).toBeGreaterThan(600);
  for (const viewport of VIEWPORTS) {
    const { scheme = 'light', motion, ...size } = viewport;
    await page.setViewportSize(size);
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: motion === 'reduced' ? 'reduce' : 'no-preference' });
    const told = await page.evaluate((all) => all.filter((text) => matchMedia(text).matches), [...read.keys()]);
    const holds = [...read].filter(([, is]) => is!.some((one) => holdsAt(one, viewport))).map(([text]) => text);
    expect(holds).toEqual(told);
  }
});
