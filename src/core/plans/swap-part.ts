import { partNamed, topOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import type { Saying } from '../document/use';
import { requireElement } from '../edits/edit';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** By the name and tag of what it speaks of, the first of each. */
function placesByName(part: Page): Map<string, string> {
  const top = topOf(part);
  const places = new Map<string, string>();
  for (const { id, name, tag } of Object.values(part.elements)) {
    const path = id === top?.id ? '' : id;
    const key = path === '' ? '' : `${tag} ${name}`;
    if (id !== part.root && !places.has(key)) places.set(key, path);
  }
  return places;
}

/** What a use says, of the elements of another part that have the same names there. */
function carriedOver(from: Page, to: Page, says: Readonly<Record<string, Saying>>) {
  const names = new Map([...placesByName(from)].map(([key, path]) => [path, key]));
  const there = placesByName(to);
  const kept: Record<string, Saying> = {};
  const lost: string[] = [];
  for (const [path, saying] of Object.entries(says)) {
    const place = there.get(names.get(path) ?? '-');
    if (place === undefined) lost.push(from.elements[path]?.name ?? from.name);
    else kept[place] = saying;
  }
  return { kept, lost };
}

/** Puts another part in the place of a use's. What the use says goes to elements of the same name and kind there. */
export function planSwapPart(project: Project, id: string, partId: string): Plan {
  const { element } = requireElement(project, id);
  const [from, to] = [element.use && partNamed(project, element.use.part), partNamed(project, partId)];
  if (!element.use || !from) throw new PlanError('This is no use of a part.');
  if (!to) throw new PlanError('The part has been removed.');
  if (from === to) throw new PlanError(`${element.name} is a use of ${to.name} already.`);
  const { kept, lost } = carriedOver(from, to, element.use.says);
  return {
    edit: { type: 'swapPart', node: id, part: partId, says: kept },
    sentence: `Puts ${to.name} in the place of ${from.name} here.`,
    details: lost.length === 0 ? [] : [`What is said here of ${lost.join(', ')} is left out: ${to.name} has none of that name.`],
  };
}
