import type { Page, Project } from '@/core/document';
import { partNamed } from '@/core/document';
import type { Edit } from '@/core/edits';
import { insideOf } from '@/core/edits';
import type { Plan } from '@/core/plans';
import { usesInWords } from '@/core/plans';

/** The id under which an element is kept: in a part, where only a use shows it on the page. */
export const inItsTree = (id: string): string => id.slice(id.lastIndexOf('.') + 1);

/** How a page shows something that was put in beside one of its elements, which may be that of a part. */
export const shownBeside = (beside: string, id: string): string => beside.slice(0, beside.lastIndexOf('.') + 1) + id;

/** How a page shows something that was put into one of its elements. */
export const shownWithin = (page: Page, parent: string, id: string): string =>
  page.elements[parent]?.use ? `${parent}.${id}` : shownBeside(parent, id);

/** Takes elements away from the part that shows them: what happens on other pages is said before. */
export function removalFromPart(project: Project, page: Page, ids: readonly string[]): Plan {
  const names = ids.map((id) => page.elements[id]!.name);
  const parts = new Set(
    ids.map((id) => project.parts.find(({ elements }) => inItsTree(id) in elements)?.id ?? insideOf(project, id)),
  );
  const where = [...parts].map((id) => `${partNamed(project, id)?.name ?? 'the part'}: ${usesInWords(project, id)}`);
  const edits = ids.map((node): Edit => ({ type: 'removeElement', node: inItsTree(node) }));
  const what = names.length === 1 ? names[0]! : `${names.length} elements`;
  return {
    edit: edits.length === 1 ? edits[0]! : { type: 'group', label: `Remove ${what} from a part`, edits },
    sentence: `Removes ${what} from ${where.join('; ')}. To leave it out here only, choose "This use only" first.`,
    details: [],
  };
}
