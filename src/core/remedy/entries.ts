import type { Finding } from '../audit/sweep/ledger';
import type { IntervalSet } from '../breakpoints/interval';
import { intersect, union } from '../breakpoints/interval';
import type { Page, Project } from '../document/project';
import { linksOf } from './links';

/** Findings with one cause, as one entry. */
export interface Entry {
  /** That of its first finding. */
  readonly key: string;
  /** Of one check, in the order in which they were met. */
  readonly findings: readonly Finding[];
  /** On which they are found, each once. */
  readonly elements: readonly string[];
  readonly widths: IntervalSet;
  /** The one that is worst. */
  readonly worst: Finding;
}

/** Intervals that meet, not only those that overlap, belong together. */
const reaching = (widths: IntervalSet): IntervalSet => widths.map(({ from, below }) => ({ from, below: below + 1 }));

/**
 * Findings put together by their cause: the same check, something that decides in common (a declaration; what says their
 * values: a shared style, a kind, an element of a part, a list's item; or being written alike), and widths that meet. In
 * the order of their first findings.
 */
export function entriesOf(project: Project, page: Page, findings: readonly Finding[]): Entry[] {
  const groups = findings.map((_, i) => i);
  const groupOf = (i: number): number => {
    let at = i;
    while (groups[at] !== at) at = groups[at] = groups[groups[at]!]!;
    return at;
  };
  const byLink = new Map<string, { widths: IntervalSet; members: number[] }[]>();
  findings.forEach((finding, i) => {
    for (const link of linksOf(project, page, finding)) {
      const key = `${finding.check} ${finding.sample ?? ''} ${finding.accepted === undefined} ${link}`;
      const clusters = byLink.get(key) ?? [];
      const [touching, apart] = [[] as typeof clusters, [] as typeof clusters];
      for (const one of clusters)
        (intersect(reaching(one.widths), reaching(finding.widths)).length > 0 ? touching : apart).push(one);
      const members = [...touching.flatMap((one) => one.members), i];
      for (const member of members) groups[groupOf(member)] = groupOf(members[0]!);
      byLink.set(key, [...apart, { widths: union(finding.widths, ...touching.map(({ widths }) => widths)), members }]);
    }
  });
  const together = new Map<number, Finding[]>();
  findings.forEach((finding, i) => {
    const group = groupOf(i);
    together.set(group, [...(together.get(group) ?? []), finding]);
  });
  return [...together.values()].map(entryOf);
}

/** What findings of one cause are together. @throws RangeError when there is none */
export function entryOf(findings: readonly Finding[]): Entry {
  const [first] = findings;
  if (!first) throw new RangeError('An entry has at least one finding.');
  return {
    key: first.key,
    findings,
    elements: [...new Set(findings.map(({ element }) => element))],
    widths: union(...findings.map(({ widths }) => widths)),
    worst: findings.reduce((a, b) => (b.worst.violation.amount > a.worst.violation.amount ? b : a)),
  };
}
