import { chance as mulberry } from '@/core/audit/sweep/chance';

const WORDS =
  'the a in of river gauge pond reed weir sluice paddle stone bank willow heron measurement watercourse level tool lend return saw half-open read-only well-known e-mail mill’s 3.14'.split(
    ' ',
  );

/**
 * A page made of chance, the same for the same seed, of what stands side by side and pushes down what is below: rows that wrap and don't, grids,
 * columns in which one item grows, heights that are given or least ones, in each other, aligned in all ways, with texts of many lengths.
 */
export function generateRowsPage(seed: number): string {
  const random = mulberry(seed * 6007 + 29);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const chance = (share: number) => random() < share;
  const words = (most: number) => Array.from({ length: whole(1, most) }, () => pick(WORDS)).join(' ');
  let sheet = '';
  let names = 0;
  const styled = (css: string) => {
    sheet += `.n${++names}{${css}}\n`;
    return `class="n${names}"`;
  };
  // What is rare keeps all around it from being worked out: most pages have little of it.
  const odd = pick([0, 0, 0.04, 0.15]);
  const box = () =>
    [
      chance(0.5) ? `padding:${pick(['12px', '8px 16px', '20px 6px 0', '0 10px'])};` : '',
      chance(0.3) ? `border:${whole(1, 3)}px solid;` : '',
      chance(0.35) ? `margin:${pick(['10px', '0 0 18px', '14px 0 0', '6px 12px'])};` : '',
      chance(0.08) ? `min-height:${whole(30, 260)}px;` : '',
      chance(0.05) ? `height:${whole(60, 300)}px;` : '',
      chance(0.2) ? 'box-sizing:border-box;' : '',
      chance(odd)
        ? pick([
            'min-height:20%;',
            'max-height:120px;',
            'margin-top:-6px;',
            'position:relative;top:3px;',
            'overflow:hidden;',
            'aspect-ratio:2;',
          ])
        : '',
    ].join('');
  const item = (isRow: boolean) =>
    [
      isRow ? pick(['', '', 'flex:1;', 'flex:2 1 0;', `flex:0 0 ${whole(80, 200)}px;`, 'width:30%;', 'flex-grow:1;']) : '',
      chance(0.2) ? `align-self:${pick(['start', 'center', 'end', 'stretch', 'flex-start', 'flex-end'])};` : '',
      chance(0.15) ? 'justify-self:start;' : '',
      chance(odd)
        ? pick([
            'align-self:baseline;',
            'margin-top:auto;',
            'order:1;',
            'align-self:last baseline;',
            'height:50%;',
            'grid-row:span 2;',
          ])
        : '',
    ].join('');
  const leaf = (css: string): string =>
    pick([
      () => `<p ${styled(css + box())}>${words(24)}</p>`,
      () => `<p ${styled(css + box())}>${words(40)} <b>${words(3)}</b> ${words(12)}</p>`,
      () => `<h3 ${styled(css + box())}>${words(5)}</h3>`,
      () => `<button ${styled(css + (chance(0.5) ? 'padding:8px 12px;' : ''))}>${words(4)}</button>`,
      () => `<div ${styled(`${css}width:${whole(20, 140)}px;height:${whole(20, 90)}px;background:#ccc;`)}></div>`,
      () => `<span ${styled(`${css}white-space:nowrap;`)}>${words(2)}</span>`,
      () => `<p ${styled(css)}><a href="#" ${styled('display:inline-block;padding:6px;')}>${words(3)}</a></p>`,
    ])();
  const inside = (depth: number, isRow: boolean, most: number) =>
    Array.from({ length: whole(1, most) }, () =>
      depth > 2 || chance(0.5) ? leaf(item(isRow)) : block(depth + 1, item(isRow)),
    ).join('');
  const block = (depth: number, css = ''): string =>
    pick([
      () =>
        `<div ${styled(
          `${css}display:flex;${chance(0.4) ? 'flex-wrap:wrap;' : ''}gap:${whole(0, 20)}px ${whole(0, 20)}px;align-items:${pick(['stretch', 'normal', 'center', 'start', 'end'])};${chance(0.2) ? `align-content:${pick(['start', 'stretch', 'center'])};` : ''}${chance(0.2) ? 'justify-content:space-between;' : ''}${box()}`,
        )}>${inside(depth, true, 4)}</div>`,
      () =>
        `<div ${styled(
          `${css}display:grid;gap:${whole(0, 20)}px;grid-template-columns:${pick(['repeat(3,1fr)', '1fr 2fr', 'repeat(auto-fill,minmax(180px,1fr))', '200px 1fr', 'auto 1fr', '1fr'])};align-items:${pick(['stretch', 'normal', 'center', 'start', 'end'])};${chance(odd) ? pick(['grid-template-rows:1fr 2fr;', 'grid-auto-rows:minmax(90px,auto);', 'grid-auto-flow:column;', 'align-content:space-between;']) : ''}${box()}`,
        )}>${inside(depth, false, 7)}</div>`,
      () =>
        `<div ${styled(
          `${css}display:flex;flex-direction:column;gap:${whole(0, 12)}px;${chance(0.2) ? `justify-content:${pick(['center', 'space-between', 'end'])};` : ''}${chance(0.2) ? 'align-items:start;' : ''}${box()}`,
        )}>${inside(depth, false, 3)}${chance(0.5) ? `<div ${styled(`flex:${pick(['1', '1 0 auto', '0.5', '1 1 40px'])};${box()}`)}><p>${words(18)}</p></div>` : ''}${chance(0.5) ? leaf('') : ''}</div>`,
      () => `<div ${styled(css + box())}>${inside(depth, false, 3)}</div>`,
    ])();
  const body = Array.from({ length: whole(3, 9) }, () => block(0)).join('\n');
  const edge = whole(600, 1100);
  return `<!doctype html><html><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><style>
body { margin: ${whole(0, 30)}px; font: ${whole(13, 18)}px/${pick(['1.3', '1.5', '22px', 'normal'])} ${pick(['serif', 'sans-serif'])}; ${chance(0.4) ? 'min-height: 100vh;' : ''} ${chance(0.3) ? 'display: flex; flex-direction: column;' : ''} }
p { ${chance(0.5) ? 'margin: 0;' : ''} } button { font: inherit; } h3 { margin: 0 0 6px; }
${sheet}@media (min-width: ${edge}px) { .n${whole(1, names)} { padding: 22px; } .n${whole(1, names)} { ${pick(['flex-direction: column;', 'display: block;', 'grid-template-columns: 1fr 1fr;'])} } }
</style></head><body>${body}</body></html>`;
}
