import { chance } from '@/core/audit/sweep/chance';
import { closeBrowser } from '@/server/browser/warm-browser';
import { comparedTexts, from } from './compared-texts';
import { generateManualPage } from './generate-manual-page';
import { generateTextPage } from './generate-text-page';

// What manuals are made up of, worked out as a browser lays it out: tables, floats, what is placed at corners, words that have no room.

afterAll(closeBrowser);

const WORDY =
  'A right-angle drill, half-open reeds and the well-known weir at the bank of the pond where the heron stands in the third week';
const PICTURE = '<a href="#"><svg width="18" height="21"></svg></a>';

test.each([
  [
    'a row that a picture holds open until words need more',
    'td{padding:3px;vertical-align:middle}',
    `<table width="100%"><tr><td>${PICTURE}</td><td>${PICTURE}</td><th>${WORDY.slice(0, 96)}</th></tr></table><p>${WORDY}</p>`,
  ],
  [
    'a heading in a table in a cell beside one of which nothing is known',
    'td{padding:3px} .tall{columns:1;width:60px}',
    `<table width="100%"><tr><td class="tall"><div style="columns:1">Reed Weir Pond Gauge</div></td><td><table width="100%"><tr><td><h1>${WORDY}</h1></td></tr></table></td></tr></table><p>${WORDY}</p>`,
  ],
  [
    'paragraphs in cells in the middle of their rows',
    'td{padding:3px;width:50%}',
    `<table width="100%"><tr><td><p>${WORDY}</p></td><td><p>${WORDY}</p><ul><li>${WORDY}</li></ul></td></tr></table><p>${WORDY}</p>`,
  ],
  [
    'cells over several rows',
    'td{padding:3px} .wide{width:40%}',
    `<table width="100%" cellspacing="4"><tr><td rowspan="2" class="wide">${WORDY} ${WORDY}</td><td>Up</td><td rowspan="2" class="wide">${WORDY}</td></tr><tr><td>Home and the bank of the pond</td></tr><tr><td>${WORDY}</td><td>2</td><td>3</td></tr></table><p>${WORDY}</p>`,
  ],
  [
    'columns that float, and what lies below them',
    '.a{float:left;width:45%;margin-right:10px}.held::after{content:"";display:table;clear:both}hr{clear:both}.own{overflow:hidden}',
    ['held', 'own', '']
      .map(
        (name) => `<div class="${name}"><div class="a"><p>${WORDY}</p></div><div class="a"><p>${WORDY} ${WORDY}</p></div></div>`,
      )
      .join('') + `<hr><p>${WORDY}</p>`,
  ],
  [
    'text with room beside a float, and a float pulled beside another',
    'nav{float:left;width:150px;margin:10px 0}main{margin-left:180px}footer{clear:both}.wrap{float:left;width:100%}.side{float:left;width:160px;margin-left:-100%}.in{margin-left:200px}',
    `<nav><ul><li>One</li><li>${WORDY.slice(0, 40)}</li></ul></nav><main><p>${WORDY}</p><p>${WORDY} ${WORDY}</p></main><footer>${WORDY}</footer><div class="wrap"><div class="in"><p>${WORDY}</p></div></div><div class="side"><p>${WORDY}</p></div><hr class="clear" style="clear:both"><p>${WORDY}</p>`,
  ],
  [
    'a button that floats in text that never breaks',
    'pre{overflow:auto}button{float:right}',
    `<p>${WORDY}</p><pre>weir = pond\nreed<button>Copy</button></pre><p>${WORDY}</p>`,
  ],
  [
    'what is placed where it would stand, at a lower edge and in what has no size',
    '.a{position:relative;padding-right:30px}.a a,p>a,span>a{position:absolute}.low{bottom:3px;right:0}.right{right:0;top:0}h3{position:relative}h3 span{position:absolute;top:0;right:0}',
    `<p>${WORDY}</p><div class="a"><p>${WORDY} ${WORDY}</p><a class="low" href="#">Weir</a></div><p>${WORDY} <a href="#">#</a></p><h3>${WORDY}<span><a href="#" class="right">#</a></span></h3><p>${WORDY}</p>`,
  ],
  [
    'many texts in one line, read as they are',
    'h3{font:17px serif}tt{font-family:monospace;font-size:13px}',
    `<h3>${['eq', 'not_eq', 'less', 'more', 'contains', 'lends', 'weirs'].map((word) => `<tt>&lt;${word}&gt;</tt>`).join(', ')}</h3><p>${WORDY}</p>`,
  ],
  [
    'a link that begins with a word that may be broken',
    'p{width:30%;font-family:DejaVu Sans}',
    `<p>heron reed a <code>watercourse</code> <a href="#">tool gauge</a> <code>pond</code> read-only</p><p>heron reed a watercourse a return measurement read-only 3.14 return sluice weir lend <a href="#">read-only read-only reed</a></p><p>${WORDY}</p>`,
  ],
  [
    'centred text with what is kept on one line before a space that the next letter draws nearer',
    'p{text-align:center;font:19px/1.3 sans-serif}i{white-space:nowrap}',
    ['the bank of the pond', 'reeds', 'a heron and a saw']
      .map((begin) => `<p>${begin} ${'<i>lend the weir</i> AVATAR stone at the <i>gauge</i> Two level '.repeat(3)}</p>`)
      .join(''),
  ],
  [
    'rows as high as a picture that grows, once it is higher than the text beside it',
    '.row{display:grid;grid-template-columns:1fr 1fr;align-items:start}.row p{margin:0}.pic{aspect-ratio:4/1;background:#ccc}',
    [60, 110, 160, 190, 230, 260]
      .map((chars) => `<div class="row"><div class="pic"></div><p>${`${WORDY} ${WORDY} ${WORDY}`.slice(0, chars)}</p></div>`)
      .join(''),
  ],
  [
    'a word in the middle of its room, once it has any',
    '.one{width:4%;min-width:0}p{text-align:center}',
    ['weir', 'pond', 'level', 'gauge'].map((word) => `<p class="one">${word}</p><p>${WORDY}</p>`).join(''),
  ],
])('%s: worked out', async (_, css, body) => {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:9px;font:15px/1.4 sans-serif}${css}</style><body>${body}</body>`;
  const { worked, wrong } = await comparedTexts(html, from(600, 256));
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(200);
});

test('words that have no room keep nothing from being worked out where they have', async () => {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:9px;font:15px/1.4 sans-serif;overflow-wrap:break-word}</style><p>${WORDY} pond::gauge::ReadLevelOfTheWholeRiverAndItsWeirs(andTheirSluices) ${WORDY}</p><p>${WORDY}</p>`;
  const narrow = await comparedTexts(html, from(330, 120));
  const wide = await comparedTexts(html, from(330, 420));
  expect([...narrow.wrong, ...wide.wrong]).toEqual([]);
  expect(wide.worked).toBeGreaterThan(200);
});

test.each([9, 23])('a space that an inline element begins with is not taken for its padding: %i', async (cut) => {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:9px;font:15px/1.4 sans-serif}</style><p>${WORDY.slice(cut)}<em> <b>reed</b></em> ${WORDY}</p>`;
  expect((await comparedTexts(html, from(700, 200))).wrong).toEqual([]);
});

test('what stands in lines that aren’t worked out keeps its place in their block', async () => {
  const { worked, wrong } = await comparedTexts(generateTextPage(151013), from(320, 260));
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(3);
});

test('the first part of a text that ends at a hyphen is tried by itself only where words are kept whole', async () => {
  const texts = (wrap: string) =>
    Array.from(
      { length: 12 },
      (_, i) => `<p style="overflow-wrap:${wrap};width:calc(25% + ${i * 0.31}px)">a level <a href="#">read-only stone</a>`,
    );
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/1.3 DejaVu Sans,sans-serif}p{margin:0}</style>${['normal', 'break-word', 'anywhere'].flatMap(texts).join('')}`;
  const { worked, wrong } = await comparedTexts(html, from(320, 140));
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(100);
});

test.each([
  [2, 320, 200],
  [6, 700, 200],
  [7, 540, 120],
  [9, 1100, 200],
])('generated manual %i from %i px on is as high as in the browser', async (seed, first, least) => {
  const { worked, wrong } = await comparedTexts(generateManualPage(seed), from(first, 260));
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(least);
});

test('spaces of their own between texts and paddings in parts of a unit count as they are laid out', async () => {
  const random = chance(5);
  const words = (most: number) =>
    Array.from(
      { length: 1 + Math.floor(random() * most) },
      () => ['weir', 'pond', 'the', 'gauge', 'reed', 'of'][Math.floor(random() * 6)],
    ).join(' ');
  const some = () => `${words(4)} <code>${words(1)}</code> <b>${words(1)}</b> <code>${words(2)}</code> <em>${words(2)}</em> `;
  const paragraphs = Array.from(
    { length: 24 },
    () => `<p style="margin:0 ${Math.floor(random() * 200)}px 0 0">${some() + some() + some()}</p>`,
  );
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:9px;font:18px/1.4 sans-serif}code{font:16px monospace;padding:0 0.37em}</style>${paragraphs.join('')}`;
  const { worked, wrong } = await comparedTexts(html, from(600, 160));
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(80);
});
