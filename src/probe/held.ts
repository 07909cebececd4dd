import { HELD_ATTRIBUTE } from '@/core/audit/codes';
import { find } from './nodes';

let marks: readonly (readonly [id: string, states: string])[] = [];

/** Elements that look as if they were pointed at, focused or pressed, in place of those from before. */
export function hold(next: readonly (readonly [id: string, states: string])[]): void {
  marks = next;
  for (const element of document.querySelectorAll(`[${HELD_ATTRIBUTE}]`)) element.removeAttribute(HELD_ATTRIBUTE);
  holdAgain();
}

/** Whether it is the editor that holds an element in a state, whatever the pointer does. */
export const isHeldByEditor = (element: Element, state: string): boolean =>
  marks.some(([id, states]) => states.split(' ').includes(state) && find(id) === element);

/** Marks them once more, after elements have been put in anew. */
export function holdAgain(): void {
  for (const [id, states] of marks) find(id)?.setAttribute(HELD_ATTRIBUTE, states);
}
