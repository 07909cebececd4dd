/*
 * The words and numbers by which frames and the rest understand each other: the probe writes facts with them and the checks
 * read those. The one file of values that both share, since two lists would have to be kept equal.
 */

/** By which frames hold states that come and go: as specific as the pseudo-class it stands for. */
export const HELD_ATTRIBUTE = 'data-mp-held';

/** How an element's overflow is cut on an axis. */
export const Cut = { none: 0, hidden: 1, scrolls: 2 } as const;

/** How an element lays out its children. */
export const Laying = { other: 0, row: 1, wrappingRow: 2, grid: 3 } as const;

/** How an element is placed; `anchor` also stands for anything else that absolutely placed elements hold on to. */
export const Positioning = { flow: 0, anchor: 1, absolute: 2, fixed: 3 } as const;

/** How an element stands among the text around it. */
export const Level = { block: 0, inline: 1, inlineBlock: 2, float: 3 } as const;

/** Where a bar is held while the page scrolls. */
export const Pinned = { no: 0, top: 1, bottom: 2 } as const;

/** What is painted behind an element's content besides its colour. */
export const Backdrop = { none: 0, gradient: 1, picture: 2 } as const;

/** How an element comes to its height. */
export const Rule = {
  /** By something that isn't worked out: it is as high as between two measured widths, if all lines in it are the same there. */
  other: 0,
  /** What stands in it lies one below the other. */
  stack: 1,
  /** Cells stand side by side, all as high as the highest of them (CSS 2.2, 17.5.3). */
  row: 2,
  /** Items stand side by side in rows, each as high as the highest in it (CSS Flexible Box 1, 9.4; CSS Grid 1, 12.5). */
  beside: 3,
  /** Rows of cells of which some reach over several: these share what such a cell needs besides (CSS 2.2, 17.5.3, leaves open how). */
  rows: 4,
} as const;

/** Where an item lies in its row that is as high as it needs: a share of what is free, or the item takes all of it. */
export const Aligned = { top: 0, middle: 0.5, bottom: 1, stretched: 2 } as const;

/** What of an absolutely placed box keeps its distance: its upper edge from that of what it holds on to, or from the lower one; or its lower edge from that. */
export const Held = { top: 0, below: 1, bottom: 2 } as const;

/** Text whose lines aren't worked out: they may be broken anew at any width, or stay as they are but may be moved below a float. */
export const Unread = { broken: 1, moved: 2 } as const;

/** To which side a box floats, as bits. */
export const Floating = { left: 1, right: 2 } as const;

/** Denominators of plain shares: what people divide rows and columns by. */
export const PLAIN_DENOMINATORS: readonly number[] = [1, 2, 3, 4, 5, 6, 8, 9, 10, 12, 15, 16, 18, 20, 24];
