import { CHECKS } from '../audit/checks';
import type { Severity } from '../audit/check';
import type { Report } from './report';
import { linesOf, widthsInWords } from './report';

const LEVELS: Readonly<Record<Severity, 'error' | 'warning' | 'note'>> = { broken: 'error', poor: 'warning', note: 'note' };

/** SARIF 2.1.0: a result a finding, located by file and element; what is accepted is suppressed with its reason. */
export function reportSarif(report: Report): string {
  const lines = linesOf(report);
  const log = {
    $schema: 'https://json.schemastore.org/sarif-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'Mill Pond',
            rules: CHECKS.map(({ id, title, why, rule, severity }) => ({
              id,
              name: title,
              shortDescription: { text: title },
              fullDescription: { text: why },
              help: { text: rule },
              defaultConfiguration: { level: LEVELS[severity] },
            })),
          },
        },
        invocations: [
          {
            executionSuccessful: report.pages.every(({ problem }) => !problem),
            endTimeUtc: report.createdAt,
            toolExecutionNotifications: report.pages.flatMap(({ page, problem }) =>
              problem ? [{ level: 'error', message: { text: `${page.name}: ${problem}` } }] : [],
            ),
          },
        ],
        columnKind: 'utf16CodeUnits',
        results: lines.map((line) => ({
          ruleId: line.check,
          ruleIndex: CHECKS.findIndex(({ id }) => id === line.check),
          level: LEVELS[line.severity],
          message: { text: `${line.sentence} At widths of ${widthsInWords(line.widths)} px.` },
          locations: [
            {
              physicalLocation: { artifactLocation: { uri: line.file } },
              logicalLocations: [{ name: line.element, fullyQualifiedName: line.elementId, kind: 'element' }],
            },
          ],
          partialFingerprints: { 'millPond/v1': `${line.file} ${line.check} ${line.elementId}` },
          suppressions: line.accepted === null ? [] : [{ kind: 'external', justification: line.accepted }],
          properties: { widths: line.widths, heights: line.heights, worst: line.worst },
        })),
      },
    ],
  };
  return `${JSON.stringify(log, null, 2)}\n`;
}
