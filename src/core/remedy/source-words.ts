import type { Candidate } from '../cascade/sources';
import type { Project } from '../document/project';
import { ownerName } from '../edits/owners';
import { describeTarget } from '../edits/set-style';

/** Where a declaration is written, in words: "set at 599 and narrower". */
export function sourceWords(project: Project, { layer, at, owner, rule }: Candidate): string {
  const place = at === 'base' ? 'at the base' : `at ${describeTarget(project, at)}`;
  if (layer === 'own') return `set ${place}`;
  if (rule) return `from a style sheet, ${rule.selector}, line ${rule.line}`;
  if (layer === 'browser' || layer === 'foundation') return 'as browsers have it';
  return `from ${owner ? ownerName(project, owner) : layer} ${place}`;
}
