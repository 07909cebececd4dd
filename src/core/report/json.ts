import { z } from 'zod';
import { SEVERITIES, VIEWS } from '../audit/check';
import type { Report } from './report';
import { countCauses, countOf, linesOf } from './report';

const px = z.number();
const countsSchema = z.strictObject({ broken: z.number(), poor: z.number(), note: z.number() });

/** The form of a report as JSON. Fields may be added; those that are here stay. */
export const reportSchema = z.strictObject({
  format: z.literal('mill-pond-audit'),
  version: z.literal(1),
  project: z.string(),
  revision: z.number().int(),
  createdAt: z.string(),
  /** Every whole px from the first to the last was decided. */
  range: z.strictObject({ first: px, last: px }),
  views: z.array(z.enum(VIEWS)),
  pages: z.array(
    z.strictObject({
      name: z.string(),
      file: z.string(),
      problem: z.string().nullable(),
      counts: countsSchema,
      /** Of how many causes these are. */
      causes: countsSchema,
    }),
  ),
  findings: z.array(
    z.strictObject({
      page: z.string(),
      file: z.string(),
      /** Findings of a page with the same number have one cause. */
      cause: z.number().int(),
      check: z.string(),
      title: z.string(),
      severity: z.enum(SEVERITIES as unknown as ['broken', 'poor', 'note']),
      element: z.string(),
      elementId: z.string(),
      sentence: z.string(),
      why: z.string(),
      rule: z.string(),
      widths: z.array(z.strictObject({ first: px, last: px })),
      heights: z.array(px),
      worst: z.strictObject({ width: px, height: px.nullable() }),
      accepted: z.string().nullable(),
    }),
  ),
});

export function reportJson(report: Report): string {
  const { project, revision, createdAt, pages } = report;
  const data: z.infer<typeof reportSchema> = {
    format: 'mill-pond-audit',
    version: 1,
    project: project.name,
    revision,
    createdAt,
    range: { ...project.audit.range },
    views: [...VIEWS],
    pages: pages.map(({ page, findings, problem }) => ({
      name: page.name,
      file: `${page.slug}.html`,
      problem: problem ?? null,
      counts: countOf(findings),
      causes: countCauses(project, page, findings),
    })),
    findings: linesOf(report) as z.infer<typeof reportSchema>['findings'],
  };
  return `${JSON.stringify(data, null, 2)}\n`;
}
