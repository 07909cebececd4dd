import { chance as mulberry } from '@/core/audit/sweep/chance';

const WORDS =
  'the a in of river gauge pond reed weir sluice paddle stone bank willow heron measurement watercourse level tool lend return saw drill XML AVATAR To. (left) half-open north/south read-only mill’s “quoted” 3.14 e.g. well-known https://example.org/a-long/path?with=query Fließband naïve café → ✓'.split(
    ' ',
  );
const DOCTYPES = [
  '<!doctype html>',
  '<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN" "http://www.w3.org/TR/html4/loose.dtd">',
  '',
];

/**
 * A page of running text made of chance, the same for the same seed: headings, lists, definitions, tables, quotations, code, with emphasis,
 * links, code and pictures in the lines, in many sizes, leadings and alignments.
 */
export function generateTextPage(seed: number): string {
  const random = mulberry(seed * 7919 + 13);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const chance = (share: number) => random() < share;
  const words = (count: number) => Array.from({ length: count }, () => pick(WORDS)).join(chance(0.05) ? '\n' : ' ');

  // What isn't worked out keeps all around it from being so: half of the pages have nothing of it.
  const hard = chance(0.5);

  const inline = (depth = 0): string => {
    const inner = () => (depth < 2 && chance(0.3) ? `${words(whole(0, 3))} ${inline(depth + 1)}` : words(whole(1, 5)));
    return pick([
      () => `<a href="#">${inner()}</a>`,
      () => `<code>${words(whole(1, 2))}</code>`,
      () => `<em>${inner()}</em>`,
      () => `<strong>${inner()}</strong>`,
      () => `<span class="padded">${words(whole(1, 3))}</span>`,
      () => `<small>${inner()}</small>`,
      () => `<sup>${whole(1, 99)}</sup>`,
      () => `<span class="inline-block">${words(whole(1, 3))}</span>`,
      () => '<svg width="18" height="14"></svg>',
      () => '<br>',
      () => '<a name="x"></a>',
      () => '<a style="visibility:hidden"> ¶</a>',
      () => `<span style="white-space:nowrap">${words(whole(2, 4))}</span>`,
    ])();
  };
  const text = (most = 12): string =>
    Array.from({ length: whole(1, most) }, () => (chance(0.35) ? inline() : words(whole(2, 14)))).join(
      pick([' ', ' ', ' ', ', ', '']),
    );
  const list = (depth: number): string =>
    `<${depth % 2 ? 'ol' : 'ul'}>${Array.from(
      { length: whole(1, 5) },
      () => `<li>${text(4)}${depth < 2 && chance(0.2) ? list(depth + 1) : ''}${chance(0.1) ? words(3) : ''}</li>`,
    ).join('')}</${depth % 2 ? 'ol' : 'ul'}>`;
  const row = (tag: string, columns: number, whole_: () => string) =>
    `<tr>${Array.from({ length: columns }, () => `<${tag}>${whole_()}</${tag}>`).join('')}</tr>`;
  const table = () => {
    const columns = whole(1, 4);
    const cell = () => pick([() => text(3), () => `<p>${text(2)}</p>`, () => '', () => words(2), () => '&nbsp;&nbsp;'])();
    return `<table${chance(0.3) ? ' width="100%"' : ''}><tbody>${row('th', columns, () => words(whole(1, 3)))}${Array.from({ length: whole(1, 4) }, () => row('td', columns, cell)).join('')}</tbody></table>`;
  };
  const block = (depth = 0): string =>
    pick([
      () => `<p>${text()}</p>`,
      () => `<p>${text()}</p>`,
      () => `<p class="${pick(['centre', 'right', 'close', 'wide', 'spaced'])}">${text()}</p>`,
      () => `<h${whole(2, 5)}>${text(2)}</h${whole(2, 5)}>`,
      () => list(0),
      () => `<dl>${Array.from({ length: whole(1, 4) }, () => `<dt>${text(1)}</dt><dd>${text(5)}</dd>`).join('')}</dl>`,
      () => `<pre>${words(whole(3, 9))}\n${words(whole(3, 9))}</pre>`,
      () => table(),
      () => `<blockquote>${depth < 2 ? block(depth + 1) : text()}</blockquote>`,
      () =>
        `<p>${pick(['&nbsp;', '<br>', '&nbsp;<br>&nbsp;', `&nbsp;<br>${text(4)}`, `${text(3)}<br><br>${text(4)}<br><em><br>${text(2)}</em>`])}</p>`,
      () => `<div>${text(3)}${depth < 2 ? block(depth + 1) : ''}${text(2)}</div>`,
      () => `<div class="${pick(['column', 'placed'])}"><p>${text(4)}</p><p>${text(6)}</p></div>`,
      ...(hard
        ? [
            () => `<details ${chance(0.5) ? 'open' : ''}><summary>${words(3)}</summary>${text(4)}</details>`,
            () => `<div class="${pick(['row', 'grid'])}"><p>${text(4)}</p><p>${text(6)}</p></div>`,
          ]
        : []),
    ])();
  const style = `body { margin: ${whole(0, 40)}px; font: ${whole(12, 20)}px/${pick(['normal', '1.2', '1.55', '24px'])} ${pick(['serif', 'sans-serif', 'monospace', 'DejaVu Sans'])}; ${chance(0.3) ? `max-width: ${whole(30, 70)}em;` : ''} ${hard && chance(0.3) ? 'overflow-wrap: break-word;' : ''} }
code, pre { font-family: monospace; ${chance(0.5) ? 'font-size: 0.9em;' : ''} ${chance(0.4) ? 'padding: 1px 3px; background: #eee;' : ''} }
.padded { padding: 0 ${whole(1, 9)}px; border: 1px solid; } .inline-block { display: inline-block; ${chance(0.5) ? 'padding: 4px;' : ''} }
.centre { text-align: center; } .right { text-align: right; } .close { line-height: 1; margin: 0; } .wide { width: ${whole(40, 90)}%; }
.spaced { letter-spacing: 0.05em; word-spacing: 2px; } .row { display: flex; gap: 10px; } .column { display: flex; flex-direction: column; gap: 7px; }
.grid { display: grid; grid-template-columns: 1fr 2fr; } .placed { position: relative; padding-left: ${hard ? `${whole(1, 9)}%` : '12px'}; }
td, th { ${chance(0.5) ? 'padding: 4px 8px; border: 1px solid;' : ''} ${chance(0.3) ? 'vertical-align: top;' : ''} } table { ${chance(0.3) ? 'border-collapse: collapse;' : ''} }
${chance(0.3) ? `@media (min-width: ${whole(500, 1200)}px) { body { font-size: ${whole(12, 22)}px; } main { padding: 0 ${hard ? `${whole(1, 9)}%` : '30px'}; } }` : ''}`;
  return `${pick(DOCTYPES)}<html><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><style>${style}</style></head><body><main>${Array.from({ length: whole(6, 26) }, () => block()).join('\n')}</main></body></html>`;
}
