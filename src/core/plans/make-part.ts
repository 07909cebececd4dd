import { alternatesWith } from '../document/alternates';
import { childIds, gapTexts, isWritten } from '../document/content';
import { offsetOf } from '../document/content-place';
import type { PageElement } from '../document/element';
import { kept, keptTree } from '../document/expand';
import { newPart } from '../document/new-part';
import type { Page, Project } from '../document/project';
import { ancestorsOf, parentOf, subtreeOf, treesOf } from '../document/tree';
import type { Saying } from '../document/use';
import { isInUse } from '../document/use';
import type { Edit } from '../edits/edit';
import { requireElement } from '../edits/edit';
import { sameJson } from '../text';
import { freePageName } from './new-page';
import type { Plan } from './plan';
import { PlanError } from './plan';

interface Alike {
  readonly tree: Page;
  readonly id: string;
  readonly says: Readonly<Record<string, Saying>>;
  readonly attributes: PageElement['attributes'];
}

/** What a tree says otherwise than another that is built the same; undefined where it is built or styled otherwise. */
function othersays(from: Page, a: string, to: Page, b: string): Alike | undefined {
  const says: Record<string, Saying> = {};
  let top: PageElement['attributes'] = {};
  const compare = (x: PageElement, y: PageElement): boolean => {
    const same = ({ id, tag, source, shared, styles, pseudo, kind, panel, pictures, alternate, list, use }: PageElement) => ({
      tag,
      source,
      shared,
      styles,
      pseudo,
      kind,
      panel,
      pictures,
      // Which of several the top is stays with its place; what chooses among what is in it would have to be chosen once.
      alternate: id === a || id === b ? undefined : alternate,
      list,
      use,
    });
    if (!sameJson(same(x), same(y)) || isWritten(x) !== isWritten(y)) return false;
    const [p, q] = [childIds(x), childIds(y)];
    if (p.length !== q.length || Object.keys(x.attributes).some((name) => !(name in y.attributes))) return false;
    const attributes = Object.fromEntries(Object.entries(y.attributes).filter(([name, value]) => x.attributes[name] !== value));
    const texts = sameJson(gapTexts(x.children), gapTexts(y.children)) ? undefined : gapTexts(y.children);
    const isTop = x.id === a;
    if (isTop) top = attributes;
    const rest = isTop ? {} : attributes;
    if (texts || Object.keys(rest).length > 0)
      says[isTop ? '' : x.id] = {
        styles: {},
        ...(Object.keys(rest).length > 0 && { attributes: rest }),
        ...(texts && { texts }),
      };
    return p.every((child, i) => compare(from.elements[child]!, to.elements[q[i]!]!));
  };
  return compare(from.elements[a]!, to.elements[b]!) ? { tree: to, id: b, says, attributes: top } : undefined;
}

/** Where else the same elements stand, with other texts, links and pictures at most. */
export function alikeTo(project: Project, id: string): Alike[] {
  const all = kept(project);
  const home = treesOf(all).find(({ elements }) => id in elements);
  if (!home) return [];
  // It can't be the same as what it stands in, nor as what stands in it.
  const related = new Set([...subtreeOf(home, id), ...ancestorsOf(home, id)].map((one) => one.id));
  return treesOf(all).flatMap((tree) =>
    Object.keys(tree.elements).flatMap((other) => {
      if (tree === home && related.has(other)) return [];
      return othersays(home, id, tree, other) ?? [];
    }),
  );
}

/** Why an element can't become a part; undefined where it can. */
export function whyNoPart(page: Page, id: string): string | undefined {
  const element = page.elements[id];
  if (!element) return 'The element has been removed.';
  if (!parentOf(page, id)) return "A page's body can't be a part; make one of what stands in it.";
  if (isInUse(id)) return 'It stands in a part already; open the part to make one of what is in it.';
  return element.use ? `${element.name} is the use of a part already.` : undefined;
}

/**
 * Makes elements a part, used where they stand.
 * @param everywhere whether the same elements elsewhere become uses too; their texts, links and pictures stay
 * @param newId gives the rest of ids, up to 24 small letters and digits
 */
export function planMakePart(project: Project, id: string, everywhere: boolean, newId: () => string): Plan {
  const { page } = requireElement(project, id);
  const why = whyNoPart(page, id);
  if (why) throw new PlanError(why);
  const tree = keptTree(page);
  const [top, ...inside] = subtreeOf(tree, id);
  const { first, locked, alternate, ...bare } = top!;
  const within = new Set(inside.map((one) => one.id));
  const parted = inside.find((one) => alternatesWith(tree, one)?.members.some((member) => !within.has(member)));
  if (parted)
    throw new PlanError(
      `${parted.name} is one of several alternates, and others of them stand outside: take them along, or make it none.`,
    );
  const name = freePageName(project.parts, top!.name);
  const part = newPart(`m${newId()}`, name, [bare, ...inside], newId);
  const use = (of: PageElement, says: Readonly<Record<string, Saying>>, attributes: PageElement['attributes']): PageElement => ({
    ...{ id: `e${newId()}`, tag: of.tag, name: of.name, attributes, children: [], shared: [], styles: {} },
    use: { part: part.id, says },
    ...(of.first && { first: of.first }),
    ...(of.locked && { locked: of.locked }),
    ...(of.alternate && { alternate: of.alternate }),
  });
  const here = use({ ...bare, ...(first && { first }), ...(locked && { locked }), ...(alternate && { alternate }) }, {}, {});
  const others = everywhere ? outermost(alikeTo(project, id)) : [];
  const accepted = project.audit.accepted.filter(({ element }) => element in part.elements);
  const edits: Edit[] = [
    { type: 'removeElement', node: id },
    { type: 'addPart', part },
    insertion(tree, id, here),
    ...others.flatMap((other): Edit[] => [
      { type: 'removeElement', node: other.id },
      insertion(other.tree, other.id, use(other.tree.elements[other.id]!, other.says, other.attributes)),
    ]),
    // What was said to be fine stays so.
    ...accepted.flatMap(({ check, element, reason }): Edit[] => [
      { type: 'acceptFinding', check, element, reason: null },
      { type: 'acceptFinding', check, element: element === id ? here.id : `${here.id}.${element}`, reason },
    ]),
  ];
  const pages = new Set(others.map((other) => other.tree.id)).add(page.id).size;
  return {
    edit: { type: 'group', label: `Make ${top!.name} a part`, edits },
    sentence:
      others.length === 0
        ? `Makes ${top!.name} a part, used here.`
        : `Makes ${top!.name} a part with ${others.length + 1} uses on ${pages === 1 ? 'this page' : `${pages} pages`}; texts, links and pictures that differ stay.`,
    details: [],
  };
}

/** None that stands in another. */
function outermost(list: readonly Alike[]): Alike[] {
  const ids = new Set(list.map(({ id }) => id));
  return list.filter(({ tree, id }) => !ancestorsOf(tree, id).some((above) => ids.has(above.id)));
}

function insertion(tree: Page, id: string, element: PageElement): Edit {
  const parent = parentOf(tree, id)!;
  const before = childIds(parent)[childIds(parent).indexOf(id) - 1] ?? null;
  return {
    ...{ type: 'insertElement', page: tree.id, parent: parent.id, index: childIds(parent).indexOf(id), after: before },
    ...(isWritten(parent) && { offset: offsetOf(parent.children, id) ?? 0 }),
    elements: [element],
  };
}
