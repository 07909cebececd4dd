import type { View, WidthResult } from '@/core/audit';
import { asUsual, CHECKS } from '@/core/audit';
import { chance } from '@/core/audit/sweep/chance';
import { demoProject } from '@/demo';
import { auditPage } from '@/server/browser/audit-page';
import { compareSweeps } from '@/server/browser/compare-sweeps';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';
import { generateLongTextPage } from './generate-long-text-page';
import { generatePage } from './generate-page';
import { generateCardsPage } from './generate-cards-page';
import { generateRowsPage } from './generate-rows-page';
import { generateTextPage } from './generate-text-page';

// What a sweep says without measuring every width must be what measuring every width says.

const project = demoProject('00000000-0000-4000-8000-000000000000');
const asked = asUsual(CHECKS).map(({ check: { id }, limits }) => ({ id, limits }));
const from = (first: number, count: number) => Array.from({ length: count }, (_, i) => first + i);

afterAll(closeBrowser);

/** How many widths are laid out to decide some. */
async function layoutsOf(page: MeasuredPage, widths: readonly number[]): Promise<number> {
  let layouts = 0;
  for await (const step of page.sweep({ widths })) layouts += step.layouts;
  return layouts;
}

async function compare(page: MeasuredPage, widths: readonly number[], view?: View) {
  const wish = view && { view };
  const exact = await page.measure(widths, wish);
  const brute = await page.measure(widths, { ...wish, brute: true });
  await page.close();
  expect(exact.map(({ width }) => width)).toEqual(widths);
  return compareSweeps(exact, brute);
}

test.each([
  [1, 340],
  [4, 500],
  [7, 900],
  [11, 1300],
  [12, 330],
  [15, 1100],
  // Type that grows, and is a px higher in the middle.
  [95071, 420],
])('generated page %i from %i px on', async (seed, first) => {
  expect(await compare(await MeasuredPage.openHtml(generatePage(seed), asked), from(first, 80))).toEqual([]);
});

/** A page that is too wide only while a container has a certain width, inside of what is skipped. */
const inWindow = (condition: string) =>
  `<!doctype html><html><meta name="viewport" content="width=device-width"><style>body{margin:0}main{container-type:inline-size}p{width:50px}
@container ${condition} { p { width: 2000px; } }</style><body><main><p>Reed</p></main></body></html>`;

test.each([
  ['(min-width: 700px) and (max-width: 707px)', 700, 707],
  ['(481px <= width < 486px)', 481, 485],
  ['(min-width: calc(40em + 3px)) and (max-width: 40.375rem)', 643, 646],
  ['(not (width > 900px)) and (width >= 900px)', 900, 900],
])('what holds only inside of what is skipped is found: %s', async (condition, first, last) => {
  const page = await MeasuredPage.openHtml(
    inWindow(condition),
    asked.filter(({ id }) => id === 'sideways-scroll'),
  );
  const wrong: unknown[] = [];
  const found: number[] = [];
  for await (const step of page.sweep({ widths: from(320, 1601) })) {
    if (step.wrong) wrong.push(step.wrong);
    for (const { width, violations } of step.results) if (violations.length > 0) found.push(width);
  }
  await page.close();
  expect(wrong).toEqual([]);
  expect(found.sort((a, b) => a - b)).toEqual(from(first, last - first + 1));
});

test('the demo’s catalogue around its failing widths, in several views', async () => {
  const open = () => MeasuredPage.open(project, project.pages[1]!);
  expect(await compare(await open(), from(480, 160))).toEqual([]);
  expect(await compare(await open(), from(470, 80), 'large-text')).toEqual([]);
  expect(await compare(await open(), from(470, 80), 'spaced-text')).toEqual([]);
});

test('far fewer layouts are made than there are widths', async () => {
  const page = await MeasuredPage.open(project, project.pages[3]!);
  let layouts = 0;
  for await (const step of page.sweep({ widths: from(320, 280) })) layouts += step.layouts;
  await page.close();
  expect(layouts).toBeLessThan(280 / 4);
});

const PROSE = 'Members lend what they seldom need, and bring it back on the evening that they said, dry and sharp and whole. ';

test.each([
  [
    'spaces that make a line nobody reads',
    `<table><tr><td>${PROSE}</td><td>&nbsp;&nbsp;</td><td></td></tr></table><p>&nbsp;</p><div style="display:flex"><p>${PROSE}</p><p>&nbsp;</p></div>`,
  ],
  ['words that take room and aren’t seen', `<p>${PROSE.repeat(2)}<a style="visibility:hidden"> ¶</a></p>`.repeat(3)],
  ['lines that are empty', `<p><br>${PROSE}<br><br>${PROSE.repeat(2)}<br>&nbsp;<br>${PROSE}<br></p><p><br></p>`],
  [
    'columns of tables',
    `${`<p>${PROSE.repeat(3)}</p>`.repeat(2)}<table><colgroup><col><col style="width:30%"></colgroup><tr><td>${PROSE}</td><td>${PROSE}</td></tr><tr><td>${PROSE}</td><td>Weir</td></tr></table>`,
  ],
  ['what is unfolded', `<details open><summary>Terms</summary><p>${PROSE}</p><p>${PROSE}</p></details>`],
])('%s: a page that holds them is worked out all the same', async (_, inside) => {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:12px;font:16px/1.5 sans-serif}</style><body>${inside}${`<p>${PROSE.repeat(3)}</p>`.repeat(6)}`;
  const widths = from(420, 160);
  const page = await MeasuredPage.openHtml(html, asked);
  const layouts = await layoutsOf(page, widths);
  expect(await compare(page, widths)).toEqual([]);
  expect(layouts).toBeLessThan(widths.length / 8);
});

test('a number that stays near to its limit is in doubt only as far as positions were off where it was looked', async () => {
  // Beyond the edge of the window by 0.71 to 0.66 px, where half a px is allowed.
  const line = '<hr style="margin:0;border:0;width:calc(99.98% + 0.78px);height:20px">';
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/1.5 sans-serif}</style><body>${line}${`<p>${PROSE.repeat(3)}</p>`.repeat(6)}`;
  const page = await MeasuredPage.openHtml(html, asked);
  const widths = from(330, 250);
  const layouts = await layoutsOf(page, widths);
  const said = await page.measure(widths.slice(0, 9), { brute: true });
  expect(said.every(({ violations }) => violations.some(({ check }) => check === 'outside-viewport'))).toBe(true);
  expect(await compare(page, widths)).toEqual([]);
  expect(layouts).toBeLessThan(widths.length / 4);
});

test('of all that may be cut at the edge of a box only what is cut most leaves in doubt whether anything is', async () => {
  // Its background ends 0.07 to 0.12 px further right than where it would show that there is more; the words are cut in their midst.
  const bar = '<div style="background:#000;height:20px;width:calc(100.02% + 8px)"></div>';
  const pane = `<div style="overflow-x:auto">${bar}<p style="white-space:nowrap">${PROSE.repeat(3)}</p></div>`;
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/1.5 sans-serif}</style><body>${pane}${`<p>${PROSE.repeat(3)}</p>`.repeat(6)}`;
  const page = await MeasuredPage.openHtml(html, asked);
  const widths = from(330, 250);
  const layouts = await layoutsOf(page, widths);
  expect(await compare(page, widths.slice(0, 120))).toEqual([]);
  expect(layouts).toBeLessThan(widths.length / 4);
});

test('how many columns there is room for is seen, though nothing but the width of one item shows it, and that at some widths only', async () => {
  // From 690 px on a column is wider than the item has to be; at 720 px there is room for a fourth one.
  const css =
    'body{margin:0;font:16px/1.5 sans-serif}main{display:grid;grid-template-columns:repeat(auto-fill,minmax(180px,1fr))}';
  const item = `<main><div style="justify-self:start"><div style="width:230px">Weir</div><p>Mill and pond and weir and reed and heron</p></div></main>`;
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>${css}</style><body>${item}${`<p>${PROSE.repeat(3)}</p>`.repeat(6)}`;
  const page = await MeasuredPage.openHtml(html, asked);
  const { worked, wrong } = await page.compareTexts(from(620, 205));
  await page.close();
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(150);
});

test('of what is folded away no text is judged, at whichever width it is laid out', async () => {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><body><details><summary>Terms</summary>${PROSE.repeat(3)}</details><p>Weir</p>`;
  const page = await MeasuredPage.openHtml(html, asked);
  const widths = [900, 1200, 901, 1400];
  const results = [...(await page.measure(widths, { brute: true })), ...(await page.measure(widths))];
  await page.close();
  const checks = new Set(results.flatMap(({ violations }) => violations.map(({ check }) => check)));
  expect([...checks]).toEqual(['empty-screen']);
});

test('a line may end on both sides of what stands in it like a letter, but not where all is kept on one', async () => {
  const atom = '<svg width="18" height="14"></svg>';
  const text = `<p>${PROSE}“${atom}”, ${PROSE}${atom}; mill/${atom}/pond (${atom}) <span style="white-space:nowrap">as${atom}it${atom}!</span> ${PROSE}</p>`;
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:12px;font:16px/1.5 sans-serif}</style><body>${text.repeat(3)}`;
  const page = await MeasuredPage.openHtml(html, asked);
  const { worked, wrong } = await page.compareTexts(from(340, 260));
  await page.close();
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(200);
});

test('the smallest piece of work is one layout, or what is worked out between two', async () => {
  const page = await MeasuredPage.open(project, project.pages[3]!);
  const pieces: (readonly [results: number, layouts: number])[] = [];
  for await (const { results, layouts } of page.sweep({ widths: from(320, 280), reportMs: 0 }))
    pieces.push([results.length, layouts]);
  await page.close();
  expect(pieces.reduce((sum, [results]) => sum + results, 0)).toBe(280);
  expect(pieces.filter(([, layouts]) => layouts > 1)).toEqual([]);
});

test('one sweep serves all heights where nothing depends on them, and the result is that of each', async () => {
  const html =
    '<!doctype html><html><meta name="viewport" content="width=device-width"><body style="margin:0"><p data-mp-first style="margin:590px 0 0;font:20px/24px sans-serif">Now</p></body></html>';
  const first = asked.filter(({ id }) => id === 'first-below');
  const page = await MeasuredPage.openHtml(html, first);
  const wish = { view: 'heights' as const, heights: [600, 614, 700] };
  const said = (await page.measure([400, 401], wish)).map(({ width, height, violations }) => [width, height, violations.length]);
  const brute = (await page.measure([400, 401], { ...wish, brute: true })).map(({ width, height, violations }) => [
    width,
    height,
    violations.length,
  ]);
  await page.close();
  const sorted = (list: unknown[]) => list.map((one) => JSON.stringify(one)).sort();
  expect(sorted(said)).toEqual(sorted(brute));
  expect(sorted(said)).toContain('[400,600,1]');
  expect(sorted(said)).toContain('[400,614,0]');
});

test('heights: what goes by the height only in some bands is looked at again there alone', async () => {
  const html = `<!doctype html><html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/20px sans-serif}
.bar{display:none;background:#ddd}
@media (min-width:500px){.bar{display:block;position:fixed;left:0;right:0;bottom:0;height:40svh}}</style>
<body><div class="bar"><a href="#">Weir</a></div><p data-mp-first style="margin-top:560px">Mill</p></body></html>`;
  const wish = { view: 'heights' as const, heights: [600, 700, 900] };
  const page = await MeasuredPage.openHtml(html, asked);
  let layouts = 0;
  const said: string[] = [];
  const told = ({ width, height, violations }: WidthResult) =>
    `${height} ${width}: ${violations.map(({ check, violation }) => `${check} ${violation.element} ${violation.amount.toFixed(2)}`).sort()}`;
  for await (const step of page.sweep({ ...wish, widths: from(440, 120) })) {
    layouts += step.layouts;
    said.push(...step.results.map(told));
  }
  const brute = (await page.measure(from(440, 120), { ...wish, brute: true })).map(told);
  await page.close();
  expect(said.sort()).toEqual(brute.sort());
  expect(said.some((one) => one.includes('tall-bars'))).toBe(true);
  expect(layouts).toBeLessThan(60);
});

test('an audit that takes too long is given up and says so, with what it has found', async () => {
  // Long enough for something to be found, and far from enough for all of it, whatever machine this is.
  for (let mostMs = 1; ; mostMs *= 2) {
    const audited = await auditPage(project, project.pages[1]!, () => Promise.resolve(true), mostMs);
    expect(audited!.problem).toBe(`It took more than ${mostMs / 1000} seconds of work.`);
    if (audited!.decided > 0) break;
  }
});

test('words that are broken in lines that run down are counted anew when the lines are as thick as before', async () => {
  const html = `<!doctype html><html><meta name="viewport" content="width=device-width"><style>body{margin:0}
p{writing-mode:vertical-rl;height:calc(3vw + 50px);font:16px monospace;overflow-wrap:anywhere}</style><body><p>abcd abcdefghi abcd</p></body></html>`;
  const only = asked.filter(({ id }) => id === 'broken-words');
  const page = await MeasuredPage.openHtml(html, only);
  const widths = from(900, 600);
  const exact = await page.measure(widths);
  await page.close();
  // Each width on a page that has just been opened remembers nothing of another.
  for (const width of [950, 1100, 1150, 1250, 1400]) {
    const fresh = await MeasuredPage.openHtml(html, only);
    expect(exact[width - 900]).toEqual((await fresh.measure([width], { brute: true }))[0]);
    await fresh.close();
  }
  expect(new Set(exact.map(({ violations }) => violations[0]?.violation.amount)).size).toBeGreaterThan(1);
});

test('a page of 3,000 elements is measured', async () => {
  const cards = Array.from({ length: 1_000 }, (_, i) => `<div style="flex:1 0 180px"><p>Card ${i}</p><a href="#">More</a></div>`);
  const html = `<!doctype html><html><meta name="viewport" content="width=device-width"><body><main style="display:flex;flex-wrap:wrap">${cards.join('')}</main></body></html>`;
  const page = await MeasuredPage.openHtml(html, asked);
  expect(await page.measure(from(600, 40))).toHaveLength(40);
  await page.close();
});

test.each([
  [6, 600, 150],
  [36, 900, 150],
  // What stands beside type that isn't read, and lines of which nothing is known.
  [95011, 860, 150],
  [95220, 1040, 8],
  // An item as high as the one beside it, of whose last line it isn't known how high a picture makes it.
  [63101, 320, 170],
])(
  'texts of generated page %i are broken from %i px on as the browser breaks them, and judged alike',
  async (seed, first, least) => {
    const widths = from(first, 260);
    const page = await MeasuredPage.openHtml(generateTextPage(seed), asked);
    const { worked, wrong } = await page.compareTexts(widths);
    expect(wrong).toEqual([]);
    expect(worked).toBeGreaterThan(least);
    expect(await compare(page, widths.slice(0, 50))).toEqual([]);
  },
);

test.each([701, 866])('a container that matches for four px only, at %i px, is met among texts that run on', async (least) => {
  const css = `body{margin:0;font:16px/1.5 sans-serif}main{container-type:inline-size}@container (min-width:${least}px) and (max-width:${least + 3}px){.wide{width:120%}}`;
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>${css}</style><body><main>${`<p>${PROSE.repeat(9)}</p>`.repeat(4)}<p class="wide">Weir</p></main></body>`;
  const page = await MeasuredPage.openHtml(html, asked);
  const found = await page.measure(from(600, 400));
  await page.close();
  const wide = found.filter(({ violations }) => violations.some(({ check }) => check === 'sideways-scroll'));
  expect(wide.map(({ width }) => width)).toEqual(from(least, 4));
});

test.each([
  ['far from their begin', 36, 1100],
  ['narrower at the end of a line', 25, 500],
])('lines of long texts are broken as the browser breaks them, or in doubt: %s', async (_, seed, first) => {
  const page = await MeasuredPage.openHtml(generateLongTextPage(seed), asked);
  const { worked, wrong } = await page.compareTexts(from(first, 150));
  await page.close();
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(100);
});

test.each(['16px serif', '14px sans-serif'])(
  'lines that begin with letters near to a space are known to the unit: %s',
  async (font) => {
    const random = chance(17);
    const pool = ['Ta', 'AVen', 'Yes', 'We', 'Ton', 'Apt', 'Tr', 'is', 'the', 'mill'];
    const text = () => Array.from({ length: 50 }, () => pool[Math.floor(random() * pool.length)]).join(' ');
    const body = Array.from({ length: 80 }, (_, i) => `<p style="padding-right:${i / 32}px">${text()}</p>`).join('');
    const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:${font}}</style><body>${body}`;
    const page = await MeasuredPage.openHtml(html, asked);
    const { worked, wrong } = await page.compareTexts(from(400, 256));
    await page.close();
    expect(wrong).toEqual([]);
    expect(worked).toBeGreaterThan(250);
  },
);

const PARAGRAPHS = (count: number, own: string) => {
  const random = chance(31);
  const words = () => Array.from({ length: 60 }, () => PROSE.split(' ')[Math.floor(random() * 40)]).join(' ');
  return Array.from({ length: count }, () => `<p style="${own}">${words()}</p>`).join('');
};
const ofParagraphs = (count: number, own = '') =>
  `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0 20px;font:16px/1.5 sans-serif}</style><body>${PARAGRAPHS(count, own)}`;

test('where a word may stand on either of two lines, and nothing is wrong in either, nothing is measured', async () => {
  const page = await MeasuredPage.openHtml(ofParagraphs(160, 'letter-spacing:0.12em'), asked);
  let layouts = 0;
  for await (const step of page.sweep({ widths: from(400, 256) })) layouts += step.layouts;
  // The ends, the looks, and two per cent.
  expect(layouts).toBeLessThan(14);
  expect(await compare(page, from(400, 60))).toEqual([]);
  await page.close();
});

test('type of a broken size that an element itself insists on is read as exactly as any', async () => {
  const page = await MeasuredPage.openHtml(ofParagraphs(60, 'font-size:19.2px !important'), asked);
  const { worked, wrong } = await page.compareTexts(from(400, 200));
  await page.close();
  expect([worked > 190, wrong]).toEqual([true, []]);
});

test('a device that is turned is looked at as high as it is, though another as wide was looked at before', async () => {
  const page = await MeasuredPage.openHtml(
    '<!doctype html><meta name="viewport" content="width=device-width"><style>@media (max-height:450px){p{display:none}}</style><body><p>Weir and mill</p>',
    asked,
  );
  const isLocked = async (width: number, height: number) => {
    const [found] = await page.measure([width], { view: 'turned', heights: [height], turned: { width: height, height: width } });
    return found!.violations.some(({ check }) => check === 'orientation-lock');
  };
  expect([await isLocked(500, 900), await isLocked(500, 400), await isLocked(400, 500)]).toEqual([false, true, false]);
  await page.close();
});

test('type that follows the window’s height is looked at anew at each', async () => {
  const page = await MeasuredPage.openHtml(
    '<!doctype html><meta name="viewport" content="width=device-width"><style>p{font-size:3vh}</style><body><p>Weir and mill</p>',
    asked,
  );
  const isSmall = async (height: number) => {
    const [found] = await page.measure([500], { heights: [height] });
    return found!.violations.some(({ check }) => check === 'small-text');
  };
  expect([await isSmall(900), await isSmall(300), await isSmall(900)]).toEqual([false, true, false]);
  await page.close();
});

test.each([
  [1, 80],
  [4, 230],
])('of many texts in shares of the window it is known on which lines they stand: generated page %i', async (seed, least) => {
  const widths = from(1000, 260);
  const page = await MeasuredPage.openHtml(generateCardsPage(seed, 30), asked);
  const { worked, wrong } = await page.compareTexts(widths);
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(least);
  expect(await compare(page, widths.slice(0, 50))).toEqual([]);
});

test.each([
  [2, 320, 200],
  [4, 900, 120],
  [5, 1200, 150],
])('rows and columns of generated page %i from %i px on are as high as in the browser', async (seed, first, least) => {
  const widths = from(first, 260);
  const page = await MeasuredPage.openHtml(generateRowsPage(seed), asked);
  const { worked, wrong } = await page.compareTexts(widths);
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(least);
  expect(await compare(page, widths.slice(0, 50))).toEqual([]);
});

const WORDY =
  'A right-angle drill, half-open reeds and the well-known weir at the bank of the pond where the heron stands in the third week';
const CARD = `<article><h3>Cordless drill</h3><p>${WORDY}</p><button>Reserve</button></article>`;
const PICTURE = `<img alt="" src="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='40' height='10'/%3E">`;
const LOW =
  '.a{display:flex;flex-direction:column;height:170px;margin-bottom:120px}.a img{width:100%}.a p{margin:0}.a span{display:block}';
const lowCards = (style = '') =>
  `<div class="a">${PICTURE}<p style="${style}">${WORDY}</p><span>Mill and pond</span></div><p>${WORDY}</p>`;
/** Ways in which elements come to their heights, each with texts that are broken otherwise at many widths. */
test.each([
  [
    'a stretched column in which one grows',
    '.a{display:grid;grid-template-columns:1fr 2fr;gap:10px}.a article{display:flex;flex-direction:column;padding:8px}.a p{flex:1}',
    `<div class="a">${CARD}${CARD.replace('half-open reeds and', '')}${CARD}</div>`,
  ],
  [
    'items in the middle and at the end',
    '.a{display:flex;align-items:center;gap:12px}.a>*{flex:1}.a>:last-child{align-self:flex-end}',
    `<div class="a">${CARD}<p>${WORDY}</p><p>Reed</p></div><p>${WORDY}</p>`,
  ],
  [
    'a least height and one that is given',
    '.a{min-height:120px;padding:10px}.b{height:190px}.c{min-height:100vh;display:flex}',
    `<div class="a"><p>${WORDY}</p></div><div class="b"><p>${WORDY}</p></div><div class="c"><p>${WORDY} ${WORDY}</p></div><p>End</p>`,
  ],
  [
    'rows in rows',
    '.a{display:flex;gap:9px}.a>*{flex:1}.b{display:grid;grid-template-columns:1fr 1fr}',
    `<div class="a"><div class="b"><p>${WORDY}</p><p>Weir</p></div><div><p>${WORDY} ${WORDY}</p><div class="b"><p>${WORDY}</p><p>${WORDY}</p></div></div></div><p>End</p>`,
  ],
  [
    'a link in lines that lie in the middle',
    'p{text-align:center}',
    `<p>${WORDY}, <a href="#">${WORDY}</a>. ${WORDY}</p><p>Weir <a href="#">and pond</a></p>`,
  ],
  [
    'an inline element with padding at the begin or end of a line of another',
    'i{padding:0 7px}',
    `<p>${WORDY} <a href="#">in the weir <i>of the pond</i></a> and <a href="#"><b>of <i>the</i></b> reeds</a> ${WORDY}</p><p>Mill <b>at <i>the bank</i> of <i>it</i></b> ${WORDY}</p>`,
  ],
  [
    'a box that stands in a line by itself',
    '.a a{display:inline-block;width:100%;padding:6px}',
    `<div class="a"><a href="#">${WORDY}</a></div><p>${WORDY}</p>`,
  ],
  ['a column with less height than what stands in it needs', LOW, lowCards()],
])('%s is worked out', async (_, css, body) => {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:17px/1.4 sans-serif}${css}</style><body>${body}</body>`;
  const page = await MeasuredPage.openHtml(html, asked);
  const { worked, wrong } = await page.compareTexts(from(600, 256));
  await page.close();
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(200);
});

test('a text in such a column that may be made lower is not taken to keep its height', async () => {
  // Only from 460 to 465 px, just before the text needs a line less, there is less room than it needs.
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:17px/1.4 sans-serif}${LOW}.a{height:210px}</style><body>${lowCards('overflow:hidden')}</body>`;
  const page = await MeasuredPage.openHtml(html, asked);
  const { worked, wrong } = await page.compareTexts(from(330, 216));
  await page.close();
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(180);
});

test('where a page begins to be higher than the window, it is found at which width', async () => {
  // Before, it is told to be as high as the window, and browsers tell whole px.
  const page = await MeasuredPage.openHtml(generatePage(220079), asked);
  const near = from(1220, 16);
  const exact = (await page.measure(from(320, 1601))).filter(({ width }) => near.includes(width));
  expect(compareSweeps(exact, await page.measure(near, { brute: true }))).toEqual([]);
  await page.close();
});

test('where a page stops scrolling sideways is found from how far it reaches', async () => {
  const row = `<div style="display:flex">${'<span style="flex:none;width:60px">Reed</span>'.repeat(7)}</div>`;
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:17px/1.4 sans-serif}</style><body>${row}${`<p>${WORDY}</p>`.repeat(4)}</body>`;
  const page = await MeasuredPage.openHtml(html, asked);
  const layouts = await layoutsOf(page, from(320, 300));
  expect(await compare(page, from(340, 120))).toEqual([]);
  expect(layouts).toBeLessThan(20);
});

test('a room that begins to grow between a look and an end isn’t taken for even', async () => {
  const css =
    'body{margin:0;font:17px/1.4 sans-serif}div{display:flex}p{margin:0;flex:40 1 0}p:first-child{flex:1 1 0;min-width:24px}';
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>${css}</style><body><div><p>A</p><p>${WORDY} ${WORDY}</p></div>`;
  const page = await MeasuredPage.openHtml(html, asked);
  // It grows from 984 px on.
  const { worked, wrong } = await page.compareTexts(from(977, 256));
  await page.close();
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(200);
});

test('how far a line reaches that isn’t worked out is not taken for known where others are', async () => {
  const page = await MeasuredPage.openHtml(generateTextPage(8), asked);
  expect(await compare(page, from(1150, 160))).toEqual([]);
});
