import { breakpointName } from '../breakpoints/name';
import type { Finding } from '../audit/sweep/ledger';
import { bandsOf } from '../breakpoints/bands';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { Project } from '../document/project';
import type { Edit } from '../edits/edit';

/** A width at which the page begins to fail, where no breakpoint is yet. */
export interface ProposedBreakpoint {
  /** The last width, going down, at which it still holds; or the first, going up, at which it fails. */
  readonly width: number;
  readonly direction: 'narrower' | 'wider';
  readonly findings: readonly Finding[];
  readonly edit: Edit;
}

const PROPOSED_MOST = 8;

const brokenIn = (findings: readonly Finding[]) => findings.filter(({ severity }) => severity === 'broken').length;

/**
 * Where findings begin inside a band, coming from its wider end, or from the narrower one for those that only wide
 * screens have. Findings that begin at the same width are told together; those with most broken things come first.
 */
export function proposedBreakpoints(project: Project, findings: readonly Finding[]): ProposedBreakpoint[] {
  const { range } = project.audit;
  const { baseName } = project;
  const known = [...project.breakpoints];
  const edges = new Set(bandsOf(project, DEFAULT_SLICE).flatMap(({ from, below }) => [from, below]));
  const found = new Map<string, { width: number; direction: 'narrower' | 'wider'; findings: Finding[] }>();
  for (const finding of findings) {
    if (finding.severity === 'note' || finding.heights) continue;
    for (const { from, below } of finding.widths) {
      const down = below <= range.last && !edges.has(below);
      const up = !down && below > range.last && from > range.first && !edges.has(from);
      if (!down && !up) continue;
      const direction = down ? 'narrower' : 'wider';
      const width = down ? below - 1 : from;
      const key = `${direction} ${width}`;
      const one = found.get(key);
      if (one) one.findings.push(finding);
      else found.set(key, { width, direction, findings: [finding] });
    }
  }
  return [...found.values()]
    .sort((a, b) => brokenIn(b.findings) - brokenIn(a.findings) || b.findings.length - a.findings.length || b.width - a.width)
    .slice(0, PROPOSED_MOST)
    .map((one) => {
      const down = one.direction === 'narrower';
      const id = `bq${down ? 'd' : 'u'}${one.width}`;
      const condition = down ? { below: one.width + 1 } : { from: one.width };
      // Each of them may be taken, so no two are called the same.
      const breakpoint = { id, name: breakpointName({ baseName, breakpoints: known }, condition), condition };
      known.push(breakpoint);
      return { ...one, edit: { type: 'addBreakpoint', breakpoint } };
    });
}
