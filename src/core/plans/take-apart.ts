import { withOwnSets } from '../document/alternates';
import { childIds, isWritten, renamedChildren } from '../document/content';
import { offsetOf } from '../document/content-place';
import type { PageElement } from '../document/element';
import { kept, keptTree } from '../document/expand';
import { partNamed } from '../document/parts';
import type { Page, Project } from '../document/project';
import { parentOf, subtreeOf, treesOf } from '../document/tree';
import type { Edit } from '../edits/edit';
import { requireElement } from '../edits/edit';
import { asShared, flatten } from '../document/flatten';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** The elements of a use as elements of their own, and the shared styles that they need to look the same. */
export function apart(project: Project, page: Page, id: string, newId: () => string) {
  const shown = subtreeOf(page, id);
  const ids = new Map(shown.map((one) => [one.id, one.id === id ? id : `e${newId()}`]));
  const shared: Edit[] = [];
  const elements = shown.map((one): PageElement => {
    const { element, beneath } = flatten(one);
    const styles = beneath.map((styled) => asShared(`s${newId()}`, `${one.name}, from a part`, styled));
    for (const style of styles) shared.push({ type: 'addShared', style });
    return {
      ...element,
      id: ids.get(one.id)!,
      children: renamedChildren(element.children, (child) => ids.get(child)!),
      shared: [...element.shared, ...styles.map((style) => style.id)],
    };
  });
  // Each use that is taken apart gets sets of its own, but for those that the use itself is of.
  const [top, ...inside] = elements;
  return { elements: [top!, ...withOwnSets(inside)], shared, ids };
}

/** The edits that put elements of its own in the place of a use. */
export function apartEdits(project: Project, page: Page, id: string, newId: () => string): Edit[] {
  const parent = parentOf(page, id);
  if (!page.elements[id]?.use || !parent) throw new PlanError('This is no use of a part.');
  const { elements, shared, ids } = apart(project, page, id, newId);
  const inside = keptTree(page).elements[parent.id]!;
  const place = { index: childIds(inside).indexOf(id), ...(isWritten(inside) && { offset: offsetOf(inside.children, id) ?? 0 }) };
  return [
    ...shared,
    { type: 'removeElement', node: id },
    { type: 'insertElement', page: page.id, parent: parent.id, ...place, elements },
    ...renamedPlaces(project, page, id, ids),
  ];
}

/** Where a part says "e4" of what stood as "e7.e4" in it: a place as seen from a part, when elements of a tree have other ids. */
function placeAfter(project: Project, part: string, place: string, tree: string, ids: ReadonlyMap<string, string>): string {
  if (part === tree) return ids.get(place) ?? place;
  const dot = place.indexOf('.');
  const use = dot < 0 ? undefined : partNamed(project, part)?.elements[place.slice(0, dot)]?.use;
  return use ? `${place.slice(0, dot)}.${placeAfter(project, use.part, place.slice(dot + 1), tree, ids)}` : place;
}

/** What uses and lists say of elements that got other ids within their part, by those. */
function renamedPlaces(project: Project, tree: Page, but: string, ids: ReadonlyMap<string, string>): Edit[] {
  if (!project.parts.some((part) => part.id === tree.id)) return [];
  const edits: Edit[] = [];
  for (const { elements } of treesOf(kept(project)))
    for (const { id, use, list } of Object.values(elements)) {
      const renamed = (part: string, place: string) => placeAfter(project, part, place, tree.id, ids);
      if (use && id !== but) {
        const says = Object.entries(use.says);
        if (says.some(([place]) => renamed(use.part, place) !== place))
          edits.push({
            ...{ type: 'swapPart', node: id, part: use.part },
            says: Object.fromEntries(says.map(([place, saying]) => [renamed(use.part, place), saying])),
          });
      }
      if (list?.binds.some(({ place }) => renamed(list.part, place) !== place)) {
        const binds = list.binds.map((bind) => ({ ...bind, place: renamed(list.part, bind.place) }));
        edits.push({ type: 'setList', node: id, list: { ...list, binds } });
      }
    }
  return edits;
}

/** Makes the elements of a use independent of its part. It looks the same, and follows the part no longer. */
export function planTakeApart(project: Project, id: string, newId: () => string): Plan {
  const { page, element } = requireElement(project, id);
  const edits = apartEdits(project, page, id, newId);
  const name = (element.use && partNamed(project, element.use.part)?.name) ?? 'its part';
  const more = edits.filter(({ type }) => type === 'addShared').length;
  return {
    edit: { type: 'group', label: `Take ${element.name} apart`, edits },
    sentence: `Makes ${element.name} independent of ${name}: it looks the same, and no longer follows the part.`,
    details:
      more > 0
        ? [
            `${more === 1 ? '1 shared style is' : `${more} shared styles are`} made, where the use and the part said the same property.`,
          ]
        : [],
  };
}
