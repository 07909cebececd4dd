import { chance } from '@/core/audit/sweep/chance';
import { closeBrowser } from '@/server/browser/warm-browser';
import { comparedTexts, from } from './compared-texts';
import { fontFace } from './with-own-font';

afterAll(closeBrowser);

const WORDS = 'hall AV evening To You weir Tower Way fine Vane mill office plane water Yet We Very stone'.split(' ');

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
  const { worked, wrong } = await comparedTexts(html, from(560, 500));
  expect(wrong.slice(0, 5)).toEqual([]);
  expect(worked).toBeGreaterThan(300);
});

test('so is one that says the same in another version of a page, with another font under the same name', async () => {
  const random = chance(5);
  const words = (count: number) => Array.from({ length: count }, () => WORDS[Math.floor(random() * WORDS.length)]!).join(' ');
  const texts = Array.from({ length: 8 }, () => `<p>${words(12)} <b>${words(3)}</b> ${words(16)}</p>`).join('');
  const version = (font: Parameters<typeof fontFace>[0], more = '') =>
    `<!doctype html><meta name="viewport" content="width=device-width"><style>${fontFace(font, 'own')}body{margin:0;font:16px/1.5 own}p{margin:0 0 4px}${more}</style><body>${texts}</body>`;
  for (const html of [
    version('schibsted-grotesk'),
    version('spline-sans-mono'),
    version('spline-sans-mono', 'p:nth-child(odd){word-spacing:4px}'),
  ]) {
    const { worked, wrong } = await comparedTexts(html, from(700, 120));
    expect(wrong).toEqual([]);
    expect(worked).toBeGreaterThan(60);
  }
});

test('and one in which a space stands inside an inline element, not before it', async () => {
  const text = 'weir To stone ';
  const version = (inside: string) =>
    `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/1.5 serif}b{padding-left:6px}</style><body>${`<p>${text.repeat(6).trim()}${inside}${text.repeat(6)}</p>`.repeat(3)}</body>`;
  for (const html of [version('<i></i> <b>Vane</b> '), version('<i></i><b> <!---->Vane</b> ')])
    expect((await comparedTexts(html, from(600, 60))).wrong).toEqual([]);
});
