import { demoProject } from '@/demo';
import type { Finding } from '../audit';
import { findingsOn } from '../audit';
import type { Report } from './index';
import { countOf, REPORT_FORMS, reportDevices, reportSchema } from './index';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const page = project.pages[1]!;
const [element] = Object.keys(page.elements);

const finding = (severity: Finding['severity'], more: Partial<Finding> = {}): Finding => ({
  key: `clipped-content ${element}`,
  check: severity === 'note' ? 'small-text' : 'clipped-content',
  severity,
  element: element!,
  widths: [
    { from: 320, below: 400 },
    { from: 500, below: 501 },
  ],
  worst: { width: 320, violation: { element: element!, amount: 3, measured: { cut: 3, size: 9 }, others: [] } },
  ...more,
});

const report: Report = {
  project: { ...project, name: 'Tools & <more>' },
  revision: 7,
  createdAt: '2026-01-02T03:04:05.000Z',
  pages: [
    { page, findings: [finding('broken'), finding('note'), finding('broken', { accepted: '=HYPERLINK("x") "fine"' })] },
    { page: project.pages[0]!, findings: [], problem: 'It took more than 180 seconds.' },
  ],
};

test('JSON follows its schema', () => {
  const data = reportSchema.parse(JSON.parse(REPORT_FORMS.json.write(report)));
  expect(data.findings[0]!.widths).toEqual([
    { first: 320, last: 399 },
    { first: 500, last: 500 },
  ]);
  expect(data.pages[0]!.counts).toEqual({ broken: 1, poor: 0, note: 1 });
  expect(data.pages[1]!.problem).toMatch(/180 seconds/);
});

test('findings with one cause have one number, and stand together where people read', () => {
  const names = ['Tool card 1', 'Tool card 2', 'Tool card 3'];
  const ids = Object.values(page.elements).flatMap(({ id, name }) => (names.includes(name) ? [id] : []));
  const alike = ids.map((id) => finding('broken', { key: `clipped-content ${id}`, element: id }));
  const three: Report = { ...report, pages: [{ page, findings: [...alike, finding('note')] }] };
  const data = reportSchema.parse(JSON.parse(REPORT_FORMS.json.write(three)));
  expect(data.findings.map(({ cause }) => cause)).toEqual([1, 1, 1, 2]);
  expect(data.pages[0]).toMatchObject({ counts: { broken: 3, note: 1 }, causes: { broken: 1, note: 1 } });
  const html = REPORT_FORMS.html.write(three);
  expect(html).toContain('2 more with the same cause');
  expect(html.match(/<tr class="broken">/g)).toHaveLength(1);
});

test('CSV quotes what holds commas and quotes, and no cell begins a formula', () => {
  const lines = REPORT_FORMS.csv.write(report).split('\r\n');
  expect(lines[1]).toContain('"320 to 399, 500"');
  expect(lines[3]).toContain(`'=HYPERLINK(""x"") ""fine""`);
});

test('SARIF has a rule for every result, levels, and suppressions for what is accepted', () => {
  const log = JSON.parse(REPORT_FORMS.sarif.write(report)) as {
    version: string;
    runs: {
      tool: { driver: { rules: { id: string }[] } };
      invocations: { executionSuccessful: boolean }[];
      results: { ruleId: string; ruleIndex: number; level: string; suppressions: unknown[] }[];
    }[];
  };
  const [run] = log.runs;
  expect(log.version).toBe('2.1.0');
  for (const { ruleId, ruleIndex } of run!.results) expect(run!.tool.driver.rules[ruleIndex]!.id).toBe(ruleId);
  expect(run!.results.map(({ level }) => level)).toEqual(['error', 'note', 'error']);
  expect(run!.results.map(({ suppressions }) => suppressions.length)).toEqual([0, 0, 1]);
  expect(run!.invocations[0]!.executionSuccessful).toBe(false);
});

test('JUnit fails on what is open, not on notes or what is accepted, and its counts add up', () => {
  const xml = REPORT_FORMS.junit.write(report);
  expect(xml.match(/<failure /g)).toHaveLength(1);
  expect(xml.match(/<error /g)).toHaveLength(1);
  expect(xml).toContain('name="Tools &amp; &lt;more&gt;"');
  expect(Number(/<testsuites [^>]*tests="(\d+)"/.exec(xml)![1])).toBe(xml.match(/<testcase /g)!.length);
});

test('HTML stands alone and escapes what people wrote', () => {
  const html = REPORT_FORMS.html.write(report);
  expect(html).toContain('Audit of Tools &amp; &lt;more&gt;');
  expect(html).not.toMatch(/<script|src=|href=|url\(/);
});

test('a device shows the findings of its width, and of its height where heights were looked at', () => {
  const [device] = reportDevices(project);
  const here = { from: device!.width, below: device!.width + 1 };
  const tall = finding('broken', { widths: [here], heights: [device!.height] });
  const short = finding('broken', { widths: [here], heights: [device!.height - 1] });
  expect(findingsOn([tall, short], device!, project.audit.range)).toEqual([tall]);
  expect(
    findingsOn(
      [finding('broken', { widths: [{ from: 1920, below: 1921 }] })],
      { width: 3840, height: 2160 },
      project.audit.range,
    ),
  ).toHaveLength(1);
  expect(countOf([tall, short])).toEqual({ broken: 2, poor: 0, note: 0 });
});
