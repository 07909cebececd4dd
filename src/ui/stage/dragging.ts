import { create } from 'zustand';
import { specifiedValue } from '@/core/cascade';
import { parentOf } from '@/core/document';
import { describeTarget } from '@/core/edits';
import { planColumn, planOrder } from '@/core/plans';
import type { Drop, Rect, Spot, Survey } from '@/core/structure';
import { columnAt, dropAt, framedBy } from '@/core/structure';
import { announce, report } from '../session/edits';
import { planned, lockedAmong, moveTo, tops } from '../session/tree';
import { select } from '../session/actions';
import { shownPage, shownProject, useSession, writeTarget } from '../session/store';
import { surveyFrame } from './frame-link';

interface Dragging {
  /** Where what is dragged would go, in the page's px. */
  readonly drop: Drop | undefined;
  /** What letting go would do, in words, and where the pointer is. */
  readonly words: string;
  readonly at: { readonly x: number; readonly y: number } | undefined;
  /** The rectangle drawn around elements to choose. */
  readonly around: Rect | undefined;
}

const NOTHING: Dragging = { drop: undefined, words: '', at: undefined, around: undefined };
export const useDragging = create<Dragging>(() => NOTHING);

/** What is being dragged: elements of the page, or something new with its tag. */
interface Load {
  readonly ids: readonly string[];
  readonly tags: readonly string[];
  readonly name: string;
  readonly put: (spot: Spot) => void;
}

let load: Load | undefined;
let survey: Survey | undefined;
let start: { x: number; y: number } | undefined;
let finish: (() => void) | undefined;

export function clearDragging(): void {
  load = survey = start = finish = undefined;
  useDragging.setState(NOTHING);
}

function takeSurvey(): void {
  const mine = surveyFrame();
  survey = undefined;
  void mine.then((answer) => (survey = answer));
}

/** Something is picked up. */
export function pickUp(what: Load): void {
  load = what;
  takeSurvey();
}

/** Elements of the page are picked up, unless one of them is locked. */
export function pickUpElements(ids: readonly string[]): boolean {
  const locked = lockedAmong(ids);
  if (locked) report(`${locked} is locked. Unlock it to move it.`);
  if (locked || ids.length === 0) return false;
  const { elements } = shownPage(useSession.getState());
  pickUp({
    ids,
    tags: ids.map((id) => elements[id]!.tag),
    name: ids.length === 1 ? elements[ids[0]!]!.name : `${ids.length} elements`,
    put: (spot) => moveTo(ids, spot),
  });
  return true;
}

const nameOf = (id: string) => shownPage(useSession.getState()).elements[id]?.name ?? '';

/** Where it would go and what that would be, while it's carried about. */
export function carry(x: number, y: number, hereOnly: boolean): void {
  if (!load || !survey) return;
  const page = shownPage(useSession.getState());
  const drop = dropAt(page, survey, x, y, new Set(load.ids), load.tags);
  finish = undefined;
  if (!drop) return useDragging.setState({ drop, at: { x, y }, words: `${load.name} can't stand here.` });
  const here = hereOnly && load.ids.length === 1 ? hereWords(load.ids[0]!, drop, x) : undefined;
  if (here) {
    finish = here.put;
    return useDragging.setState({ drop, at: { x, y }, words: here.words });
  }
  const { put } = load;
  finish = () => put(drop);
  const from = load.ids[0] && parentOf(page, load.ids[0])?.id;
  const where = from === drop.parent ? `within ${nameOf(drop.parent)}` : `into ${nameOf(drop.parent)}`;
  const how = load.ids.length > 0 ? 'Moves in the document' : 'Put in';
  useDragging.setState({ drop, at: { x, y }, words: `${how}, ${where}, at all widths` });
}

/** Moving only as it looks at the write target: by column where it stands in one, else by `order`. */
function hereWords(id: string, drop: Drop, x: number): { words: string; put: () => void } {
  const session = useSession.getState();
  const page = shownPage(session);
  const parent = parentOf(page, id);
  const at = writeTarget(session);
  const where = describeTarget(session.project, at);
  if (parent?.id !== drop.parent)
    return {
      words: `Only its place within ${parent?.name ?? 'its parent'} can change at ${where}`,
      put: () => undefined,
    };
  const start = specifiedValue(shownProject(session), page, id, 'grid-column-start', {
    ...session.slice,
    width: session.width,
  });
  const grid = survey?.get(parent.id);
  const column = grid?.flow === 'grid' && /^\d/.test(start) ? columnAt(grid, x) : undefined;
  if (column !== undefined)
    return {
      words: `Column ${column}, only at ${where}`,
      put: () => void planned((project, slice, one) => planColumn(project, slice, one, id, column, at)),
    };
  const before = parent.children[drop.index];
  return {
    words: `Only as it looks at ${where}: by order`,
    put: () => void carryOutOrder(id, before, at),
  };
}

function carryOutOrder(id: string, before: string | undefined, at: string): void {
  planned((project, slice, page) => ({ ...planOrder(project, slice, page, id, before, at), details: [] }));
}

/** It's let go of: what was said last is done. */
export function letGo(): void {
  const put = finish;
  clearDragging();
  put?.();
}

/** A rectangle is begun, to choose what lies in it. */
export function beginFrame(x: number, y: number): void {
  start = { x, y };
  takeSurvey();
}

export function drawFrame(x: number, y: number): void {
  if (!start) return;
  const around: Rect = [Math.min(x, start.x), Math.min(y, start.y), Math.abs(x - start.x), Math.abs(y - start.y)];
  useDragging.setState({ around, at: { x, y }, words: '' });
}

export function closeFrame(add: boolean): void {
  const { around } = useDragging.getState();
  const known = survey;
  clearDragging();
  if (!around || !known) return;
  const ids = framedBy(shownPage(useSession.getState()), known, around);
  if (ids.length > 0) select(add ? [...new Set([...useSession.getState().selection, ...ids])] : ids);
  announce(ids.length === 0 ? 'Nothing lies wholly in the frame.' : `${ids.length} elements selected.`);
}

/** What a drag that began on the page means. */
export function followPageDrag({
  phase,
  id,
  x,
  y,
  alt,
  shift,
  ctrl,
}: {
  readonly phase: 'start' | 'move' | 'end' | 'cancel';
  readonly id: string | null;
  readonly x: number;
  readonly y: number;
  readonly alt: boolean;
  readonly shift: boolean;
  readonly ctrl: boolean;
}): void {
  if (phase === 'cancel') return clearDragging();
  if (phase === 'start') {
    if (id === null || shift) return beginFrame(x, y);
    const chosen = tops();
    const inside = (one: string): boolean => {
      const page = shownPage(useSession.getState());
      for (let at: string | undefined = id; at; at = parentOf(page, at)?.id) if (at === one) return true;
      return false;
    };
    pickUpElements(chosen.some(inside) ? chosen : [id]);
  } else if (phase === 'move') {
    if (start) drawFrame(x, y);
    else carry(x, y, alt);
  } else if (start) {
    drawFrame(x, y);
    closeFrame(ctrl);
  } else {
    carry(x, y, alt);
    letGo();
  }
}
