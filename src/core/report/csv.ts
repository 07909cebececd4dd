import Papa from 'papaparse';
import type { Report } from './report';
import { linesOf, widthsInWords } from './report';

/** One line a finding, with a head (RFC 4180). Cells that a table program would take for a formula are quoted as text. */
export function reportCsv(report: Report): string {
  const rows = linesOf(report).map((line) => ({
    page: line.page,
    cause: line.cause,
    severity: line.severity,
    check: line.check,
    title: line.title,
    element: line.element,
    'widths (px)': widthsInWords(line.widths),
    'heights (px)': line.heights.join(', '),
    'worst width (px)': line.worst.width,
    'worst height (px)': line.worst.height ?? '',
    sentence: line.sentence,
    rule: line.rule,
    accepted: line.accepted ?? '',
  }));
  const fields = [
    'page',
    'cause',
    'severity',
    'check',
    'title',
    'element',
    'widths (px)',
    'heights (px)',
    'worst width (px)',
    'worst height (px)',
    'sentence',
    'rule',
    'accepted',
  ];
  return `${Papa.unparse({ fields, data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}
