import { chance as mulberry } from '@/core/audit/sweep/chance';

const WORDS =
  'the a in of river gauge pond reed weir sluice paddle stone bank willow heron measurement watercourse level tool lend return saw read-only mill’s 3.14 pond::gauge::ReadLevelOfTheWholeRiver() weir_stones_that_never_end_in_a_space'.split(
    ' ',
  );

/**
 * A page made of chance, the same for the same seed, as manuals are made up: bars of links in tables, cells over several rows, pictures and
 * headings in cells, asides and columns that float, what is placed at a corner or where it would stand, words that have no room.
 */
export function generateManualPage(seed: number): string {
  const random = mulberry(seed * 4799 + 7);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const chance = (share: number) => random() < share;
  const words = (most: number, from = WORDS.slice(0, -2)) =>
    Array.from({ length: whole(1, most) }, () => pick(chance(0.02) ? WORDS : from)).join(' ');
  const times = (least: number, most: number, make: (i: number) => string) =>
    Array.from({ length: whole(least, most) }, (_, i) => make(i)).join('');
  const text = (most: number) =>
    times(1, 4, () => pick([() => words(most), () => `<code>${words(2)}</code>`, () => `<a href="#">${words(3)}</a>`])() + ' ');
  const picture = () => `<svg width="${whole(14, 60)}" height="${whole(14, 40)}"></svg>`;
  const paragraphs = (least: number, most: number) => times(least, most, () => `<p>${text(24)}</p>`);

  const cell = (depth: number) =>
    pick([
      () => words(4),
      () => text(9),
      () => `<p>${text(9)}</p>`,
      () => picture(),
      () => `<a href="#">${picture()}</a> ${words(2)}`,
      () => `<h${whole(2, 4)}>${words(4)}</h${whole(2, 4)}>${chance(0.5) ? `<p>${text(6)}</p>` : ''}`,
      () => `<ul>${times(1, 4, () => `<li>${text(3)}</li>`)}</ul>`,
      () => (depth < 2 ? table(depth + 1) : ''),
    ])();
  const td = (depth: number, more = '') => {
    const align = chance(0.2) ? ` valign="${pick(['top', 'middle', 'bottom', 'baseline'])}"` : '';
    return `<td${more}${align}>${cell(depth)}</td>`;
  };
  const rows = (depth: number) => {
    const columns = whole(1, 4);
    const plain = () => `<tr>${Array.from({ length: columns }, () => td(depth)).join('')}</tr>`;
    const spanned = () => {
      const over = whole(2, 3);
      const places = Array.from({ length: columns }, () => chance(0.5));
      const first = places.map((is) => td(depth, is ? ` rowspan="${over}"` : '')).join('');
      const rest = Array.from({ length: over - 1 }, () => `<tr>${places.map((is) => (is ? '' : td(depth))).join('')}</tr>`);
      return `<tr>${first}</tr>${rest.join('')}`;
    };
    return times(1, 3, () => (chance(0.35) ? spanned() : plain()));
  };
  function table(depth = 0): string {
    const wide = chance(0.6) ? ' width="100%"' : '';
    return `<table${wide} cellspacing="${whole(0, 5)}" cellpadding="${whole(0, 6)}">${rows(depth)}</table>`;
  }

  const float = () => {
    const side = pick(['left', 'right']);
    const margin = chance(0.5) ? `margin:${whole(0, 12)}px;` : '';
    return `<div style="float:${side};width:${pick(['160px', '200px', '30%', '45%'])};${margin}">${paragraphs(1, 2)}${chance(0.4) ? picture() : ''}</div>`;
  };
  const beside = () => `<div style="margin:0 ${chance(0.5) ? '240px' : '0'} 0 250px">${paragraphs(1, 4)}</div>`;
  const floating = () => {
    const all = times(1, 3, () => float()) + (chance(0.5) ? beside() : '');
    return pick([
      () => `<div style="overflow:hidden">${all}</div>`,
      () => `<div class="held">${all}</div>`,
      () => `${all}<div style="clear:both"></div>`,
      () => `${all}<h2 style="clear:${pick(['both', 'left', 'right'])}">${words(3)}</h2>`,
      () =>
        `<div style="float:left;width:100%">${beside()}</div><div style="float:left;width:200px;margin-left:-100%">${paragraphs(1, 3)}</div><hr style="clear:both">`,
    ])();
  };
  const placed = () => {
    const mark = (css: string) => `<a href="#" style="position:absolute;${css}">#</a>`;
    return pick([
      () => `<h3 style="position:relative">${words(12)}${mark('top:0;right:0')}</h3>`,
      () => `<div style="position:relative;padding-right:30px">${paragraphs(1, 3)}${mark('bottom:4px;right:0')}</div>`,
      () => `<p style="padding-right:30px">${text(20)}${mark('')}</p>`,
      () => `<div>${mark('left:0')}<p>${text(20)}</p></div>`,
    ])();
  };
  const block = () =>
    pick([
      () => paragraphs(1, 2),
      () => paragraphs(1, 2),
      () => table(),
      () => table(),
      () => floating(),
      () => placed(),
      () => `<pre>${words(6)}\n${words(9)}${chance(0.3) ? '<button style="float:right">Copy</button>' : ''}</pre>`,
      () => `<h2>${words(5)}</h2>`,
      () => `<ul>${times(1, 5, () => `<li>${text(12)}</li>`)}</ul>`,
    ])();
  const type = `font:${whole(13, 18)}px/${pick(['1.3', '1.5', 'normal'])} ${pick(['serif', 'sans-serif', 'DejaVu Sans'])}`;
  const style = `body { margin: ${whole(0, 20)}px; ${type}; ${chance(0.5) ? 'overflow-wrap: break-word;' : ''} }
.held::after { content: ''; display: ${pick(['table', 'block'])}; clear: both; } pre { overflow: auto; } td { ${chance(0.3) ? 'padding: 3px 7px; border: 1px solid;' : ''} }
code { font-family: monospace; } table { ${chance(0.2) ? 'border-collapse: collapse;' : ''} }`;
  const doctype = pick(['<!doctype html>', '<!doctype html>', '']);
  return `${doctype}<html><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><style>${style}</style></head><body>${times(4, 12, block)}</body></html>`;
}
