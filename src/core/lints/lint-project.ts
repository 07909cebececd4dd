import type { Declarations } from '../document/element';
import type { Project } from '../document/project';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import { readSheet } from '../read';
import { lintContentModels } from './content-models';
import { lintLinks } from './links';
import type { LintFinding } from './lint';
import { lintNeighbours } from './neighbours';
import { lintOverrides } from './overrides';
import { lintBreakpoints, lintSheets } from './rules';
import { lintShowing } from './showing';

/** All that can be found in values and document without a browser, those that can be dropped without a change first. */
export function lintProject(project: Project): LintFinding[] {
  return [
    ...lintOverrides(project),
    ...lintSheets(project),
    ...lintBreakpoints(project),
    ...lintNeighbours(project),
    ...lintContentModels(project),
    ...lintLinks(project),
    ...lintShowing(project),
  ];
}

export interface Dropped {
  /** One edit for all that could be dropped; undefined where none could. */
  readonly edit: Edit | undefined;
  readonly count: number;
  /** Those that were left, since after the others were gone they are needed. */
  readonly left: readonly LintFinding[];
}

/**
 * Drops several findings at once. Each is judged again on the document without those before it, so that of two that
 * stand for each other one stays; what claims to leave everything unchanged is only dropped if it does.
 */
export function dropFindings(project: Project, findings: readonly LintFinding[]): Dropped {
  const edits: Edit[] = [];
  const left: LintFinding[] = [];
  let document = project;
  for (const finding of findings) {
    const inSheet = project.sheets.some(({ id }) => id === finding.owner);
    // A sheet's text has moved under an earlier fix: its findings are read again.
    const fix = inSheet ? lintSheets(document).find((one) => one.sentence === finding.sentence)?.fix : finding.fix;
    if (!fix) {
      left.push(finding);
      continue;
    }
    const applied = applyEdit(document, fix);
    const proven = inSheet
      ? saysTheSame(document, applied.document, finding.owner)
      : Object.values(applied.footprint).every(({ widths }) => widths.length === 0);
    if (finding.unchanged && !proven) {
      left.push(finding);
      continue;
    }
    edits.push(fix);
    document = applied.document;
  }
  const label = `Drop ${edits.length} findings in the values`;
  return { edit: edits.length > 1 ? { type: 'group', label, edits } : edits[0], count: edits.length, left };
}

/** Whether a sheet's rules set the same properties to the same values as before. */
function saysTheSame(before: Project, after: Project, sheetId: string): boolean {
  const rules = (project: Project) =>
    readSheet(project.sheets.find(({ id }) => id === sheetId)!.css).rules.map(
      ({ selector, media, normal, important, others }) => [selector, media, sorted(normal), sorted(important), others],
    );
  return JSON.stringify(rules(before)) === JSON.stringify(rules(after));
}

const sorted = (declarations: Declarations) => Object.entries(declarations).sort(([a], [b]) => (a < b ? -1 : 1));
