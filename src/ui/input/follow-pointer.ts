export interface Drag {
  /** The pointer's place in the window, px. */
  readonly x: number;
  readonly y: number;
  /** How far it has come since it was pressed. */
  readonly dx: number;
  readonly dy: number;
  /** Modifiers as they are held now. */
  readonly shift: boolean;
  readonly alt: boolean;
  readonly ctrl: boolean;
}

/** Below this many px a press is a press, not a drag. */
const SLACK = 2;

/**
 * Follows the pointer from a press until it's let go. Frames are deaf meanwhile: the pointer over a frame would
 * otherwise talk to the page inside it.
 * @param cancelled called instead of `ended` when Escape takes the drag back, or the browser takes the finger to scroll by; without it Escape
 * does nothing
 */
export function followPointer(
  event: React.PointerEvent<HTMLElement>,
  moved: (drag: Drag) => void,
  ended: (wasDrag: boolean) => void = () => undefined,
  cancelled?: () => void,
): void {
  if (event.button !== 0) return;
  const element = event.currentTarget;
  const start = { x: event.clientX, y: event.clientY };
  let wasDrag = false;
  element.setPointerCapture(event.pointerId);
  document.documentElement.dataset.dragging = '';
  let latest: Drag | undefined;
  let frame = 0;
  // Mice report more often than screens show; one call a frame is all that can be seen.
  const tell = () => {
    frame = 0;
    if (latest) moved(latest);
    latest = undefined;
  };
  const move = (at: PointerEvent) => {
    const dx = at.clientX - start.x;
    const dy = at.clientY - start.y;
    if (Math.abs(dx) > SLACK || Math.abs(dy) > SLACK) wasDrag = true;
    if (!wasDrag) return;
    latest = { x: at.clientX, y: at.clientY, dx, dy, shift: at.shiftKey, alt: at.altKey, ctrl: at.ctrlKey || at.metaKey };
    frame ||= requestAnimationFrame(tell);
  };
  let takenBack = false;
  const escape = (key: KeyboardEvent) => {
    if (key.key !== 'Escape' || !cancelled || !wasDrag) return;
    key.preventDefault();
    key.stopPropagation();
    takenBack = true;
    element.releasePointerCapture(event.pointerId);
  };
  addEventListener('keydown', escape, true);
  // The browser took the finger to scroll by: nothing was dragged.
  const taken = () => (takenBack = cancelled !== undefined);
  element.addEventListener('pointercancel', taken, { once: true });
  const end = () => {
    delete document.documentElement.dataset.dragging;
    removeEventListener('keydown', escape, true);
    element.removeEventListener('pointermove', move);
    element.removeEventListener('pointercancel', taken);
    cancelAnimationFrame(frame);
    if (takenBack) return cancelled?.();
    tell();
    ended(wasDrag);
  };
  element.addEventListener('pointermove', move);
  element.addEventListener('lostpointercapture', end, { once: true });
}
