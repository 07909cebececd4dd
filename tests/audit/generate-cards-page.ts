import { chance as mulberry } from '@/core/audit/sweep/chance';

const WORDS =
  'hall water wheel stone copper bench plane saw pond mill timber rope ladder drill clamp chisel member return evening careful sharpen handle weight length half-open AV Ta. To “You”'.split(
    ' ',
  );
/** What cards are laid out by; the width of one is `--share`. */
const GRIDS = (count: number): readonly string[] => [
  `display:grid;grid-template-columns:repeat(${count},1fr);`,
  `display:grid;grid-template-columns:repeat(${count},minmax(0,1fr));`,
  `display:grid;grid-template-columns:${['1fr', '2fr', '1.5fr', '1fr', '3fr', '1fr'].slice(0, count).join(' ')};`,
];
const WIDTHS = (count: number): readonly string[] => [
  `width:${(100 / count).toFixed(2)}%;`,
  `width:calc(100% / ${count});`,
  `width:${Math.floor(100 / count)}%;`,
  `flex:1 1 ${Math.floor(90 / count)}%;min-width:0;`,
];

/**
 * A page made of chance, the same for the same seed: many cards in shares of the window, some in others, so that at every width a word of some
 * text comes very near to the end of its line.
 * @param cards how many
 * @param plainly whether only such shares are taken as are rounded alike again and again
 */
export function generateCardsPage(seed: number, cards = 36, plainly = false): string {
  const random = mulberry(seed * 4093 + 11);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const chance = (share: number) => !plainly && random() < share;
  const words = (most: number) => Array.from({ length: whole(2, most) }, () => pick(WORDS)).join(' ');
  const columns = plainly ? 3 : whole(2, 6);
  const isFlex = chance(0.5);
  const gap = whole(0, 3) * 8;
  const sheet = [
    `body{margin:0;font:${chance(0.3) ? pick(['15px', '17px', '15.2px', '0.9rem']) : '16px'}/1.5 ${pick(['sans-serif', 'serif'])}}`,
    `main{padding:0 ${pick(['24px', '5%', '0'])}}`,
    `.cards{${isFlex ? `display:flex;flex-wrap:wrap;` : pick(GRIDS(columns).slice(0, plainly ? 1 : 3))}column-gap:${isFlex ? 0 : gap}px;row-gap:12px}`,
    `.card{box-sizing:border-box;border:1px solid;padding:${pick(['12px', '16px', '10px 18px'])};${isFlex ? pick(WIDTHS(columns)) : ''}}`,
    `h2{font-size:${pick(['18px', '19px', '1.2em'])};margin:0 0 8px;${chance(0.2) ? 'letter-spacing:0.02em;' : ''}}`,
    `p{margin:0 0 8px;${chance(0.15) ? 'letter-spacing:0.5px;' : ''}${chance(0.15) ? 'word-spacing:1px;' : ''}${chance(0.2) ? `text-align:${pick(['center', 'right'])};` : ''}}`,
    `.two{display:grid;grid-template-columns:1fr ${pick(['1fr', '2fr'])};column-gap:10px;font-size:${pick(['13px', '14px'])}}`,
    'ul{margin:0 0 8px;padding-left:20px}',
    `@media(max-width:${plainly ? 900 : whole(560, 900)}px){.cards{grid-template-columns:1fr 1fr}.card{${isFlex ? 'width:50%;' : ''}}}`,
    `@media(max-width:${whole(420, 540)}px){.cards{display:block}.card{width:auto}}`,
  ];
  const body = Array.from({ length: cards }, () => {
    const inner = random() < 0.3 ? `<div class="two"><p>${words(9)}</p><p>${words(12)}</p></div>` : '';
    return `<article class="card"><h2>${words(6)}</h2><p>${words(12)} <b>${words(3)}</b> ${words(16)}</p><ul><li>${words(5)}<li>${words(8)}</ul>${inner}<p>${words(4)} <a href="#">${words(3)}</a></p></article>`;
  });
  return `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>Cards</title><style>${sheet.join('\n')}</style><main><div class="cards">${body.join('')}</div></main></html>`;
}
