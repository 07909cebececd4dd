import type { Page, PageElement, Project } from '@/core/document';
import { isInUse, partNamed, splitShownId, topOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import type { UsesFate } from '@/core/plans';
import { planMakePart, planRemovePart, planSwapPart, planTakeApart, whyNoPart } from '@/core/plans';
import type { Spot } from '@/core/structure';
import { placeFor } from '@/core/structure';
import { inItsTree, shownWithin } from '../arranging/in-part';
import { tops } from '../arranging/tree';
import { showMode } from '../devices/line-up';
import { announce, commit, commitOrReport, report } from '../editing/edits';
import { propose } from '../editing/proposal';
import { shownPage, steadyPage, useSession, writtenTo } from '../state/store';
import { key, newElementId, select, showPage } from '../view/actions';

/** The element through which a page shows another: the nearest use of a part, itself included. */
export function shownThrough(page: Page, id: string): PageElement | undefined {
  let at = id;
  for (;;) {
    const element = page.elements[at];
    if (element?.use) return element;
    const dot = at.lastIndexOf('.');
    if (dot < 0) return undefined;
    at = at.slice(0, dot);
  }
}

/** The part on the stage by itself; undefined where a page is. */
export const partOnStage = (project: Project, pageId: string): Page | undefined => partNamed(project, pageId);

/** Where one was before a part was opened. */
let before: string | undefined;

/** Shows a part by itself, to look at and shape it at widths of its own. */
export function openPart(id: string): void {
  const { project, pageId } = useSession.getState();
  if (!partOnStage(project, pageId)) before = pageId;
  showPage(id);
  showMode('shape');
  const top = topOf(partNamed(useSession.getState().project, id)!);
  if (top) select([top.id]);
}

/** Goes to where a part is used, at the stage. */
export function openUse(treeId: string, id: string): void {
  if (useSession.getState().pageId !== treeId) showPage(treeId);
  showMode('shape');
  select([id]);
}

/** Back to the page from which a part was opened. */
export function leavePart(): void {
  const { project } = useSession.getState();
  showPage(project.pages.find(({ id }) => id === before)?.id ?? project.pages[0]!.id);
}

/** The one element that is to become a part, or why not. */
export function partToBe(): { readonly id: string } | { readonly why: string } {
  const page = steadyPage(useSession.getState());
  const [id, more] = tops();
  if (id === undefined || more !== undefined) return { why: 'Select the one element to make a part of.' };
  const why = whyNoPart(page, id);
  return why ? { why } : { id };
}

/** Asks, where the same elements stand elsewhere too, whether they become uses as well. */
export function askMakePart(): void {
  const found = partToBe();
  if ('why' in found) return report(found.why);
  useSession.setState({ makingPart: found.id });
}

export function makePart(id: string, everywhere: boolean): void {
  const { project } = useSession.getState();
  const { edit } = planMakePart(project, id, everywhere, key);
  if (!commitOrReport(edit)) return;
  const use = edit.type === 'group' ? edit.edits.find((one) => one.type === 'insertElement') : undefined;
  if (use?.type === 'insertElement') select([use.elements[0]!.id]);
}

/** Puts a use of a part in, where it is shown by nobody else's choice: into what is selected, or near it. */
export function insertPart(id: string, at?: Spot): void {
  const session = useSession.getState();
  const page = shownPage(session);
  const part = partNamed(session.project, id);
  const top = part && topOf(part);
  if (!part || !top) return;
  const from = session.selection[session.selection.length - 1] ?? page.root;
  const spot = at ?? placeFor(page, from, { tag: top.tag, name: part.name });
  if (!spot) return report(`There is no place for ${part.name} around what is selected.`);
  const use: PageElement = {
    ...{ id: newElementId(), tag: top.tag, name: part.name, attributes: {}, children: [], shared: [], styles: {} },
    use: { part: id, says: {} },
  };
  const edit: Edit = { type: 'insertElement', page: page.id, parent: spot.parent, index: spot.index, elements: [use] };
  if (commitOrReport(edit)) select([shownWithin(page, spot.parent, use.id)]);
}

/** Makes the elements of the use that is selected independent of its part. */
export function takeApart(): void {
  const session = useSession.getState();
  const [id] = session.selection;
  const use = id === undefined ? undefined : shownThrough(steadyPage(session), id);
  if (!use) return report('Select a use of a part, or something in it, to take it apart.');
  propose((project) => planTakeApart(project, inItsTree(use.id), key));
}

export const swapPart = (useId: string, part: string): void =>
  propose((project) => planSwapPart(project, inItsTree(useId), part));

export function removePart(id: string, fate: UsesFate): void {
  const session = useSession.getState();
  try {
    const { edit } = planRemovePart(session.project, id, fate, key);
    if (session.pageId === id) leavePart();
    commitOrReport(edit);
  } catch (error) {
    report((error as Error).message);
  }
}

/** Leaves out what is selected of a part, where this use shows it. */
export function leaveOut(): void {
  const chosen = tops().filter(isInUse);
  if (chosen.length === 0) return report('Only what a use of a part shows can be left out here; remove the rest.');
  const edits = chosen.map((node): Edit => ({ type: 'setHidden', node, hidden: true }));
  const holder = splitShownId(chosen[0]!).holder;
  if (commitOrReport(edits.length === 1 ? edits[0]! : { type: 'group', label: 'Leave out here', edits })) select([holder]);
}

/** Takes back what one use says; it is written there, whatever else is chosen. */
export const takeBack = (edit: Edit): string | undefined => commit(edit, undefined, 'here');

/** Chooses where edits of what a use shows go, by key. */
export function flipWritten(): void {
  const session = useSession.getState();
  const { elements } = shownPage(session);
  if (!session.selection.some((id) => elements[id]?.layers)) return announce('What is selected belongs to no part.');
  const next = writtenTo(session) === 'part' ? 'here' : 'part';
  useSession.setState({ chosenWritten: next, marked: [] });
  announce(next === 'part' ? 'Edits go to the part, for all of its uses.' : 'Edits go to this use only.');
}
