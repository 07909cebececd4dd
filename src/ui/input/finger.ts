/*
 * What is dragged is larger for fingers, and what keys do is shown as buttons. Many machines have a mouse and a screen to touch: the one
 * that was used last counts, and at first the one that the browser takes for the main one (Media Queries 4, 7.1).
 */

/** What was pressed last was pressed with a finger, or otherwise. */
export function sayFinger(finger: boolean): void {
  if (finger) document.documentElement.dataset.finger = '';
  else delete document.documentElement.dataset.finger;
}

/** Keeps `data-finger` on the document while fingers are used; frames say of theirs by messages. @returns ends it */
export function watchFingers(): () => void {
  sayFinger(matchMedia('(pointer: coarse)').matches);
  const used = ({ pointerType }: PointerEvent) => sayFinger(pointerType === 'touch');
  // Presses only: of a mouse that moves browsers also tell after a tap.
  addEventListener('pointerdown', used, true);
  return () => removeEventListener('pointerdown', used, true);
}

export const byFinger = (): boolean => document.documentElement.dataset.finger !== undefined;
