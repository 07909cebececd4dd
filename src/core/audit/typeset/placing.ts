import type { Page } from './page';
import type { Between } from './stack';
import type { TextsDown } from './texts-down';

/** What places elements between two measured viewports, asks of the ways in which they come to their heights. */
export interface Placing {
  readonly page: Page;
  readonly between: Between;
  /** Where between the two, 0 to 1. */
  readonly share: number;
  readonly boxes: Float64Array;
  /** Lines of texts, from anywhere. */
  readonly texts: TextsDown;
  /** Something couldn't be worked out. */
  failed: boolean;
  /** By element how much further than it was placed it may reach down by itself, px, where that isn't known and nothing else has settled it. */
  readonly open: Map<number, number>;
  /** Places an element, and all in it, below a height. @returns how far it reaches down */
  readonly place: (element: number, top: number) => number;
  /** Moves a unit and all in it. */
  readonly shift: (unit: number, by: number) => void;
  /** Makes an element higher than what stands in it asks for. */
  readonly stretch: (element: number, more: number) => void;
}
