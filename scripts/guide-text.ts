import { z } from 'zod';
import { CHECKS, SEVERITIES } from '@/core/audit';
import type { Check, View } from '@/core/audit';
import { reportSchema } from '@/core/report';

const VIEW_WORDS: Readonly<Record<View, string>> = {
  widths: 'at every width',
  heights: 'at every width, at the height of each device and on both sides of conditions on height',
  'large-text': 'at every width, with all text twice as large',
  'spaced-text': 'at every width, with the spacing of WCAG 2.2, 1.4.12',
  reflow: 'at 320 by 256 px',
  turned: 'on each device, compared with the device turned',
  pointed: 'at every width, with all that looks otherwise then pointed at',
  focused: 'at every width, with each element that the Tab key stops at focused',
  pressed: 'at every width, with all that looks otherwise then pressed',
  opened: 'every width, with each panel open where it is one',
  samples: 'at every width, with each set of rows that lists could show',
};
const HEADINGS = { broken: 'Broken', poor: 'Poor', note: 'Notes' } as const;
const MEANINGS = { broken: 'Content can’t be read or reached.', poor: 'It works, badly.', note: 'Worth a look.' } as const;

function part({ id, title, why, rule, view = 'widths', limits = {} }: Check): string {
  const numbers = Object.values(limits).map(
    ({ label, unit, usual, least, most }) => `- ${label}: ${usual} ${unit} (${least} to ${most})`,
  );
  const lines = [`### ${title}`, '', `${why}`, '', `Rule: ${rule}. Looked at ${VIEW_WORDS[view]}. In reports: \`${id}\`.`];
  if (numbers.length > 0) lines.push('', ...numbers);
  return lines.join('\n');
}

/** The chapter of all checks, as Markdown. */
export function checksChapter(): string {
  const parts = SEVERITIES.map((severity) => {
    const checks = CHECKS.filter((check) => check.severity === severity);
    return `## ${HEADINGS[severity]}\n\n${MEANINGS[severity]}\n\n${checks.map(part).join('\n\n')}`;
  });
  return `# All checks

What an audit asks of every page. Each check can be turned off, and its numbers can be set otherwise, under _Checks_ in
the audit; a finding that is fine as it is can be accepted with a reason. Small pages that pass and that fail each check
are in \`tests/audit/pages\`. This chapter is written from the checks themselves.

${parts.join('\n\n')}
`;
}

/** The schema of the report in JSON (JSON Schema 2020-12). */
export function reportSchemaText(): string {
  return JSON.stringify({ title: 'Mill Pond audit report', ...z.toJSONSchema(reportSchema) }, null, 2);
}
