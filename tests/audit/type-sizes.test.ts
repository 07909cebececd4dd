import { readFileSync } from 'node:fs';
import { chance } from '@/core/audit/sweep/chance';
import { drawnSize } from '@/probe/drawn-size';
import { launchChromium } from '@/server/browser/chromium';
import { closeBrowser } from '@/server/browser/warm-browser';
import { comparedTexts, from } from './compared-texts';
import { generateCardsPage } from './generate-cards-page';
import { fontFace } from './with-own-font';

afterAll(closeBrowser);

const SIZES = [15.2, 14.4, 21.6, 17.1, 18.24, 19.99, 13.3333, 16.875, 15.1875, 18.25, 12.005, 22.4, 16];
const LETTERS = 2_000;

test('type is drawn at the size that is worked out, and letters come nearer to each other by the size that is kept', async () => {
  const browser = await launchChromium();
  const page = await browser.newPage();
  await page.setContent('<body style="margin:0;font-family:serif"><span id="text" style="white-space:pre"></span>');
  const wide = (text: string, size: number, kerning = 'normal') =>
    page.evaluate(
      ([words, px, how]) => {
        const span = document.getElementById('text')!;
        span.textContent = words;
        span.style.cssText = `white-space: pre; font-size: ${px}px; font-kerning: ${how}`;
        return span.getBoundingClientRect().width;
      },
      [text, size, kerning] as const,
    );
  const [plain, pairs] = ['e'.repeat(LETTERS), 'AV'.repeat(LETTERS / 2)];
  const letter = (await wide(plain, 100)) / 100;
  const nearer = async (size: number) => (await wide(pairs, size, 'none')) - (await wide(pairs, size));
  const pair = (await nearer(100)) / 100;
  for (const size of SIZES) {
    const { drawn, kerned } = drawnSize(size);
    expect([size, (await wide(plain, size)) / letter]).toEqual([size, expect.closeTo(drawn, 3)]);
    expect([size, (await nearer(size)) / pair]).toEqual([size, expect.closeTo(kerned, 2)]);
  }
  await browser.close();
});

// As browsers with windows do it on most screens; without one Chromium rounds each letter’s width unless it is told to hint less.
test('letters of fonts that a page brings along are as wide as they are drawn, not rounded to whole px', async () => {
  const font = readFileSync(
    'node_modules/@fontsource-variable/schibsted-grotesk/files/schibsted-grotesk-latin-wght-normal.woff2',
    'base64',
  );
  const browser = await launchChromium();
  const page = await browser.newPage();
  await page.setContent(
    `<style>@font-face { font-family: own; src: url(data:font/woff2;base64,${font}); font-weight: 400 900 } p { font: 700 18px own; position: absolute } p.large { font-size: 180px }</style><p>Tansy<p class=large>Tansy`,
  );
  const [small, large] = await page.evaluate(async () => {
    await document.fonts.load('700 18px own');
    return [...document.querySelectorAll('p')].map((p) =>
      Array.from('Tansy', (_, i) => {
        const letter = new Range();
        letter.setStart(p.firstChild!, i);
        letter.setEnd(p.firstChild!, i + 1);
        return letter.getBoundingClientRect().width;
      }),
    );
  });
  await browser.close();
  small!.forEach((wide, i) => expect(wide).toBeCloseTo(large![i]! / 10, 1));
});

const WORDS = 'hall AV evening To You WAVE Ta. Ty. weir Tower Way Table Vane mill plane water Yet We Very'.split(' ');

test.each(['15.2px', '16.875px'])(
  'where kerned text of %s comes to the very end of its room it is known, or in doubt',
  async (size) => {
    const random = chance(5);
    const word = () => WORDS[Math.floor(random() * WORDS.length)]!;
    const words = (count: number) => Array.from({ length: count }, word).join(' ');
    const paragraphs = Array.from({ length: 60 }, () => `<p>${words(9)} <b>${words(3)}</b> ${words(8)}</p>`);
    const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:${size}/1.5 serif}p{margin:0;width:50%}</style><body>${paragraphs.join('')}</body>`;
    const { worked, wrong } = await comparedTexts(html, from(600, 260));
    expect(wrong).toEqual([]);
    expect(worked).toBeGreaterThan(150);
  },
);

test('of one type that has more space between its letters elsewhere on the page, lines end where they do', async () => {
  const { worked, wrong } = await comparedTexts(generateCardsPage(92000), from(900, 60));
  expect(wrong).toEqual([]);
  expect(worked).toBeGreaterThan(40);
});

test.each(['16px', '17px'])(
  'letters of %s of a font with 1,000 units, as many of which fill a line to the px, are as wide as they are shown',
  async (size) => {
    const random = chance(5);
    const words = (count: number) => Array.from({ length: count }, () => WORDS[Math.floor(random() * WORDS.length)]!).join(' ');
    const paragraphs = Array.from({ length: 16 }, () => `<p>${words(12)} <b>${words(3)}</b> ${words(16)}</p>`);
    const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>${fontFace('spline-sans-mono')}body{margin:0;font:${size}/1.5 spline-sans-mono}p{margin:0 0 4px}</style><body>${paragraphs.join('')}</body>`;
    const { worked, wrong } = await comparedTexts(html, from(500, 350));
    expect(wrong).toEqual([]);
    expect(worked).toBeGreaterThan(300);
  },
);
