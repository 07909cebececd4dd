import { alternatesWith } from '@/core/document';
import { PlanError, planAlternates, planNoAlternate, planSplit } from '@/core/plans';
import { inItsTree, shownBeside } from '../arranging/in-part';
import { keptIn, tops } from '../arranging/tree';
import { commitOrReport } from '../editing/edits';
import type { Make } from '../editing/proposal';
import { carryOut, propose } from '../editing/proposal';
import { shownPage, useSession, writeTarget } from '../state/store';
import { key, select } from '../view/actions';

/** What is selected becomes alternates of each other; one element alone is copied first. */
export function makeAlternates(): void {
  const chosen = tops();
  const at = writeTarget(useSession.getState());
  const before = new Set(Object.keys(shownPage(useSession.getState()).elements));
  const plan: Make = (project) => {
    if (chosen.length === 0)
      throw new PlanError('Select what is to show in turns: two elements or more, or one to make a second of.');
    const { tree, ids } = keptIn(chosen);
    return ids.length === 1 ? planSplit(project, tree, ids[0]!, at, key) : planAlternates(project, tree, ids, at, key);
  };
  if (!carryOut(plan) || chosen.length !== 1) return;
  // The copy is what will be changed next.
  const page = shownPage(useSession.getState());
  const copy = alternatesWith(page, page.elements[chosen[0]!])?.members.find((id) => !before.has(id));
  if (copy) select([shownBeside(chosen[0]!, inItsTree(copy))]);
}

export function noAlternate(id: string): void {
  propose(() => {
    const { tree, ids } = keptIn([id]);
    return planNoAlternate(tree, ids[0]!);
  });
}

/** Whether an alternate is built only when it is first shown. */
export function setLater(id: string, later: boolean): void {
  const { alternate } = shownPage(useSession.getState()).elements[id] ?? {};
  if (!alternate) return;
  const { later: _, ...rest } = alternate;
  commitOrReport({ type: 'setAlternate', node: id, alternate: later ? { ...rest, later } : rest });
}
