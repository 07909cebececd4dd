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
import type { Dragging } from '../state/dragging-slice';
import { NOTHING_DRAGGED } from '../state/dragging-slice';
import { shownPage, shownProject, useDragging, useSession, writeTarget } from '../state/store';
import { latestLayout, postToFrame, surveyFrame } from './frame-link';
import type { FrameDrag } from '../preview/frame-message';

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

/** One drag, from its start to what letting go does. What one of them waits for never touches another. */
interface Gesture {
  /** What is carried; absent while a frame is drawn. */
  readonly load?: Load;
  /** Where a frame began, and how far the page was scrolled then. */
  readonly start?: Point & { readonly scrolled: number };
  survey?: Survey;
  /** Resolves when the survey that was asked for last is there. */
  asked: Promise<void>;
  finish?: (() => void) | undefined;
  last?: Point & { readonly hereOnly: boolean };
  scrolling?: ReturnType<typeof setInterval> | undefined;
}

let current: Gesture | undefined;

/** Near to the frame's top or bottom, px, the page scrolls along, by this many px each time, ms. */
const NEAR = 28;
const STEP = 14;
const EVERY = 50;

const scrolledTo = () => latestLayout()?.scrollY ?? 0;

function begin(what: Pick<Gesture, 'load' | 'start'>): void {
  clearDragging();
  current = { ...what, asked: Promise.resolve() };
  takeSurvey(current);
}

/** It's over, whatever came of it. */
export function clearDragging(gesture = current): void {
  clearInterval(gesture?.scrolling);
  if (gesture !== current) return;
  current = undefined;
  useDragging.setState(NOTHING_DRAGGED);
}

function show(gesture: Gesture, change: Partial<Dragging>): void {
  if (gesture === current) useDragging.setState(change);
}

function takeSurvey(gesture: Gesture): void {
  gesture.asked = surveyFrame().then((answer) => void (gesture.survey = answer));
}

/** Something is picked up. */
export const pickUp = (load: Load): void => begin({ load });

/** The page has been scrolled: everything stands elsewhere in the frame, and so does what the pointer is over. */
export function pageScrolled(): void {
  const gesture = current;
  if (!gesture) return;
  takeSurvey(gesture);
  void gesture.asked.then(() => {
    const { last } = gesture;
    if (last && gesture.start) drawFrame(gesture, last.x, last.y);
    else if (last) carryOn(gesture, last.x, last.y, last.hereOnly);
  });
}

function scrollNear(gesture: Gesture, y: number): void {
  const height = latestLayout()?.height ?? Infinity;
  const by = y < NEAR ? -STEP : y > height - NEAR ? STEP : 0;
  clearInterval(gesture.scrolling);
  gesture.scrolling = by === 0 ? undefined : setInterval(() => postToFrame({ type: 'scroll', by }), EVERY);
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
  if (current) carryOn(current, x, y, hereOnly);
}

function carryOn(gesture: Gesture, x: number, y: number, hereOnly: boolean): void {
  const { load, survey } = gesture;
  if (!load) return;
  gesture.last = { x, y, hereOnly };
  scrollNear(gesture, y);
  if (!survey) return;
  const page = shownPage(useSession.getState());
  const drop = dropAt(page, survey, x, y, new Set(load.ids), load.shapes);
  gesture.finish = undefined;
  if (!drop) return show(gesture, { drop, at: { x, y }, words: `${load.name} can't stand here.` });
  const here = hereOnly && load.ids.length === 1 ? hereWords(load.ids[0]!, drop, x, survey) : undefined;
  if (here) {
    gesture.finish = here.put;
    return show(gesture, { drop, at: { x, y }, words: here.words });
  }
  gesture.finish = () => load.put(drop);
  const from = load.ids[0] && parentOf(page, load.ids[0])?.id;
  const where = from === drop.parent ? `within ${nameOf(drop.parent)}` : `into ${nameOf(drop.parent)}`;
  const how = load.ids.length > 0 ? 'Moves in the document' : 'Put in';
  show(gesture, { drop, at: { x, y }, words: `${how}, ${where}, at all widths` });
}

/** Moving only as it looks at the write target: by column where it stands in one, else by `order`. */
function hereWords(id: string, drop: Drop, x: number, survey: Survey): { words: string; put: () => void } {
  const session = useSession.getState();
  const page = shownPage(session);
  const parent = parentOf(page, id);
  const at = writeTarget(session);
  const where = describeTarget(session.project, at);
  if (parent?.id !== drop.parent)
    return { words: `Only its place within ${parent?.name ?? 'its parent'} can change at ${where}`, put: () => undefined };
  const start = specifiedValue(shownProject(session), page, id, 'grid-column-start', { ...session.slice, width: session.width });
  const grid = survey.get(parent.id);
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
  const gesture = current;
  if (!gesture) return;
  clearInterval(gesture.scrolling);
  void gesture.asked.then(() => {
    const { last } = gesture;
    if (last) carryOn(gesture, last.x, last.y, last.hereOnly);
    clearDragging(gesture);
    gesture.finish?.();
  });
}

function drawFrame(gesture: Gesture, x: number, y: number): void {
  const { start } = gesture;
  if (!start) return;
  gesture.last = { x, y, hereOnly: false };
  scrollNear(gesture, y);
  show(gesture, { around: frameFrom(start, x, y), at: { x, y }, words: '' });
}

/** The rectangle from where it began to the pointer, as the page is scrolled now. */
function frameFrom(start: NonNullable<Gesture['start']>, x: number, y: number): Rect {
  const from = { x: start.x, y: start.y + start.scrolled - scrolledTo() };
  return [Math.min(x, from.x), Math.min(y, from.y), Math.abs(x - from.x), Math.abs(y - from.y)];
}

function closeFrame(gesture: Gesture, add: boolean): void {
  clearInterval(gesture.scrolling);
  void gesture.asked.then(() => {
    const { start, last, survey } = gesture;
    clearDragging(gesture);
    if (!start || !last || !survey) return;
    const ids = framedBy(shownPage(useSession.getState()), survey, frameFrom(start, last.x, last.y));
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
    // A rectangle is begun, to choose what lies in it.
    if (id === null || shift) return begin({ start: { x, y, scrolled: scrolledTo() } });
    const chosen = tops();
    const above = new Set([id, ...ancestorsOf(shownPage(useSession.getState()), id).map((one) => one.id)]);
    pickUpElements(chosen.some((one) => above.has(one)) ? chosen : [id]);
    return;
  }
  if (!current) return;
  if (current.start) drawFrame(current, x, y);
  else carryOn(current, x, y, alt);
  if (phase === 'move') return;
  if (current.start) closeFrame(current, ctrl);
  else letGo();
}
