import type { Candidate } from '../cascade/sources';
import type { Project } from '../document/project';
import { readPseudo, stateWord } from '../document/pseudo';
import { ownerName } from '../edits/owners';
import { describeTarget } from '../edits/set-style';

/** Where a declaration is written, in words: "set at 599 and narrower". */
export function sourceWords(project: Project, { layer, at, owner, rule, pseudo = '' }: Candidate): string {
  const { state } = readPseudo(pseudo);
  const when = state ? `when ${stateWord(state)}, ` : '';
  const place = at === 'base' ? 'at the base' : `at ${describeTarget(project, at)}`;
  if (layer === 'own') return `set ${when}${place}`;
  if (layer === 'inline') return 'from its style attribute';
  if (layer === 'alternates') return 'where another of its alternates shows';
  if (layer === 'panel') return 'while the panel is closed';
  if (rule) return `from a style sheet, ${rule.selector}, line ${rule.line}`;
  if (layer === 'browser' || layer === 'foundation') return 'as browsers have it';
  return `from ${owner ? ownerName(project, owner) : layer} ${when}${place}`;
}
