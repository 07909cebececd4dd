import { CHECKS } from '../audit/checks';
import type { Report } from './report';
import { lineOf, widthsInWords } from './report';

const escape = (text: string) =>
  // XML 1.0 has no way to write the other control characters.
  text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');

/**
 * JUnit XML for build servers: a suite a page, a case a check. A case fails where a broken or poor finding isn't
 * accepted; notes are told and don't fail. A page that could not be audited is an error.
 */
export function reportJunit(report: Report): string {
  const suites = report.pages.map(({ page, findings, problem }) => {
    const cases = CHECKS.map((check) => {
      const lines = findings
        .filter((finding) => finding.check === check.id)
        .map((finding) => lineOf(page, finding, report.project));
      const failing = lines.filter(({ severity, accepted }) => severity !== 'note' && accepted === null);
      const told = lines.filter((line) => !failing.includes(line));
      const say = (list: typeof lines) =>
        list
          .map(
            (line) => `${line.sentence} (${widthsInWords(line.widths)} px)${line.accepted ? ` Accepted: ${line.accepted}` : ''}`,
          )
          .join('\n');
      const failure =
        failing.length > 0
          ? `<failure message="${escape(failing[0]!.sentence)}" type="${check.severity}">${escape(say(failing))}</failure>`
          : '';
      const out = told.length > 0 ? `<system-out>${escape(say(told))}</system-out>` : '';
      return {
        failed: failing.length > 0,
        xml: `    <testcase classname="${escape(page.slug)}" name="${escape(check.title)}">${failure}${out}</testcase>`,
      };
    });
    if (problem)
      cases.push({
        failed: false,
        xml: `    <testcase classname="${escape(page.slug)}" name="Audit"><error message="${escape(problem)}"/></testcase>`,
      });
    const failures = cases.filter(({ failed }) => failed).length;
    return {
      failures,
      tests: cases.length,
      errors: problem ? 1 : 0,
      xml: `  <testsuite name="${escape(page.name)}" tests="${cases.length}" failures="${failures}" errors="${problem ? 1 : 0}" skipped="0" timestamp="${report.createdAt}">\n${cases.map(({ xml }) => xml).join('\n')}\n  </testsuite>`,
    };
  });
  const sum = (key: 'failures' | 'tests' | 'errors') => suites.reduce((total, suite) => total + suite[key], 0);
  return `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="${escape(report.project.name)}" tests="${sum('tests')}" failures="${sum('failures')}" errors="${sum('errors')}">\n${suites.map(({ xml }) => xml).join('\n')}\n</testsuites>\n`;
}
