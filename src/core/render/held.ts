import { HELD_ATTRIBUTE } from '../audit/codes';
import type { Held } from '../breakpoints/viewport';

const IN_STATE = /(?<![:\\]):(hover|active|focus-visible|focus)(?![\w-])/g;

/** Selectors, or a whole sheet, as frames take them: they ask for states as elements are held in them. */
export const heldSelectors = (css: string): string =>
  css.replace(IN_STATE, (_, state: string) => `[${HELD_ATTRIBUTE}~="${state === 'focus' ? 'focus-visible' : state}"]`);

/** The elements that a frame marks, with the states each is held in: what is focused doesn't reach what it stands in. */
export function heldMarks(held: Held | undefined): readonly (readonly [id: string, states: string])[] {
  if (!held) return [];
  const reaching = held.states.filter((state) => state !== 'focus-visible');
  return [
    [held.element, held.states.join(' ')],
    ...(reaching.length > 0 ? held.around.map((id) => [id, reaching.join(' ')] as const) : []),
  ];
}
