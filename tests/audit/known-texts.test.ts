import { readFileSync } from 'node:fs';
import { asUsual, CHECKS } from '@/core/audit';
import { chance } from '@/core/audit/sweep/chance';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';

afterAll(closeBrowser);

const WORDS = 'hall AV evening To You weir Tower Way fine Vane mill office plane water Yet We Very stone'.split(' ');
const ASKED = asUsual(CHECKS).map(({ check: { id }, limits }) => ({ id, limits }));

/** What the middle one of three stretches says of each paragraph; nothing else is otherwise there. */
const OTHERWISE = [
  '',
  'letter-spacing:0.4px',
  'word-spacing:3px',
  'text-transform:uppercase',
  'font-kerning:none',
  'font-size:19px',
  'font-family:sans-serif',
  'padding:0 31px 0 7px',
  'text-align:center',
  'font-variant-ligatures:none',
];
const INLINE = [
  '',
  'padding:0 9px 0 0',
  'margin-left:0;margin-right:9px',
  'border-left:0;border-right:9px solid',
  'font-size:1.2em',
  'font-weight:400',
];

test('a text that is set otherwise under another condition is read anew, whatever is otherwise', async () => {
  const random = chance(11);
  const words = (count: number) => Array.from({ length: count }, () => WORDS[Math.floor(random() * WORDS.length)]!).join(' ');
  const one = (name: string) =>
    `<p class="${name}">${words(14)} <b>${words(3)}</b> ${words(16)} <i>${words(2)}</i> ${words(9)}</p>`;
  const names = [...OTHERWISE.map((_, i) => `p${i}`), ...INLINE.map((_, k) => `b${k}`)];
  const rules = [...OTHERWISE.map((what, i) => `.p${i}{${what}}`), ...INLINE.map((what, k) => `.b${k} b{${what}}`)];
  // A style that is there in the middle only has all others counted anew.
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/1.5 serif}p{margin:0 0 4px}
h1{font:700 23px sans-serif;display:none}b{padding:0 0 0 9px;margin-left:9px;border-left:9px solid}
@media(min-width:700px) and (max-width:899px){h1{display:block}${rules.join('')}}</style><body><h1>${words(4)}</h1>${names.map(one).join('')}</body>`;
  const page = await MeasuredPage.openHtml(html, ASKED);
  const { worked, wrong } = await page.compareTexts(Array.from({ length: 500 }, (_, i) => 560 + i));
  await page.close();
  expect(wrong.slice(0, 5)).toEqual([]);
  expect(worked).toBeGreaterThan(300);
});

/** The same family in versions of a page that stand in the same window one after the other. */
const FILES = ['schibsted-grotesk', 'spline-sans-mono'].map((name) =>
  readFileSync(`node_modules/@fontsource-variable/${name}/files/${name}-latin-wght-normal.woff2`, 'base64'),
);

test('so is one that says the same in another version of a page, with another font under the same name', async () => {
  const random = chance(5);
  const words = (count: number) => Array.from({ length: count }, () => WORDS[Math.floor(random() * WORDS.length)]!).join(' ');
  const texts = Array.from({ length: 8 }, () => `<p>${words(12)} <b>${words(3)}</b> ${words(16)}</p>`).join('');
  const version = (file: string, more = '') =>
    `<!doctype html><meta name="viewport" content="width=device-width"><style>@font-face{font-family:own;src:url(data:font/woff2;base64,${file})}body{margin:0;font:16px/1.5 own}p{margin:0 0 4px}${more}</style><body>${texts}</body>`;
  for (const html of [version(FILES[0]!), version(FILES[1]!), version(FILES[1]!, 'p:nth-child(odd){word-spacing:4px}')]) {
    const page = await MeasuredPage.openHtml(html, ASKED);
    const { worked, wrong } = await page.compareTexts(Array.from({ length: 120 }, (_, i) => 700 + i));
    await page.close();
    expect(wrong).toEqual([]);
    expect(worked).toBeGreaterThan(60);
  }
});
