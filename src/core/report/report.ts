import type { Finding } from '../audit/sweep/ledger';
import { checkNamed } from '../audit/checks';
import type { Severity } from '../audit/check';
import { deviceViewports } from '../audit/sweep/plan';
import { entriesOf } from '../remedy/entries';
import { sampleInWords } from '../tables/with-sample';
import { devicesOf } from '../devices/device-set';
import { viewportOn } from '../devices/device';
import type { Page, Project } from '../document/project';

/** One page of a report. */
export interface ReportPage {
  readonly page: Page;
  readonly findings: readonly Finding[];
  /** Why it could not be audited to the end. */
  readonly problem?: string | undefined;
}

/** What an audit of a project found, ready to be written in any form. */
export interface Report {
  readonly project: Project;
  readonly revision: number;
  /** ISO 8601. */
  readonly createdAt: string;
  readonly pages: readonly ReportPage[];
}

/** A finding in words and plain numbers, the same in every form of report. */
export interface Line {
  readonly page: string;
  readonly file: string;
  /** Findings of a page with the same number have one cause; from 1. */
  readonly cause: number;
  readonly check: string;
  readonly title: string;
  readonly severity: Severity;
  readonly element: string;
  readonly elementId: string;
  readonly sentence: string;
  readonly why: string;
  readonly rule: string;
  /** Whole px, both ends included. */
  readonly widths: readonly { readonly first: number; readonly last: number }[];
  readonly heights: readonly number[];
  readonly worst: { readonly width: number; readonly height: number | null };
  readonly accepted: string | null;
}

export function linesOf({ pages, project }: Report): Line[] {
  return pages.flatMap(({ page, findings }) => {
    const causes = new Map(
      entriesOf(project, page, findings).flatMap((entry, i) => entry.findings.map((finding) => [finding, i + 1] as const)),
    );
    return findings.map((finding) => lineOf(page, finding, project, causes.get(finding)));
  });
}

/** @param project whose tables name the rows with which something is found */
export function lineOf(page: Page, finding: Finding, project: Pick<Project, 'tables'>, cause = 1): Line {
  const check = checkNamed(finding.check);
  const name = (id: string) => page.elements[id]?.name ?? 'a removed element';
  const withRows = finding.sample === undefined ? [] : [`With the rows ${sampleInWords(project, finding.sample)}.`];
  return {
    page: page.name,
    file: `${page.slug}.html`,
    cause,
    check: finding.check,
    title: check?.title ?? finding.check,
    severity: finding.severity,
    element: name(finding.element),
    elementId: finding.element,
    sentence: [check?.sentence(finding.worst.violation, name) ?? '', ...withRows].join(' '),
    why: check?.why ?? '',
    rule: check?.rule ?? '',
    widths: finding.widths.map(({ from, below }) => ({ first: from, last: below - 1 })),
    heights: finding.heights ?? [],
    worst: { width: finding.worst.width, height: finding.worst.height ?? null },
    accepted: finding.accepted ?? null,
  };
}

/** "320 to 599, 742". */
export const widthsInWords = (widths: Line['widths']): string =>
  widths.map(({ first, last }) => (first === last ? String(first) : `${first} to ${last}`)).join(', ');

/** How many causes there are, by severity, of what isn't accepted. */
export function countCauses(project: Project, page: Page, findings: readonly Finding[]): Counts {
  return countOf(entriesOf(project, page, findings).map(({ worst }) => worst));
}

export interface Counts {
  readonly broken: number;
  readonly poor: number;
  readonly note: number;
}

export function countOf(findings: readonly Finding[]): Counts {
  const open = findings.filter(({ accepted }) => accepted === undefined);
  const of = (severity: Severity) => open.filter((finding) => finding.severity === severity).length;
  return { broken: of('broken'), poor: of('poor'), note: of('note') };
}

/** A device as a column of the table of a project: what it shows of a finding is decided by its width and height. */
export interface ReportDevice {
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** The devices of the project's first set, in their order; all that stand in any set where there is no first. */
export function reportDevices(project: Project): ReportDevice[] {
  const [set] = project.deviceSets;
  if (!set) return deviceViewports(project).map(({ width, height }) => ({ name: `${width} by ${height}`, width, height }));
  const seen = new Set<string>();
  return devicesOf(project.devices, set).flatMap(({ device, ...hold }) => {
    const { width, height } = viewportOn(device, hold);
    const name = `${device.name}${hold.turned ? ', turned' : ''}${hold.part && hold.part !== 'whole' ? `, ${hold.part}` : ''}`;
    if (seen.has(name)) return [];
    seen.add(name);
    return [{ name, width, height }];
  });
}
