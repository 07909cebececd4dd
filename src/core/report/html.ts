import { findingsOn } from '../audit/findings-on';
import { escapeText } from '../render/markup';
import type { Finding } from '../audit/sweep/ledger';
import type { WidthRange } from '../document/profile';
import type { Page } from '../document/project';
import { entriesOf } from '../remedy/entries';
import type { Line, Report } from './report';
import { countOf, lineOf, reportDevices, widthsInWords } from './report';

const BAR_WIDTH = 260;
const placeIn =
  ({ first, last }: WidthRange) =>
  (width: number) =>
    ((Math.log(width) - Math.log(first)) / (Math.log(last + 1) - Math.log(first))) * BAR_WIDTH;

const STYLE = `
body { margin: 0 auto; max-width: 1080px; padding: 32px 24px; background: #f3f0e9; color: #1f2b29; font: 15px/1.5 system-ui, sans-serif; }
h1 { margin: 0 0 4px; font-size: 26px; } h2 { margin: 32px 0 8px; font-size: 19px; } p { margin: 0 0 8px; }
table { width: 100%; border-collapse: collapse; background: #fbf9f4; } caption { text-align: left; padding: 8px 0; font-weight: 600; }
th, td { padding: 6px 10px; border-bottom: 1px solid #dcd6c9; text-align: left; vertical-align: top; } td.number, th.number { text-align: right; font-variant-numeric: tabular-nums; }
.scroll { overflow-x: auto; } .mark { display: inline-block; width: 10px; height: 10px; margin-right: 8px; border-radius: 2px; background: #b07a1e; } .broken .mark { background: #a3432a; }
small { display: block; color: #56605b; font-size: 13px; } svg { display: block; }`;

function bar({ widths, severity }: Line, range: WidthRange): string {
  const place = placeIn(range);
  const stretches = widths
    .map(
      ({ first, last }) =>
        `<rect x="${place(first).toFixed(1)}" y="4" width="${Math.max(2, place(last + 1) - place(first)).toFixed(1)}" height="8" fill="${severity === 'broken' ? '#a3432a' : '#b07a1e'}"/>`,
    )
    .join('');
  return `<svg role="img" aria-label="${widthsInWords(widths)} px" width="${BAR_WIDTH}" height="16"><path d="M0 12.5h${BAR_WIDTH}" stroke="#c9c2b2"/>${stretches}</svg>`;
}

/** The other elements with the same cause, each with its widths. */
function others(lines: readonly Line[]): string {
  if (lines.length === 0) return '';
  const list = lines.map((line) => `<li>${escapeText(line.element)}: ${widthsInWords(line.widths)} px</li>`).join('');
  return `<details><summary>${lines.length} more with the same cause</summary><ul>${list}</ul></details>`;
}

/** @param more what has the same cause */
function row(line: Line, more: readonly Line[], range: WidthRange): string {
  const accepted = line.accepted === null ? '' : `<small>Accepted: ${escapeText(line.accepted)}</small>`;
  const heights = line.heights.length > 0 ? `<small>at heights of ${line.heights.join(', ')} px</small>` : '';
  return `<tr class="${line.severity}"><td><span class="mark"></span>${line.severity}</td><td><b>${escapeText(line.title)}</b><br>${escapeText(line.sentence)}<small>${escapeText(line.why)}</small><small>Rule: ${escapeText(line.rule)}</small>${accepted}${others(more)}</td><td>${bar(line, range)}${widthsInWords(line.widths)} px${heights}<small>worst at ${line.worst.width}${line.worst.height ? ` by ${line.worst.height}` : ''} px</small></td></tr>`;
}

function rows(project: Report['project'], page: Page, findings: readonly Finding[]): string {
  const { range } = project.audit;
  return entriesOf(project, page, findings)
    .map((entry) => {
      const lines = entry.findings.map((finding) => lineOf(page, finding, project));
      const worst = entry.findings.indexOf(entry.worst);
      const more = lines.filter((_, i) => i !== worst);
      return row(lines[worst]!, more, range);
    })
    .join('\n');
}

/** A report that stands alone: one file, nothing loaded from anywhere. */
export function reportHtml(report: Report): string {
  const { project, pages, createdAt, revision } = report;
  const { range } = project.audit;
  const devices = reportDevices(project);
  const cell = (findings: Parameters<typeof countOf>[0]) => {
    const { broken, poor } = countOf(findings);
    return `<td class="number">${broken} / ${poor}</td>`;
  };
  const table = pages
    .map(
      ({ page, findings, problem }) =>
        `<tr><th scope="row">${escapeText(page.name)}${problem ? `<small>${escapeText(problem)}</small>` : ''}</th>${devices.map((device) => cell(findingsOn(findings, device, range))).join('')}${cell(findings)}</tr>`,
    )
    .join('\n');
  const parts = pages
    .map(({ page, findings }) =>
      findings.length === 0
        ? `<h2>${escapeText(page.name)}</h2><p>Nothing is wrong on this page at any width.</p>`
        : `<h2>${escapeText(page.name)}</h2><div class="scroll" tabindex="0" role="region" aria-label="Findings of ${escapeText(page.name)}"><table><thead><tr><th>Severity</th><th>Finding</th><th>Widths</th></tr></thead><tbody>\n${rows(project, page, findings)}\n</tbody></table></div>`,
    )
    .join('\n');
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Audit of ${escapeText(project.name)}</title><style>${STYLE}</style></head><body>
<h1>Audit of ${escapeText(project.name)}</h1>
<p>Every width from ${range.first} to ${range.last} px. Revision ${revision}, ${createdAt.slice(0, 16).replace('T', ' ')} UTC.</p>
<div class="scroll" tabindex="0" role="region" aria-label="Pages by devices"><table><caption>Pages by devices: broken / poor</caption><thead><tr><th>Page</th>${devices.map(({ name, width, height }) => `<th class="number">${escapeText(name)}<small>${width} × ${height}</small></th>`).join('')}<th class="number">Any</th></tr></thead><tbody>
${table}
</tbody></table></div>
${parts}
</body></html>
`;
}
