import { usualLimits } from '../audit/check';
import { checkNamed } from '../audit/checks';
import type { Finding } from '../audit/sweep/ledger';
import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { styleSetOf } from '../document/style-sets';
import { ownerOf } from '../edits/through-parts';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import { placesFor } from './places';
import { situationOf, recipesFor } from './recipes';

/** An edit that may mend a finding. Whether it does, and what else it does, only a try can say. */
export interface Fix {
  /** "Tool cards in one column at 599 and narrower". */
  readonly title: string;
  readonly edit: Edit;
}

const FIXES_MOST = 10;

/** Fixes worth trying for a finding on a page, none that can't be made or that change nothing there. */
export function fixesFor(project: Project, page: Page, finding: Finding): Fix[] {
  const check = checkNamed(finding.check);
  if (!check || !page.elements[finding.element]) return [];
  const limits = { ...usualLimits(check), ...project.audit.checks[check.id]?.limits };
  const places = placesFor(project, finding.widths);
  const fixes: Fix[] = [];
  for (const { title, values } of recipesFor(situationOf(project, page, finding, limits)))
    for (const { at, words, before } of places) {
      const label = `${title} ${words}`;
      const edits = values.map(([node, property, value]): Edit => {
        const owner = ownerFor(page, node, property);
        return { type: 'setStyle', owner, at, property, value };
      });
      const edit: Edit = { type: 'group', label, edits: [...before, ...edits] };
      if (reaches(project, page, edit)) fixes.push({ title: label, edit });
    }
  return fixes.slice(0, FIXES_MOST);
}

/** Where a value is mended: in the part that shows the element, unless it is the use that says something of it. */
function ownerFor(page: Page, node: string, property: string): string {
  const { id, pseudo } = splitPseudo(node);
  const element = page.elements[id];
  const says = element && Object.values(styleSetOf(element, pseudo)).some((values) => property in values);
  return element && !says ? ownerOf(element, 'part') + pseudo : node;
}

function reaches(project: Project, page: Page, edit: Edit): boolean {
  try {
    const { footprint } = applyEdit(project, edit);
    return (footprint[page.id]?.widths.length ?? 0) > 0;
  } catch {
    return false;
  }
}
