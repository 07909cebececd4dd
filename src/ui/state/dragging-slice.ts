import type { Drop, Rect } from '@/core/structure';

export interface Dragging {
  /** Where what is dragged would go, in the page's px. */
  readonly drop: Drop | undefined;
  /** What letting go would do, in words, and where the pointer is. */
  readonly words: string;
  readonly at: { readonly x: number; readonly y: number } | undefined;
  /** The rectangle drawn around elements to choose. */
  readonly around: Rect | undefined;
}

export const NOTHING_DRAGGED: Dragging = { drop: undefined, words: '', at: undefined, around: undefined };
