import type { Page } from '@/core/document';
import { childIds, isInUse, pageOf, parentOf, shapeOf, subtreeOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { insideOf } from '@/core/edits';
import { PlanError, planGroup, planMove, planUngroup } from '@/core/plans';
import type { Spot } from '@/core/structure';
import { alike, mayStand, topmost } from '@/core/structure';
import { key, newElementId, select } from '../view/actions';
import { announce, commitOrReport, report } from '../editing/edits';
import { carryOut, carryOutOrPropose, propose } from '../editing/proposal';
import { inItsTree, removalFromPart, shownBeside } from './in-part';
import { shownPage, useSession, writtenTo } from '../state/store';

const page = (): Page => shownPage(useSession.getState());

/** Selected elements that don't stand inside another selected one, without the body, in the order of the page. */
export const tops = (): string[] => topmost(page(), useSession.getState().selection);

/** One edit of several; the only one stands for itself. */
export const together = (label: string, edits: readonly Edit[]): Edit =>
  edits.length === 1 ? edits[0]! : { type: 'group', label, edits };

export function lockedAmong(ids: readonly string[]): string | undefined {
  const { elements } = page();
  return ids.map((id) => elements[id]).find((element) => element?.locked)?.name;
}

export function removeSelected(): void {
  const nodes = tops();
  if (nodes.length === 0) return report('Select something to remove. The body of a page stays.');
  const locked = lockedAmong(nodes);
  if (locked) return report(`${locked} is locked. Unlock it to remove it.`);
  const next = parentOf(page(), nodes[0]!)?.id;
  const edits = nodes.map((node): Edit => ({ type: 'removeElement', node }));
  const session = useSession.getState();
  if (nodes.some(isInUse) && writtenTo(session) === 'part') return propose(() => removalFromPart(session.project, page(), nodes));
  if (commitOrReport(together(`Remove ${edits.length} elements`, edits)) && next) select([next]);
}

export function duplicateSelected(): void {
  const copies: string[] = [];
  const edits = tops().map((node): Edit => {
    const ids = Object.fromEntries(subtreeOf(page(), node).map((element) => [element.id, newElementId()]));
    copies.push(shownBeside(node, ids[node]!));
    return { type: 'duplicateElement', node, ids };
  });
  if (edits.length === 0) return report('Select something to duplicate.');
  if (commitOrReport(together(`Duplicate ${edits.length} elements`, edits))) select(copies);
}

export function moveTo(ids: readonly string[], spot: Spot): void {
  carryOutOrPropose((project, slice, { id }) => {
    const parent = insideOf(project, spot.parent);
    const nodes = ids.map(inItsTree);
    const tree = [...project.parts, pageOf(project, id)!].find(({ elements }) => parent in elements)!;
    if (nodes.some((node) => !(node in tree.elements))) throw new PlanError(NOT_ACROSS);
    return planMove(project, slice, tree.id, nodes, { ...spot, parent });
  });
}

const NOT_ACROSS = "What stands in a part can't be moved out of it, nor anything into it: copy it, or take the use apart.";

/** The tree in which what is chosen is kept, the page or a part, and under which ids. */
export function keptIn(ids: readonly string[]): { readonly tree: Page; readonly ids: readonly string[] } {
  const { project } = useSession.getState();
  const nodes = ids.map(inItsTree);
  const tree = [page(), ...project.parts].find(({ elements }) => nodes.every((node) => node in elements));
  if (!tree) throw new PlanError(NOT_ACROSS);
  return { tree, ids: nodes };
}

/** Moves what is selected among its siblings. */
export function moveSelected(by: 1 | -1): void {
  const nodes = tops();
  const parent = nodes[0] && parentOf(page(), nodes[0]);
  if (!parent) return;
  const places = nodes.map((node) => childIds(parent).indexOf(node));
  const index = by < 0 ? Math.min(...places) - 1 : Math.max(...places) + 2;
  if (index < 0 || index > childIds(parent).length) return announce('It already stands at the end.');
  moveTo(nodes, { parent: parent.id, index });
}

/** Moves what is selected out of its parent, right after it. */
export function moveOut(): void {
  const nodes = tops();
  const parent = nodes[0] && parentOf(page(), nodes[0]);
  const outer = parent && parentOf(page(), parent.id);
  if (!outer) return announce('It already stands outermost.');
  moveTo(nodes, { parent: outer.id, index: childIds(outer).indexOf(parent.id) + 1 });
}

/** Moves what is selected into the element before it. */
export function moveIn(): void {
  const nodes = tops();
  const parent = nodes[0] && parentOf(page(), nodes[0]);
  const before = parent && page().elements[childIds(parent)[childIds(parent).indexOf(nodes[0]!) - 1] ?? ''];
  if (!before) return announce('No element stands before it that it could go into.');
  if (!nodes.every((node) => mayStand(page(), before.id, shapeOf(page().elements, node))))
    return announce(`It can't stand in ${before.name}.`);
  moveTo(nodes, { parent: before.id, index: childIds(before).length });
}

export function groupSelected(): void {
  const id = newElementId();
  const { selection } = useSession.getState();
  const made = carryOut(() => {
    const { tree, ids } = keptIn(selection);
    return planGroup(tree, ids, id);
  });
  if (made) select([shownBeside(selection[0]!, id)]);
}

export function ungroupSelected(): void {
  const inside = tops().flatMap((id) => childIds(page().elements[id]!));
  const done = carryOutOrPropose(() => {
    const { tree, ids } = keptIn(useSession.getState().selection);
    return planUngroup(tree, ids);
  });
  if (done) select(inside);
}

export function selectSiblings(): void {
  const { selection } = useSession.getState();
  const all = selection.flatMap((id) => {
    const parent = parentOf(page(), id);
    return parent ? childIds(parent) : [];
  });
  if (all.length > 0) choose(all, 'siblings');
}

export function selectAlike(): void {
  const { selection } = useSession.getState();
  const all = selection.flatMap((id) => alike(page(), id));
  if (all.length > 0) choose(all, 'alike');
}

function choose(ids: readonly string[], what: string): void {
  const unique = [...new Set(ids)];
  select(unique);
  announce(`${unique.length} ${what} selected.`);
}

/** From what is selected to what it stands in. */
export function selectOuter(): void {
  const { selection } = useSession.getState();
  const parents = [...new Set(selection.flatMap((id) => parentOf(page(), id)?.id ?? []))];
  if (selection.length > 0) select(parents.slice(0, 1));
}

/** From what is selected to the first element in it. Returns whether there is one. */
export function selectInner(): boolean {
  const [id] = useSession.getState().selection;
  const element = id === undefined ? undefined : page().elements[id];
  const first = element && childIds(element)[0];
  if (first) select([first]);
  return first !== undefined;
}

export function toggleLock(ids = useSession.getState().selection): void {
  const { elements, root } = page();
  const nodes = ids.filter((id) => id !== root);
  if (nodes.length === 0) return announce('Select something to lock. The body of a page is never locked.');
  const locked = !nodes.every((id) => elements[id]?.locked);
  const edits = nodes.map((node): Edit => ({ type: 'setLocked', node, locked }));
  commitOrReport(together(`${locked ? 'Lock' : 'Unlock'} ${nodes.length} elements`, edits));
}

export const newBlockId = () => `o${key()}`;
