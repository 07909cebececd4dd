import type { Slice } from '@/core/breakpoints';
import type { Arrangement, Wish } from '@/core/arrangements';
import { droppingFrom, entriesOf, planArrangement, planRecipe, planTakeBack, rolesOf, wholeWish } from '@/core/arrangements';
import type { Page, Project, Recipe } from '@/core/document';
import { pageOf, partNamed, topOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { EditError } from '@/core/edits';
import type { Plan } from '@/core/plans';
import { PlanError } from '@/core/plans';
import { keptIn } from '../arranging/tree';
import { commit, report } from '../editing/edits';
import { propose } from '../editing/proposal';
import { shownPage, useSession } from '../state/store';
import { measureDrops } from '../swapping/drops';
import { key } from '../view/actions';

/** What is arranged: an element in the tree that keeps it. */
export interface Subject {
  readonly tree: Page;
  readonly id: string;
}

/** Opens the choice of arrangements for what is selected. */
export function askArrangement(id = useSession.getState().selection[0]): void {
  const page = shownPage(useSession.getState());
  if (id === undefined || !page.elements[id]) report('Select what is to be arranged: a header, a table, a row, a list.');
  else useSession.setState({ arrangementFor: id });
}

/** Where an arrangement applies: to an element as it stands on the page, or to the part that it is a use of. */
export function subjectFor(project: Project, id: string, on: Arrangement['on']): Subject {
  const { tree, ids } = keptIn([id]);
  const kept = ids[0]!;
  const use = tree.elements[kept]?.use;
  if (on === 'use' || !use) return { tree, id: kept };
  const part = partNamed(project, use.part)!;
  return { tree: pageOf(project, part.id)!, id: topOf(part)!.id };
}

/** A plan, or why there is none. */
export type Thought = { readonly plan: Plan } | { readonly why: string };

function thought(make: () => Plan): Thought {
  try {
    return { plan: make() };
  } catch (error) {
    if (error instanceof PlanError || error instanceof EditError) return { why: error.message };
    throw error;
  }
}

export const thinkArrangement = (
  project: Project,
  slice: Slice,
  id: string,
  arrangement: Arrangement,
  wish: Partial<Wish>,
): Thought =>
  thought(() => {
    const subject = subjectFor(project, id, arrangement.on);
    return planArrangement(project, slice, subject.tree.id, subject.id, arrangement, wish, key);
  });

export const thinkRecipe = (project: Project, slice: Slice, id: string, recipe: Recipe): Thought =>
  thought(() => {
    const { tree, ids } = keptIn([id]);
    return planRecipe(project, slice, tree.id, ids[0]!, recipe, key);
  });

/** Whether an arrangement could be applied: why not, in words. */
export function whyNotFor(project: Project, id: string, arrangement: Arrangement): string | undefined {
  try {
    const { tree, id: subject } = subjectFor(project, id, arrangement.on);
    return arrangement.whyNot(project, tree, subject);
  } catch (error) {
    if (error instanceof PlanError) return error.message;
    throw error;
  }
}

/** Measures where the entries of a menu no longer fit, for the arrangement that asks for it. @throws Error in words */
export async function measureFor(project: Project, id: string, arrangement: Arrangement, wish: Partial<Wish>) {
  const { tree, id: subject } = subjectFor(project, id, arrangement.on);
  const { roles, settings } = wholeWish(project, tree, subject, arrangement, wish);
  if (roles.menu === undefined) throw new PlanError('Choose which element is the menu: it can’t be told.');
  const row = entriesOf(tree, roles.menu);
  return measureDrops(tree.id, row, { items: droppingFrom(project, tree, row, settings.order), menu: true });
}

export function rolesFor(project: Project, id: string, arrangement: Arrangement) {
  const { tree, id: subject } = subjectFor(project, id, arrangement.on);
  return {
    elements: tree.elements,
    roles: rolesOf(project, tree, subject, arrangement),
    settings: arrangement.settings?.(project, tree, subject) ?? [],
  };
}

/** Makes what was thought out. Returns what is wrong, in words. */
export const apply = (edit: Edit): string | undefined => commit(edit, undefined, 'part');

/** Puts taking an arrangement back before the person. */
export function takeBack(id: string): void {
  propose((project) => planTakeBack(project, id));
}
