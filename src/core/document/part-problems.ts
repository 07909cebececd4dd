import { expandedParts } from './expand';
import { tagsAround } from './new-part';
import { holdsPart, nesting, partsIn, topOf } from './parts';
import type { Page, Project } from './project';
import type { Problem } from './tree-problems';
import { at, namesIn, referencesProblem, shownProblem, structureProblem } from './tree-problems';
import { NESTED_PARTS_MOST } from './use';

/** What is wrong with parts: with each as a tree, with what its elements name, and with parts in parts. */
export function partsProblem(project: Project): Problem | undefined {
  const names = namesIn(project);
  const circle = project.parts.find((part) => [...partsIn(part)].some((id) => holdsPart(project, id, part.id)));
  if (circle) return at(inItself(circle.name), 'parts');
  const shown = expandedParts(project);
  for (const [index, part] of project.parts.entries()) {
    const problem = structureProblem(part) ?? bodyProblem(part) ?? shownProblem(project, part, shown[index]!);
    if (problem) return at(`In part ${part.name}: ${problem.message}`, 'parts', index, ...problem.path);
    if (nesting(project, part) >= NESTED_PARTS_MOST)
      return at(`In part ${part.name}, parts are nested deeper than ${NESTED_PARTS_MOST}.`, 'parts', index);
    for (const element of Object.values(part.elements)) {
      const message = referencesProblem(element, names);
      if (message) return at(`In part ${part.name}: ${message}`, 'parts', index, 'elements', element.id);
    }
  }
  return undefined;
}

/** Why a part can't be in another. */
export const inItself = (name: string): string => `The part ${name} would have itself in it.`;

/** The body of a part is there to show it, and in no page. */
function bodyProblem(part: Page): Problem | undefined {
  const { elements, root } = part;
  const top = topOf(part);
  const around = ['body', ...(top ? tagsAround(top.tag) : [])];
  let id = root;
  for (const tag of around) {
    const element = elements[id]!;
    const { children, styles, pseudo, shared, attributes } = element;
    const [child] = children;
    if (children.length !== 1 || typeof child !== 'string' || element.tag !== tag)
      return at('A part has one element that holds all others.', 'root');
    const says = Object.keys(styles).length + shared.length + Object.keys(attributes).length > 0 || pseudo !== undefined;
    if (says || element.use || element.list || element.panel || element.alternate)
      return at('What a part stands in is only there to show it, and says nothing of its own.', 'root');
    id = child;
  }
  return id === top?.id ? undefined : at('A part has one element that holds all others.', 'root');
}
