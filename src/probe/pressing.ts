import { find, idOf, send } from './nodes';

/** What a press on the page means: choosing, dragging what was pressed, or drawing a frame around elements. */
const SLACK = 3;
/** A finger rolls; and a page that is scrolled with it is let go of by then, px. */
const FINGER_SLACK = 10;
/** A finger that stays for so long drags what it is on, ms; one that moves before scrolls the page. */
const HOLD_MS = 350;

interface Press {
  readonly id: string | undefined;
  readonly pointer: number;
  readonly x: number;
  readonly y: number;
  /**
   * Chosen on release unless it becomes a drag: what is chosen already may be dragged as a whole, and with a key held a
   * frame may be drawn.
   */
  later: boolean;
  readonly add: boolean;
  /** Moving it drags, rather than scrolls the page. */
  holds: boolean;
  readonly slack: number;
  dragging: boolean;
}

let press: Press | undefined;
let chosen: readonly string[] = [];
let locked: ReadonlySet<string> = new Set();
/** What was chosen before the last press, for a second press that goes one level further in. */
let chosenBefore: readonly string[] = [];
let frame = 0;
let holding: ReturnType<typeof setTimeout> | undefined;
let latest: PointerEvent | undefined;

export function setChosen(ids: readonly string[], lockedIds: readonly string[]): void {
  chosen = ids;
  locked = new Set(lockedIds);
}

/** The innermost element that isn't locked. */
export function pressable(target: EventTarget | null): string | undefined {
  let element = (target instanceof Element ? target : (target as Node | null)?.parentElement) ?? null;
  for (; element; element = element.parentElement) {
    const id = idOf(element);
    if (id && !locked.has(id)) return id;
  }
  return undefined;
}

const keysOf = (event: PointerEvent | MouseEvent) => ({
  shift: event.shiftKey,
  ctrl: event.ctrlKey || event.metaKey,
  alt: event.altKey,
});

const tellDrag = (phase: 'start' | 'move' | 'end' | 'cancel', event: PointerEvent) =>
  send({ type: 'drag', phase, id: press?.id ?? null, x: event.clientX, y: event.clientY, ...keysOf(event) });

function insideChosen(id: string | undefined): boolean {
  const element = id === undefined ? null : find(id);
  return chosen.some((one) => one !== idOf(document.body) && find(one)?.contains(element));
}

/** @param busy whether the press belongs to something else, such as a text that is being written */
export function listenToPresses(busy: (event: PointerEvent) => boolean): void {
  addEventListener('pointerdown', (event) => {
    if (busy(event) || event.button !== 0) return;
    const id = pressable(event.target);
    const add = event.shiftKey || event.ctrlKey || event.metaKey;
    const inside = insideChosen(id);
    // Whether a finger chooses or scrolls is known when it moves or is lifted. A pen on what is chosen drags, as a mouse does.
    const finger = event.pointerType === 'touch' || (event.pointerType === 'pen' && !inside);
    const later = add || inside || finger;
    clearTimeout(holding);
    if (finger) holding = setTimeout(hold, HOLD_MS, event.pointerId);
    press = {
      id: id === idOf(document.body) ? undefined : id,
      pointer: event.pointerId,
      x: event.clientX,
      y: event.clientY,
      later,
      add,
      holds: !finger,
      slack: finger ? FINGER_SLACK : SLACK,
      dragging: false,
    };
    if (!later) send({ type: 'select', id: id ?? null, add: false });
  });
  // Only mouse events count presses that belong together; this one comes before the answer to the press above.
  addEventListener('mousedown', (event) => {
    if (event.detail < 2) chosenBefore = chosen;
  });
  addEventListener('pointermove', (event) => {
    if (!press || event.pointerId !== press.pointer || !(event.buttons & 1)) return;
    if (!press.dragging) {
      if (Math.hypot(event.clientX - press.x, event.clientY - press.y) <= press.slack) return;
      if (!press.holds) return letGo();
      press.dragging = true;
      document.documentElement.setPointerCapture(event.pointerId);
      document.documentElement.style.setProperty('user-select', 'none');
      getSelection()?.removeAllRanges();
      send({ type: 'drag', phase: 'start', id: press.id ?? null, x: press.x, y: press.y, ...keysOf(event) });
    }
    // One message for each picture is all that can be seen.
    latest = event;
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      if (press?.dragging && latest) tellDrag('move', latest);
    });
  });
  // A browser that is told so before it begins to scroll leaves the finger to the page.
  addEventListener('touchmove', (event) => press?.holds && event.cancelable && event.preventDefault(), { passive: false });
  addEventListener('contextmenu', (event) => press && press.slack === FINGER_SLACK && event.preventDefault());
  const end = (event: PointerEvent, phase: 'end' | 'cancel') => {
    clearTimeout(holding);
    if (!press || event.pointerId !== press.pointer) return;
    if (press.dragging) {
      cancelAnimationFrame(frame);
      frame = 0;
      tellDrag(phase, event);
      document.documentElement.style.removeProperty('user-select');
    } else if (press.later && phase === 'end') send({ type: 'select', id: press.id ?? null, add: press.add });
    press = undefined;
  };
  addEventListener('pointerup', (event) => end(event, 'end'));
  addEventListener('pointercancel', (event) => end(event, 'cancel'));
  addEventListener('dragstart', (event) => event.preventDefault());
}

/** A finger has stayed where it was put down: what it is on is chosen, and follows it from now on. */
function hold(pointer: number): void {
  if (!press || press.pointer !== pointer) return;
  press.holds = true;
  if (insideChosen(press.id)) return;
  press.later = false;
  send({ type: 'select', id: press.id ?? null, add: press.add });
}

/** It scrolls the page. */
function letGo(): void {
  clearTimeout(holding);
  press = undefined;
}

/** Ends a drag that goes on, as if it had never been. */
export function cancelDrag(): boolean {
  if (!press?.dragging) return false;
  send({ type: 'drag', phase: 'cancel', id: press.id ?? null, x: press.x, y: press.y, shift: false, ctrl: false, alt: false });
  document.documentElement.style.removeProperty('user-select');
  press = undefined;
  return true;
}

/** One level further in from what was chosen before the two presses; undefined where those didn't hold the target. */
export function furtherIn(target: EventTarget | null): string | undefined {
  const id = pressable(target);
  const element = id === undefined ? null : find(id);
  const outer = chosenBefore.length === 1 ? find(chosenBefore[0]!) : null;
  if (!element || !outer || outer === element || !outer.contains(element)) return undefined;
  let step: Element = element;
  while (step.parentElement && step.parentElement !== outer) step = step.parentElement;
  return idOf(step);
}
