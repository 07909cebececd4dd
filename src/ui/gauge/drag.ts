/** Follows the pointer from a press until it's let go. `moved` gets the place relative to the element's left edge. */
export function followPointer(event: React.PointerEvent<HTMLElement>, origin: HTMLElement, moved: (x: number) => void, ended: (wasDrag: boolean) => void): void {
  const element = event.currentTarget;
  const { left } = origin.getBoundingClientRect();
  const start = event.clientX;
  let wasDrag = false;
  element.setPointerCapture(event.pointerId);
  const move = (at: PointerEvent) => {
    if (Math.abs(at.clientX - start) > 2) wasDrag = true;
    if (wasDrag) moved(at.clientX - left);
  };
  const end = () => {
    element.removeEventListener('pointermove', move);
    ended(wasDrag);
  };
  element.addEventListener('pointermove', move);
  element.addEventListener('lostpointercapture', end, { once: true });
}
