import { childIds, isWritten, normalChildren } from '../document/content';
import type { Slice } from '../breakpoints';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { ancestorsOf, pageOf, parentOf, subtreeOf } from '../document/tree';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import { describeTarget } from '../edits/set-style';
import { groupName } from '../structure/group-name';
import { dependsOnParent, inheritsOtherwise } from '../structure/parent-dependence';
import type { Spot } from '../structure/place';
import { topmost } from '../structure/place';
import { listed } from '../text';
import { namedTogether } from './effect';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** @throws PlanError when the element has gone or is locked. */
export function requireFree(page: Page, id: string): PageElement {
  const element = page.elements[id];
  if (!element) throw new PlanError('The element has been removed.');
  if (element.locked) throw new PlanError(`${element.name} is locked. Unlock it to move it.`);
  return element;
}

function requireTops(page: Page, ids: readonly string[]): PageElement[] {
  const tops = topmost(page, ids);
  if (tops.length === 0) throw new PlanError('Select something first. The body of a page stays where it is.');
  return tops.map((id) => requireFree(page, id));
}

const called = (elements: readonly PageElement[]) => (elements.length === 1 ? elements[0]!.name : `${elements.length} elements`);

/**
 * Moves elements to a place of the same page, at all widths. Where they come from another parent, the details say which
 * of their values were said with that one in mind; they are kept.
 * @throws PlanError when there is nothing to move
 * @throws EditError when they can't stand there
 */
export function planMove(project: Project, slice: Slice, pageId: string, ids: readonly string[], place: Spot): Plan {
  const page = pageOf(project, pageId)!;
  const tops = requireTops(page, ids);
  const target = page.elements[place.parent]!;
  const moving = new Set(tops.map(({ id }) => id));
  // Places are counted without what moves.
  const index = childIds(target)
    .slice(0, place.index)
    .filter((child) => !moving.has(child)).length;
  const early = new Set(childIds(target).slice(0, place.index));
  const edits = tops.map(({ id }, i): Edit => {
    // Those that move later still stand where they were.
    const waiting = tops.slice(i + 1).filter((later) => early.has(later.id)).length;
    return { type: 'moveElement', node: id, parent: target.id, index: index + i + waiting };
  });
  const what = called(tops);
  const edit: Edit = edits.length === 1 ? edits[0]! : { type: 'group', label: `Move ${what} in ${target.name}`, edits };
  const after = applyEdit(project, edit).document;
  const details = tops.flatMap((element) => {
    const parent = parentOf(page, element.id)!;
    if (parent.id === target.id) return [];
    const lines = dependenceLines(project, page, element, parent, slice);
    const other = inheritsOtherwise(project, page, after, pageOf(after, pageId)!, element.id, slice);
    return other.length > 0 ? [...lines, `${element.name} inherits another ${listed(namedTogether(other))}.`] : lines;
  });
  const into = tops.every(({ id }) => parentOf(page, id)!.id === target.id) ? 'within' : 'into';
  return { edit, sentence: `Moves ${what} ${into} ${target.name}, at all widths.`, details: details.slice(0, 8) };
}

function dependenceLines(project: Project, page: Page, element: PageElement, parent: PageElement, slice: Slice): string[] {
  const by = new Map<string, string[]>();
  for (const { property, value, at, because } of dependsOnParent(project, page, element, parent, slice)) {
    const where = at === 'base' ? '' : ` (${describeTarget(project, at)})`;
    by.set(because, [...(by.get(because) ?? []), `${property} ${value}${where}`]);
  }
  return [...by].map(
    ([because, values]) =>
      `${listed(values)} of ${element.name} meant ${because.replace(/\bits\b/, `${parent.name}’s`).replace(/\bit\b/, parent.name)}.`,
  );
}

/** Puts elements of one parent into a new group, in their places. */
export function planGroup(page: Page, ids: readonly string[], newId: string): Plan {
  const tops = requireTops(page, ids);
  const parent = parentOf(page, tops[0]!.id)!;
  if (tops.some(({ id }) => parentOf(page, id)!.id !== parent.id))
    throw new PlanError('Elements of one parent can be grouped; these stand in several.');
  const name = groupName(tops);
  const group = { id: newId, tag: 'div', name, attributes: {}, children: [], shared: [], styles: {} };
  const index = childIds(parent).indexOf(tops[0]!.id);
  const edits: Edit[] = [
    { type: 'insertElement', page: page.id, parent: parent.id, index, elements: [group] },
    ...tops.map(({ id }, i): Edit => ({ type: 'moveElement', node: id, parent: newId, index: i })),
  ];
  const sentence = `Groups ${called(tops)} as ${name}, at all widths.`;
  return { edit: { type: 'group', label: `Group ${called(tops)}`, edits }, sentence, details: [] };
}

function outOfGroups(page: Page, groups: readonly PageElement[]): Edit[] {
  return groups.flatMap((group): Edit[] => {
    const parent = parentOf(page, group.id)!;
    // Earlier groups have become as many as stood in them.
    const place = childIds(parent).indexOf(group.id);
    const index = groups
      .filter(({ id }) => childIds(parent).slice(0, place).includes(id))
      .reduce((at, earlier) => at + childIds(earlier).length - 1, place);
    return [
      ...childIds(group).map((node, i): Edit => ({ type: 'moveElement', node, parent: parent.id, index: index + i })),
      { type: 'removeElement', node: group.id },
    ];
  });
}

/** Texts can't be moved, so the inside of each parent is put anew. */
function withInsides(page: Page, groups: readonly PageElement[]): Edit[] {
  const elements = { ...page.elements };
  for (const group of groups) {
    const parent = elements[parentOf(page, group.id)!.id]!;
    const children = parent.children.flatMap((child) => (child === group.id ? group.children : [child]));
    elements[parent.id] = { ...parent, children: normalChildren(children) };
    delete elements[group.id];
  }
  const changed = groups.map(({ id }) => parentOf(page, id)!);
  const outermost = changed.filter(
    ({ id }, i) => changed.findIndex((one) => one.id === id) === i && !ancestorsOf(page, id).some((one) => changed.includes(one)),
  );
  return outermost.map(({ id }) => ({
    type: 'setContent',
    node: id,
    children: elements[id]!.children,
    elements: subtreeOf({ ...page, elements }, id).slice(1),
  }));
}

/** Takes groups away and leaves what stands in them in their place. What the groups themselves say is lost, and said. */
export function planUngroup(page: Page, ids: readonly string[]): Plan {
  const tops = requireTops(page, ids);
  const empty = tops.find((group) => childIds(group).length === 0 && !isWritten(parentOf(page, group.id)!));
  if (empty) throw new PlanError(`${empty.name} holds no elements.`);
  const edits = tops.some(isWritten) ? withInsides(page, tops) : outOfGroups(page, tops);
  const details = tops.flatMap(({ name, styles, shared }) => {
    const values = Object.values(styles).reduce((sum, one) => sum + Object.keys(one).length, 0);
    if (values + shared.length === 0) return [];
    const and = shared.length > 0 ? ` and ${shared.length === 1 ? 'a shared style' : `${shared.length} shared styles`}` : '';
    return [`${name} has ${values === 1 ? 'one value' : `${values} values`} of its own${and}, which go with it.`];
  });
  return {
    edit: { type: 'group', label: `Ungroup ${called(tops)}`, edits },
    sentence: `Takes ${called(tops)} away and leaves in its place what stands in it, at all widths.`,
    details,
  };
}
