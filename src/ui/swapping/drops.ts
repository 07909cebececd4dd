import { z } from 'zod';
import type { Page, Project } from '@/core/document';
import { dropsOf } from '@/core/document';
import type { DropWish } from '@/core/plans';
import { dropOrder, PlanError, planDrops, planFitDrops, planNoDrops } from '@/core/plans';
import { inItsTree } from '../arranging/in-part';
import { keptIn } from '../arranging/tree';
import { announce, commit, report } from '../editing/edits';
import { propose } from '../editing/proposal';
import { Refused, requestJson } from '../requests/requests';
import { savedRevision } from '../editing/saved-revision';
import { shownPage, useSession } from '../state/store';
import { key } from '../view/actions';

const answerSchema = z.object({ widths: z.array(z.number()) });

/** The tree that keeps a row, and the row there: what a use of a part shows is the part's. */
export function keptRow(id: string): { readonly tree: Page; readonly row: string } {
  const { tree, ids } = keptIn([id]);
  return { tree, row: ids[0]! };
}

/** What drops out of a row that the page shows. */
export const dropsShown = (project: Project, page: Page, id: string) => {
  const element = page.elements[id];
  return element && dropsOf(project, page, element);
};

/** Asks what may drop out of a row. */
export function askDrops(id = useSession.getState().selection[0]): void {
  const page = shownPage(useSession.getState());
  if (id === undefined || !page.elements[id]) report('Select the row out of which items are to drop.');
  else useSession.setState({ dropping: id });
}

/** The widths under which items no longer fit. @throws Error in words */
export async function measureDrops(tree: string, row: string, wish?: DropWish): Promise<readonly number[]> {
  const revision = await savedRevision();
  const path = `/api/projects/${useSession.getState().project.id}/drops`;
  const answer = await requestJson(path, { method: 'POST', body: { tree, row, revision, ...(wish && { wish }) } });
  return answerSchema.parse(answer).widths;
}

/** Measures where items no longer fit, and lets them drop there. Returns what is wrong, in words. */
export async function letDrop(id: string, wish: DropWish): Promise<string | undefined> {
  const inTree: DropWish = { ...wish, items: wish.items.map(inItsTree) };
  try {
    const before = keptRow(id);
    const widths = await measureDrops(before.tree.id, before.row, inTree);
    const { tree, row } = keptRow(id);
    const plan = planDrops(useSession.getState().project, tree, row, inTree, widths, key);
    const wrong = commit(plan.edit, undefined, 'part');
    if (!wrong) announce([plan.sentence, ...plan.details].join(' '));
    return wrong;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Measures anew where items drop. @param isAsked whether somebody waits for an answer */
export async function fitAgain(id: string, isAsked = true): Promise<void> {
  try {
    const at = keptRow(id);
    const before = useSession.getState().project;
    const widths = await measureDrops(at.tree.id, at.row);
    const { project } = useSession.getState();
    // Something else has been done meanwhile, after which it is measured again.
    if (project !== before && !isAsked) return;
    const { tree, row } = keptRow(id);
    if (dropOrder(project, tree, row).length !== widths.length) return;
    const plan = planFitDrops(project, tree, row, widths, key);
    const wrong = commit(plan.edit, undefined, 'part');
    if (wrong) report(wrong);
    else announce([plan.sentence, ...plan.details].join(' '));
  } catch (error) {
    if (error instanceof PlanError) {
      if (isAsked) announce(error.message);
    } else if (isAsked || !(error instanceof Refused)) report((error as Error).message);
  }
}

/** Nothing drops out of a row any more. */
export function noDrops(id: string): void {
  propose((project) => {
    const { tree, row } = keptRow(id);
    return planNoDrops(project, tree, row);
  });
}

/** Ms after an edit before what drops is measured again. */
const PAUSE_MS = 900;
let timer: ReturnType<typeof setTimeout> | undefined;

/**
 * Keeps what drops right after one's own edits: as soon as they are saved, every row of the page is measured again. What was undone isn't
 * done again; the audit says when items drop at wrong widths.
 */
export function keepDropsRight(): () => void {
  const stop = useSession.subscribe((now, before) => {
    if (now.project === before.project || now.project.id !== before.project.id) return;
    const [last, was] = [now.history, before.history].map(({ undo }) => undo[undo.length - 1]);
    // What comes in from elsewhere is kept right where it was made.
    if (last === was) return;
    clearTimeout(timer);
    const isUndone = now.history.undo.length < before.history.undo.length;
    const isRedone = last !== undefined && before.history.redo.some(({ id }) => id === last.id);
    if (isUndone || isRedone) return;
    const page = shownPage(now);
    const rows = Object.keys(page.elements).filter((id) => dropsShown(now.project, page, id));
    if (rows.length === 0) return;
    timer = setTimeout(() => void fitAll(rows), PAUSE_MS);
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

async function fitAll(rows: readonly string[]): Promise<void> {
  for (const id of rows) await fitAgain(id, false);
}
