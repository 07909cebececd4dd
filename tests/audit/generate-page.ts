/**
 * A page made of chance, the same for the same seed: flex, grid and subgrid, floats, columns, inline blocks, tables, fluid type,
 * steps, ratios, fields, sticky bars, turned writing, conditions on the viewport, on containers and on what stands in an element.
 */
export function generatePage(seed: number): string {
  let state = (seed * 2654435761) >>> 0;
  const random = () => {
    state = (Math.imul(state ^ (state >>> 15), 2246822519) + 0x9e3779b9) >>> 0;
    let x = state;
    x = Math.imul(x ^ (x >>> 16), 0x21f0aaad);
    x = Math.imul(x ^ (x >>> 15), 0x735a2d97);
    return ((x ^ (x >>> 15)) >>> 0) / 4294967296;
  };
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const chance = (share: number) => random() < share;

  const WORDS =
    'river gauge mill pond reed weir sluice paddle stone bank willow heron measurement watercourse level tool lend return saw drill'.split(
      ' ',
    );
  // Steps make a page be measured at every width, so only some pages have them.
  const stepped = chance(0.08);
  const words = (count: number) => Array.from({ length: count }, () => pick(WORDS)).join(' ');
  const length = () =>
    pick([
      `${whole(40, 420)}px`,
      `${whole(10, 100)}%`,
      `${whole(5, 60)}vw`,
      `min(${whole(30, 100)}%, ${whole(120, 900)}px)`,
      `clamp(${whole(60, 160)}px, ${whole(10, 60)}vw, ${whole(200, 700)}px)`,
      `calc(${whole(20, 90)}% - ${whole(0, 60)}px)`,
      `max(${whole(60, 200)}px, ${whole(10, 50)}%)`,
      `${whole(4, 30)}rem`,
      ...(stepped
        ? [
            `round(${pick(['up', 'down', 'nearest'])}, ${whole(10, 60)}%, ${whole(8, 40)}px)`,
            `calc(80px + mod(${whole(5, 40)}vw, ${whole(20, 90)}px))`,
          ]
        : []),
    ]);
  const gap = () =>
    pick([`${whole(0, 32)}px`, `${whole(0, 4)}vw`, `clamp(4px, ${whole(1, 4)}vw, ${whole(10, 40)}px)`, `${whole(0, 3)}%`]);
  // Type that grows with every px keeps everything around it moving, so only some pages have it, on some elements.
  const fluidType = chance(0.4);
  const size = () =>
    fluidType && chance(0.12)
      ? pick([
          `font-size:clamp(${whole(10, 16)}px, ${whole(1, 5)}vw, ${whole(18, 44)}px);`,
          `font-size:calc(${whole(8, 14)}px + ${(random() * 2).toFixed(2)}vw);`,
        ])
      : chance(0.4)
        ? `font-size:${whole(10, 28)}px;`
        : '';

  const box = () =>
    [
      size(),
      chance(0.3) ? `padding:${gap()};` : '',
      chance(0.2) ? `margin:${gap()};` : '',
      chance(0.2) ? `border:${whole(1, 4)}px solid #888;` : '',
      chance(0.25) ? `background:${pick(['#eee', '#244', 'rgba(0,80,60,.4)', '#fff', 'linear-gradient(#fff,#ddd)'])};` : '',
      chance(0.15) ? `color:${pick(['#777', '#111', '#fff', '#a33'])};` : '',
      chance(0.08) ? `height:${whole(20, 140)}px;` : '',
      chance(0.1) ? `overflow:${pick(['hidden', 'auto', 'clip'])};` : '',
      chance(0.05) ? 'white-space:nowrap;' : '',
      chance(0.05) ? `position:relative;left:${whole(-20, 20)}px;` : '',
      chance(0.08) ? `max-width:${length()};` : '',
      chance(0.08) ? `min-width:${whole(40, 300)}px;` : '',
      chance(0.04) ? `aspect-ratio:${whole(1, 4)}/${whole(1, 4)};` : '',
      chance(0.06) ? 'overflow-wrap:anywhere;' : '',
      chance(0.03) ? `writing-mode:${pick(['vertical-rl', 'vertical-lr'])};max-height:${whole(80, 240)}px;` : '',
      chance(0.04) ? `text-wrap:${pick(['balance', 'pretty', 'nowrap'])};` : '',
      chance(0.04) ? `position:sticky;top:${whole(0, 20)}px;` : '',
      chance(0.04) ? `margin-left:calc(${whole(1, 10)}vw - ${whole(5, 60)}px);` : '',
      chance(0.04) ? `letter-spacing:${pick(['1px', '.05em', '.1vw'])};` : '',
      chance(0.06) ? `text-align:${pick(['center', 'right', 'justify'])};` : '',
    ].join('');

  const classes: string[] = [];
  const sheet: string[] = [];
  const styled = (css: string) => {
    const name = `c${classes.length}`;
    classes.push(name);
    sheet.push(`.${name}{${css}}`);
    return name;
  };
  const text = () =>
    pick([
      () =>
        `<p class="${styled(size())}">${words(whole(4, 40))} <a href="#">${words(whole(1, 3))}</a> ${words(whole(0, 12))}</p>`,
      () => `<h2 class="${styled(size())}">${words(whole(1, 7))}</h2>`,
      () => `<button class="${styled(box())}">${words(whole(1, 3))}</button>`,
      () => `<input value="${words(2)}">`,
      () => `<label><input type="${pick(['checkbox', 'radio'])}"> ${words(whole(1, 3))}</label>`,
      () => `<p class="${styled(size())}">${words(whole(2, 6))}<br>${words(whole(2, 20))}</p>`,
      () => `<a href="#" class="${styled('display:inline-block;' + size())}">${words(whole(1, 2))}</a>`,
      () => `<span class="${styled(size())}">${words(whole(1, 5))}</span>`,
    ])();
  const items = (depth: number, css: () => string) =>
    Array.from({ length: whole(2, 4) }, () => `<div class="${styled(css() + box())}">${content(depth - 1)}</div>`).join('\n');

  function content(depth: number): string {
    if (depth <= 0) return text();
    return pick([
      () => Array.from({ length: whole(1, 3) }, text).join('\n'),
      () =>
        `<div class="${styled(`display:flex;flex-wrap:${pick(['wrap', 'nowrap'])};gap:${gap()};align-items:${pick(['stretch', 'center', 'start'])};justify-content:${pick(['start', 'space-between', 'center'])};` + box())}">${items(depth, () => pick(['', 'flex:1;', `flex:${whole(0, 3)} ${whole(0, 2)} ${length()};`, `width:${length()};`]))}</div>`,
      () =>
        `<div class="${styled(`display:grid;gap:${gap()};grid-template-columns:${pick([`repeat(${whole(2, 4)},1fr)`, `repeat(auto-fit,minmax(${whole(80, 260)}px,1fr))`, `repeat(auto-fill,${whole(80, 220)}px)`, `${whole(80, 220)}px minmax(0,1fr)`, '1fr auto 2fr', 'fit-content(200px) 1fr'])};` + box())}">${items(depth, () => (chance(0.15) ? 'grid-column:span 2;' : ''))}</div>`,
      () =>
        `<div class="${styled('overflow:hidden;' + box())}">${items(depth, () => `float:${pick(['left', 'left', 'right'])};width:${length()};`)}</div>`,
      () =>
        `<div class="${styled(box())}">${items(depth, () => `display:inline-block;vertical-align:top;width:${length()};`)}</div>`,
      () =>
        `<table class="${styled(`border-spacing:${whole(0, 8)}px;${chance(0.6) ? 'width:100%;' : ''}${chance(0.3) ? 'table-layout:fixed;' : ''}` + size())}">${Array.from({ length: whole(2, 4) }, () => `<tr>${Array.from({ length: 3 }, () => `<td class="${styled(chance(0.3) ? `width:${whole(10, 50)}%;` : '')}">${words(whole(1, 6))}</td>`).join('')}</tr>`).join('')}</table>`,
      () =>
        `<div class="${styled('container-type:inline-size;' + box())}"><div class="inner${whole(0, 2)} ${styled(box())}">${content(depth - 1)}</div></div>`,
      () =>
        `<div class="${styled('display:grid;grid-template-columns:auto 1fr auto;gap:8px;' + box())}">${Array.from({ length: whole(1, 3) }, () => `<div class="${styled('display:grid;grid-template-columns:subgrid;grid-column:1/-1;')}">${Array.from({ length: 3 }, () => `<div>${text()}</div>`).join('')}</div>`).join('')}</div>`,
      () =>
        `<div class="${styled('container-type:size;height:' + whole(60, 300) + 'px;' + box())}"><div class="inner${whole(0, 2)} ${styled(box())}">${content(depth - 1)}</div></div>`,
      () =>
        `<div class="${styled(`columns:${whole(1, 3)} ${whole(100, 260)}px;column-gap:${whole(8, 30)}px;` + size())}">${text()}${text()}</div>`,
      () =>
        `<div class="${styled(`position:relative;min-height:${whole(40, 120)}px;` + box())}">${text()}<div class="${styled(`position:absolute;${pick(['right', 'left'])}:${gap()};top:${whole(0, 40)}px;width:${length()};`)}">${text()}</div></div>`,
    ])();
  }

  const body = Array.from({ length: whole(2, 4) }, () => `<section class="${styled(box())}">${content(2)}</section>`).join('\n');
  const bar = chance(0.3)
    ? `<header class="${styled(`position:${pick(['sticky', 'fixed'])};top:0;background:#fff;`)}">${text()}</header>`
    : '';
  for (let i = whole(1, 4); i > 0; i--) {
    const edge = whole(360, 1700);
    const query = pick([
      `(max-width:${edge}px)`,
      `(min-width:${edge}px)`,
      `(width < ${edge / 16}em)`,
      `(min-width:${edge}px) and (max-width:${edge + whole(40, 300)}px)`,
      '(orientation:portrait)',
      `(min-aspect-ratio:${whole(1, 2)}/1)`,
      `(${whole(3, 8)}/4 < aspect-ratio < ${whole(9, 11)}/4)`,
      `(min-width:calc(${whole(20, 80)}em + ${whole(0, 9)}px))`,
      `(width >= ${edge}px) and (width <= ${edge + whole(0, 12)}px)`,
    ]);
    const rules = Array.from(
      { length: whole(1, 4) },
      () =>
        `.${pick(classes)}{${pick(['display:block;', 'flex-direction:column;', 'grid-template-columns:1fr;', 'float:none;', 'width:100%;', 'display:none;', 'position:static;', `width:${length()};`, `padding:${gap()};`]) + size()}}`,
    );
    sheet.push(`@media ${query}{${rules.join('')}}`);
  }
  for (let i = 0; i < 3; i++) {
    const edge = whole(150, 900);
    const query = pick([
      `(min-width:${edge}px)`,
      `(min-width:${edge}px) and (max-width:${edge + whole(2, 12)}px)`,
      `(${edge}px <= width < ${edge + whole(3, 60)}px)`,
      `(max-width:${edge / 16}rem)`,
      `(inline-size > ${edge / 20}em)`,
      `(min-width:calc(${edge}px - 2rem))`,
      `(min-aspect-ratio:${whole(2, 9)}/2)`,
      `not (width > ${edge}px)`,
    ]);
    const rule = pick(['display:flex;', 'padding:20px;', 'font-size:20px;', 'columns:2;', 'width:120%;', 'white-space:nowrap;']);
    sheet.push(`@container ${query}{.inner${i}{${rule}gap:${gap()};}}`);
  }
  if (chance(0.3))
    sheet.push(
      `section:has(${pick(['input', 'button', 'h2', 'label'])}){${pick(['padding:12px;', 'display:flex;', 'width:80%;'])}}`,
    );
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Page ${seed}</title>
<style>body{margin:${whole(0, 16)}px;font:${whole(13, 18)}px/1.4 sans-serif;}*{box-sizing:border-box}
${sheet.join('\n')}</style></head><body>${bar}${body}</body></html>`;
}
