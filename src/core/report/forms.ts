import { reportCsv } from './csv';
import { reportHtml } from './html';
import { reportJson } from './json';
import { reportJunit } from './junit';
import type { Report } from './report';
import { reportSarif } from './sarif';

interface Form {
  readonly label: string;
  readonly ending: string;
  readonly type: string;
  readonly write: (report: Report) => string;
}

/** The forms in which a report can be had. */
export const REPORT_FORMS = {
  html: { label: 'HTML, one file', ending: 'html', type: 'text/html; charset=utf-8', write: reportHtml },
  json: { label: 'JSON', ending: 'json', type: 'application/json', write: reportJson },
  csv: { label: 'CSV table', ending: 'csv', type: 'text/csv; charset=utf-8', write: reportCsv },
  sarif: { label: 'SARIF 2.1.0', ending: 'sarif', type: 'application/sarif+json', write: reportSarif },
  junit: { label: 'JUnit XML', ending: 'xml', type: 'application/xml', write: reportJunit },
} as const satisfies Readonly<Record<string, Form>>;
export type ReportForm = keyof typeof REPORT_FORMS;
