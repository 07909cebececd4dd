import type { PageElement, Project, Saying } from '@/core/document';
import { isInUse, topOf, treesOf, usesIn, usesOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { EditError, throughParts } from '@/core/edits';
import { PlanError, planMakePart, planRemovePart, planSwapPart, planTakeApart } from '@/core/plans';
import type { Draw } from './draw';

/*
 * Edits that make parts, use them, and say something for one use. Now and then a part is put into itself, through others
 * too, and something is said of what isn't there.
 */

type Make = (
  project: Project,
  draw: Draw,
  any: { readonly element: () => string; readonly styles: () => Saying['styles'] },
) => Edit;

const anyPart = (project: Project, draw: Draw) =>
  project.parts.length === 0 || draw.chance(0.05) ? 'mgone' : draw.from(project.parts).id;

const usesOfAll = (project: Project) =>
  treesOf(project).flatMap((tree) => usesIn(tree.elements).map((id) => ({ tree, element: tree.elements[id]! })));

/** What a use shows, or would if it were there. */
function anyShown(project: Project, draw: Draw): string {
  const shown = treesOf(project).flatMap(({ elements }) => Object.keys(elements).filter(isInUse));
  if (shown.length > 0 && draw.chance(0.85)) return draw.from(shown);
  const uses = usesOfAll(project);
  return uses.length > 0 ? `${draw.from(uses).element.id}${draw.from(['', '.egone', '.egone.egone'])}` : 'egone.egone';
}

function useOf(project: Project, draw: Draw, styles: Saying['styles']): PageElement {
  const part = anyPart(project, draw);
  const found = project.parts.find(({ id }) => id === part);
  const inside = found ? Object.keys(found.elements) : [];
  const says: Record<string, Saying> = {};
  for (const path of draw.some([...inside, 'egone'], 3))
    says[path] = {
      styles,
      ...(draw.chance(0.3) && { texts: [draw.from(['x', ''])] }),
      ...(draw.chance(0.3) && { hidden: true as const }),
      ...(draw.chance(0.3) && { attributes: { [draw.from(['title', 'href', 'onclick'])]: '#' } }),
    };
  const tag = draw.chance(0.05) ? 'p' : ((found && topOf(found)?.tag) ?? 'div');
  return { ...{ id: draw.id('e'), tag, name: 'Use', attributes: {}, children: [], shared: [] }, styles, use: { part, says } };
}

const MAKES: readonly Make[] = [
  (project, draw, any) => planned(() => planMakePart(project, any.element(), draw.chance(0.5), () => draw.id('')).edit, draw),
  (project, draw, any) => planned(() => planMakePart(project, any.element(), draw.chance(0.5), () => draw.id('')).edit, draw),
  (project, draw, any) => {
    const parent = any.element();
    const page = treesOf(project).find(({ elements }) => parent in elements)?.id ?? 'gfirst';
    return { type: 'insertElement', page, parent, elements: [useOf(project, draw, any.styles())] };
  },
  (project, draw, any) => {
    const top = useOf(project, draw, any.styles());
    const body: PageElement = { ...top, id: draw.id('e'), tag: 'body', name: 'Around', children: [top.id], styles: {} };
    delete (body as { use?: unknown }).use;
    const id = draw.chance(0.2) ? anyPart(project, draw) : draw.id('m');
    const elements = Object.fromEntries([draw.chance(0.1) ? { ...body, children: [] } : body, top].map((one) => [one.id, one]));
    return { type: 'addPart', part: { id, name: 'Card', slug: id, root: body.id, elements } };
  },
  (project, draw) => {
    const unused = project.parts.filter(({ id }) => usesOf(project, id).length === 0);
    return { type: 'removePart', part: unused.length > 0 && draw.chance(0.7) ? draw.from(unused).id : anyPart(project, draw) };
  },
  (project, draw) =>
    planned(() => planRemovePart(project, anyPart(project, draw), draw.from(['apart', 'remove']), () => draw.id('')).edit, draw),
  (project, draw) => ({ type: 'renamePart', part: anyPart(project, draw), name: draw.from(['Card', 'x', '']) }),
  (project, draw) => ({
    type: 'sayTexts',
    node: anyShown(project, draw),
    texts: draw.chance(0.2) ? null : Array.from({ length: 1 + draw.below(3) }, () => draw.from(['x', '', 'Hours'])),
  }),
  (project, draw) => ({ type: 'setHidden', node: anyShown(project, draw), hidden: draw.chance(0.7) }),
  (project, draw) => ({ type: 'setText', node: anyShown(project, draw), text: draw.from(['x', '', 'Hours']) }),
  (project, draw) => ({
    type: 'setAttribute',
    node: anyShown(project, draw),
    name: draw.from(['title', 'id', 'href', 'onclick', 'class']),
    value: draw.from(['x', '#', null]),
  }),
  (project, draw) => {
    const uses = usesOfAll(project);
    const node = uses.length > 0 && draw.chance(0.9) ? draw.from(uses).element.id : 'egone';
    const part = anyPart(project, draw);
    if (draw.chance(0.3)) return { type: 'swapPart', node, part };
    return planned(() => planSwapPart(project, node, part).edit, draw);
  },
  (project, draw) => {
    const uses = usesOfAll(project);
    const node = uses.length > 0 ? draw.from(uses).element.id : 'egone';
    return planned(() => planTakeApart(project, node, () => draw.id('')).edit, draw);
  },
];

/** The edit of a plan; of one that can't be, an edit that will be refused. */
function planned(plan: () => Edit, draw: Draw): Edit {
  try {
    return plan();
  } catch (error) {
    if (error instanceof PlanError || error instanceof EditError) return { type: 'removePart', part: draw.id('m') };
    throw error;
  }
}

export const aboutParts: Make = (project, draw, any) => draw.from(MAKES)(project, draw, any);

/** An edit as windows send it, of what uses show: to the part, or to the use. As it is where it can't be meant. */
export function meant(project: Project, edit: Edit, draw: Draw): Edit {
  try {
    return throughParts(project, edit, draw.from(['part', 'here']));
  } catch (error) {
    if (error instanceof EditError) return edit;
    throw error;
  }
}
