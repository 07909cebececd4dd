import { create } from 'zustand';
import { specifiedValue } from '@/core/cascade';
import type { Shape } from '@/core/document';
import { ancestorsOf, parentOf, shapeOf } from '@/core/document';
import { describeTarget } from '@/core/edits';
import { planColumn, planOrder } from '@/core/plans';
import type { Drop, Rect, Spot, Survey } from '@/core/structure';
import { columnAt, dropAt, framedBy } from '@/core/structure';
import { announce, report } from '../editing/edits';
import { carryOut } from '../editing/proposal';
import { lockedAmong, moveTo, tops } from '../arranging/tree';
import { select } from '../view/actions';
import { shownPage, shownProject, useSession, writeTarget } from '../state/store';
import { latestLayout, postToFrame, surveyFrame } from './frame-link';
import type { FrameDrag } from './frame-message';

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
  readonly shapes: readonly Shape[];
  readonly name: string;
  readonly put: (spot: Spot) => void;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

let load: Load | undefined;
let survey: Survey | undefined;
/** Resolves when the survey that was asked for last is there. */
let asked: Promise<void> = Promise.resolve();
/** Where a frame began, and how far the page was scrolled then. */
let start: (Point & { readonly scrolled: number }) | undefined;
let finish: (() => void) | undefined;
let last: (Point & { readonly hereOnly: boolean }) | undefined;
let scrolling: ReturnType<typeof setInterval> | undefined;

/** Near to the frame's top or bottom, px, the page scrolls along, by this many px each time, ms. */
const NEAR = 28;
const STEP = 14;
const EVERY = 50;

const scrolledTo = () => latestLayout()?.scrollY ?? 0;

export function clearDragging(): void {
  clearInterval(scrolling);
  load = survey = start = finish = last = scrolling = undefined;
  useDragging.setState(NOTHING);
}

function takeSurvey(): void {
  asked = surveyFrame().then((answer) => void (survey = answer));
}

/** Something is picked up. */
export function pickUp(what: Load): void {
  load = what;
  takeSurvey();
}

/** The page has been scrolled: everything stands elsewhere in the frame, and so does what the pointer is over. */
export function pageScrolled(): void {
  if (!load && !start) return;
  takeSurvey();
  void asked.then(() => {
    if (last && start) drawFrame(last.x, last.y);
    else if (last) carry(last.x, last.y, last.hereOnly);
  });
}

function scrollNear(y: number): void {
  const height = latestLayout()?.height ?? Infinity;
  const by = y < NEAR ? -STEP : y > height - NEAR ? STEP : 0;
  clearInterval(scrolling);
  scrolling = by === 0 ? undefined : setInterval(() => postToFrame({ type: 'scroll', by }), EVERY);
}

/** Elements of the page are picked up, unless one of them is locked. */
function pickUpElements(ids: readonly string[]): boolean {
  const locked = lockedAmong(ids);
  if (locked) report(`${locked} is locked. Unlock it to move it.`);
  if (locked || ids.length === 0) return false;
  const { elements } = shownPage(useSession.getState());
  pickUp({
    ids,
    shapes: ids.map((id) => shapeOf(elements, id)),
    name: ids.length === 1 ? elements[ids[0]!]!.name : `${ids.length} elements`,
    put: (spot) => moveTo(ids, spot),
  });
  return true;
}

const nameOf = (id: string) => shownPage(useSession.getState()).elements[id]?.name ?? '';

/** Where it would go and what that would be, while it's carried about. */
export function carry(x: number, y: number, hereOnly: boolean): void {
  if (!load) return;
  last = { x, y, hereOnly };
  scrollNear(y);
  if (!survey) return;
  const page = shownPage(useSession.getState());
  const drop = dropAt(page, survey, x, y, new Set(load.ids), load.shapes);
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
      put: () => void carryOut((project, slice, one) => planColumn(project, slice, one, id, column, at)),
    };
  return {
    words: `Only as it looks at ${where}: by order`,
    put: () => void carryOut((project, slice, one) => planOrder(project, slice, one, id, drop.before, at)),
  };
}

/** It's let go of: what was said last is done. One that was quick waits until it's known where everything stands. */
export function letGo(): void {
  clearInterval(scrolling);
  void asked.then(() => {
    if (last) carry(last.x, last.y, last.hereOnly);
    const put = finish;
    clearDragging();
    put?.();
  });
}

/** A rectangle is begun, to choose what lies in it. */
function beginFrame(x: number, y: number): void {
  start = { x, y, scrolled: scrolledTo() };
  takeSurvey();
}

function drawFrame(x: number, y: number): void {
  if (!start) return;
  last = { x, y, hereOnly: false };
  scrollNear(y);
  const from = { x: start.x, y: start.y + start.scrolled - scrolledTo() };
  const around: Rect = [Math.min(x, from.x), Math.min(y, from.y), Math.abs(x - from.x), Math.abs(y - from.y)];
  useDragging.setState({ around, at: { x, y }, words: '' });
}

function closeFrame(add: boolean): void {
  clearInterval(scrolling);
  void asked.then(() => {
    const { around } = useDragging.getState();
    const known = survey;
    clearDragging();
    if (!around || !known) return;
    const ids = framedBy(shownPage(useSession.getState()), known, around);
    if (ids.length > 0) select(add ? [...new Set([...useSession.getState().selection, ...ids])] : ids);
    announce(
      ids.length === 0
        ? 'Nothing lies wholly in the frame.'
        : `${ids.length} ${ids.length === 1 ? 'element' : 'elements'} selected.`,
    );
  });
}

/** What a drag that began on the page means. */
export function followPageDrag({ phase, id, x, y, alt, shift, ctrl }: FrameDrag): void {
  if (phase === 'cancel') return clearDragging();
  if (phase === 'start') {
    if (id === null || shift) return beginFrame(x, y);
    const chosen = tops();
    const above = new Set([id, ...ancestorsOf(shownPage(useSession.getState()), id).map((one) => one.id)]);
    pickUpElements(chosen.some((one) => above.has(one)) ? chosen : [id]);
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
