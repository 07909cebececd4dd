import { find } from './nodes';

/** By which a document in a frame asks for states that come and go. */
export const HELD = 'data-mp-held';

let marks: readonly (readonly [id: string, states: string])[] = [];

/** Elements that look as if they were pointed at, focused or pressed, in place of those from before. */
export function hold(next: readonly (readonly [id: string, states: string])[]): void {
  marks = next;
  for (const element of document.querySelectorAll(`[${HELD}]`)) element.removeAttribute(HELD);
  holdAgain();
}

/** Marks them once more, after elements have been put in anew. */
export function holdAgain(): void {
  for (const [id, states] of marks) find(id)?.setAttribute(HELD, states);
}
