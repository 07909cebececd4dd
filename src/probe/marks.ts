import { find } from './nodes';

/** What is drawn over the page on demand. Findings are drawn where their elements stand. */
export interface Marks {
  readonly outlines: boolean;
  readonly taps: boolean;
  readonly findings: readonly { readonly id: string; readonly severity: string }[];
}

/** WCAG 2.2, 2.5.8 (least size of a target) and 2.5.5 (its advised size), CSS px. */
const LEAST = 24;
const ADVISED = 44;
const TARGETS = 'a[href], button, input:not([type=hidden]), select, textarea, summary';
const MOST = 400;

const STYLE = `
  :host { all: initial; position: absolute !important; left: 0; top: 0; width: 0; height: 0; z-index: 2147483647; pointer-events: none; }
  div { position: absolute; box-sizing: border-box; border-radius: 3px; font: 600 11px/14px sans-serif; }
  .tap { border: 1px solid #1c6b5e; background: rgb(28 107 94 / .12); }
  .tap.close { border-style: dashed; border-color: #8a5f14; background: rgb(217 169 74 / .18); }
  .tap.small { border: 2px dashed #a3432a; background: rgb(163 67 42 / .16); }
  .finding { border: 2px dashed #a3432a; }
  .finding.note { border-color: #8a5f14; }
  span { position: absolute; right: -1px; bottom: -1px; padding: 0 3px; color: #fff; background: #a3432a; border-radius: 2px; white-space: nowrap; }
  .close span { background: #8a5f14; }
`;

let marks: Marks = { outlines: false, taps: false, findings: [] };
let host: HTMLElement | undefined;
let layer: HTMLElement;
let outlines: CSSStyleSheet | undefined;
let drawn = '';

function begin(): void {
  host = document.createElement('mp-marks');
  host.setAttribute('aria-hidden', 'true');
  const root = host.attachShadow({ mode: 'closed' });
  const style = document.createElement('style');
  style.textContent = STYLE;
  layer = document.createElement('section');
  root.append(style, layer);
  document.documentElement.append(host);
}

const boxAt = (rect: DOMRect, kind: string, text: string) =>
  `<div class="${kind}" style="left:${rect.left + scrollX}px;top:${rect.top + scrollY}px;width:${rect.width}px;height:${rect.height}px">${text && `<span>${text}</span>`}</div>`;

function targets(): string {
  return [...document.querySelectorAll<HTMLElement>(TARGETS)]
    .slice(0, MOST)
    .flatMap((element) => {
      const rect = element.getBoundingClientRect();
      if (rect.width === 0 || rect.height === 0) return [];
      const least = Math.min(rect.width, rect.height);
      const size = least < ADVISED ? `${Math.round(rect.width)} × ${Math.round(rect.height)}` : '';
      return [boxAt(rect, `tap ${least < LEAST ? 'small' : least < ADVISED ? 'close' : ''}`, size)];
    })
    .join('');
}

function findings(): string {
  return marks.findings
    .flatMap(({ id, severity }) => {
      const rect = find(id)?.getBoundingClientRect();
      return rect && rect.width + rect.height > 0 ? [boxAt(rect, `finding ${severity}`, '')] : [];
    })
    .join('');
}

export function setMarks(next: Marks): void {
  marks = next;
  outlines ??= new CSSStyleSheet();
  outlines.replaceSync(
    next.outlines
      ? '[data-mp-node] { outline: 1px solid rgb(28 107 94 / .55) !important; outline-offset: -1px !important; }'
      : '',
  );
  if (!document.adoptedStyleSheets.includes(outlines)) document.adoptedStyleSheets = [...document.adoptedStyleSheets, outlines];
  drawMarks();
}

/** Draws them again where things have moved. */
export function drawMarks(): void {
  if (!marks.taps && marks.findings.length === 0 && drawn === '') return;
  const html = (marks.taps ? targets() : '') + findings();
  if (html === drawn) return;
  if (!host) begin();
  layer.innerHTML = html;
  drawn = html;
}
