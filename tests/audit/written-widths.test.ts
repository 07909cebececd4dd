import { asUsual, CHECKS } from '@/core/audit';
import { chance } from '@/core/audit/sweep/chance';
import { lengthIn } from '@/core/audit/typeset/written-widths';
import { launchChromium } from '@/server/browser/chromium';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';

afterAll(closeBrowser);

const random = chance(29);
const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));

test('shares of a room are rounded as browsers do: by themselves, divided, and with px beside them', async () => {
  const asked = Array.from({ length: 800 }, () => {
    const room = whole(6_400, 100_000) / 64;
    const share = whole(1, 10_000) / 100;
    const px = whole(-400, 400) / 10;
    const parts = whole(2, 12);
    return [
      { room, css: `${share}%`, share, px: 0 },
      { room, css: `calc(100% / ${parts})`, share: 100 / parts, px: 0 },
      { room, css: `calc(${share}% + ${px}px)`, share, px },
      { room, css: `calc((100% - ${Math.abs(px)}px) / ${parts})`, share: 100 / parts, px: -Math.abs(px) / parts },
    ];
  }).flat();
  const browser = await launchChromium();
  const page = await browser.newPage();
  await page.setContent('<body style="margin:0"><div style="position:absolute"><p style="margin:0;height:1px">');
  const measured = await page.evaluate(
    (all) => {
      const box = document.querySelector('div')!;
      const inner = document.querySelector('p')!;
      return all.map(({ room, css }) => {
        box.style.width = `${room}px`;
        inner.style.width = css;
        return inner.getBoundingClientRect().width;
      });
    },
    asked.map(({ room, css }) => ({ room, css })),
  );
  await browser.close();
  const wrong = asked.filter((one, i) => Math.max(0, lengthIn(one, one.room)) !== measured[i]);
  expect(wrong).toEqual([]);
});

const WORDS = 'hall AV evening To You WAVE Ta. Ty. weir Tower Way Table Vane mill plane water Yet We Very'.split(' ');
const words = (count: number) => Array.from({ length: count }, () => WORDS[whole(0, WORDS.length - 1)]).join(' ');
const paragraphs = (count: number) =>
  Array.from({ length: count }, () => `<p>${words(9)} <b>${words(3)}</b> ${words(8)}</p>`).join('');

/** Of so many neighbouring widths, at how many lines were worked out. */
async function workedOut(sheet: string, body: string, first: number, count: number): Promise<number> {
  const html = `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0;font:16px/1.5 serif}p{margin:0}${sheet}</style><body>${body}</body>`;
  const page = await MeasuredPage.openHtml(
    html,
    asUsual(CHECKS).map(({ check: { id }, limits }) => ({ id, limits })),
  );
  const { worked, wrong } = await page.compareTexts(Array.from({ length: count }, (_, i) => first + i));
  await page.close();
  expect(wrong).toEqual([]);
  return worked;
}

test.each([
  ['shares that aren’t plain', '.in{width:33.33%}'],
  ['parts of the whole', '.in{width:calc(100% / 7)}'],
  ['less a gap, beside margins', '.in{width:calc(33.3% - 13px);margin:0 6.5px}'],
  ['a basis in a padding', 'main{padding:0 7%}.in{flex:0 0 31.7%}'],
  ['paddings beside the width', 'main{padding:0 3.3% 0 40px}.in{width:27%;padding:0 1.7%;border-left:3px solid}'],
  ['in the middle of the window', 'main{width:83.7%;margin:0 auto}.in{width:31%}'],
  ['margins', 'main{margin:0 6.1% 0 2.9%}.in{width:29%}'],
])('where every width is a share, lines are worked out nearly everywhere: %s', async (_, sheet) => {
  const items = Array.from({ length: 6 }, () => `<div class="in">${paragraphs(14)}</div>`).join('');
  expect(await workedOut(`main{display:flex;flex-wrap:wrap}${sheet}`, `<main>${items}</main>`, 700, 180)).toBeGreaterThan(110);
});

test('so are those in a grid, of which a column stays as wide as what stands in it', async () => {
  const items = [
    `<div><div style="width:290px"></div>${paragraphs(9)}</div>`,
    ...Array.from({ length: 5 }, () => `<div>${paragraphs(9)}</div>`),
  ];
  const sheet = 'main{display:grid;grid-template-columns:1fr 1.7fr 1fr;column-gap:11px}';
  expect(await workedOut(sheet, `<main>${items.join('')}</main>`, 620, 180)).toBeGreaterThan(110);
});

test.each(['text-align:left', 'text-align:center', 'text-align:right', 'text-decoration:underline'])(
  'so are those of letters that come nearer to spaces, with %s',
  async (declaration) => {
    expect(await workedOut(`p{width:50%;${declaration}}`, paragraphs(50), 600, 180)).toBeGreaterThan(110);
  },
);
