import type { Floats } from './float-gaps';
import type { Heights } from './heights';
import type { StyleOnLine } from './leading';
import type { WrittenWidth } from './written-widths';

/*
 * What a browser is asked once in a band, so that the lines of its texts can be worked out for any width in it. Lengths are CSS px,
 * elements are given by index.
 */

/** Text that runs through an element's own lines, as it stands on one line that is as long as it needs. */
export interface Paragraph {
  /** The element in whose content box the lines lie. */
  readonly block: number;
  /** From the block's border box to its lines. */
  readonly insetLeft: number;
  readonly insetRight: number;
  /** Where lines lie that are shorter than the room: 0 at the left, 0.5 in the middle, 1 at the right. */
  readonly align: number;
  /** The style of the block's own type: an index of what `Typesetting.styles` counts. */
  readonly strut: number;
  /** How exactly all widths are known, px. */
  readonly exact: number;
  /** What can't be broken, in order: where it begins and ends, with all that stands around it. */
  readonly segments: {
    readonly left: Float64Array;
    readonly right: Float64Array;
    /** How much wider it is by itself than where something follows it that comes nearer to its last letter, or a space does, px. */
    readonly apart: Float64Array;
    /** 1 where the space before it is as wide as its first letter makes it, so that browsers shape a line that begins with it anew. */
    readonly drawn: Uint8Array;
    /** How much less room a line has then, px, where widths are exact; NaN where that isn't known. */
    readonly lost: Float64Array;
    /** 1 where a line ends by hand behind it. */
    readonly hard: Uint8Array;
    /** The styles of the type in it, a bit for each. */
    readonly styles: Uint32Array;
  };
  /** The part of one text in one segment, in order. */
  readonly pieces: {
    readonly segment: Int32Array;
    readonly text: Int32Array;
    readonly left: Float64Array;
    readonly right: Float64Array;
  };
  /** Texts in order: where each begins and ends with the spaces in it, and its pieces from first to last. */
  readonly texts: {
    readonly element: Int32Array;
    readonly left: Float64Array;
    readonly right: Float64Array;
    readonly first: Int32Array;
    readonly last: Int32Array;
    readonly style: Uint8Array;
    /** 1 where no line ends in it. */
    readonly kept: Uint8Array;
    /** 1 where a space at the end of a line is taken away, and the letters before it are set anew. */
    readonly spaceless: Uint8Array;
  };
  /** Inline elements: their pieces, and how far they reach beyond them at both ends. */
  readonly inlines: {
    readonly element: Int32Array;
    readonly first: Int32Array;
    readonly last: Int32Array;
    readonly before: Float64Array;
    readonly after: Float64Array;
  };
  /** What stands in lines like a letter: the element, the text (of no element) that it is here, its margin at the left, its size. */
  readonly atoms: {
    readonly element: Int32Array;
    readonly text: Int32Array;
    readonly before: Float64Array;
    readonly width: Float64Array;
  };
}

/** What a cell's height is made of besides its content, and where in it the content lies. */
export interface Cells {
  /** By element, px: paddings and borders, and margins in it that count there, at least and at most; NaN for what is no cell. */
  readonly least: Float64Array;
  readonly most: Float64Array;
  /** 0 at the top, 0.5 in the middle, 1 at the bottom. */
  readonly align: Float64Array;
  /** 1 where its first line stands on that of its row (CSS 2.2, 17.5.3): together they may be higher than each. */
  readonly onBaseline: Uint8Array;
  /** Over how many rows it reaches. */
  readonly spans: Uint16Array;
}

/** The texts of a page and how they push each other down. */
export interface Typesetting {
  readonly paragraphs: readonly Paragraph[];
  /** What is known of the styles of type, of which there are at most 32, in blocks of others. */
  readonly leading: readonly StyleOnLine[];
  /** Whether a block's own type counts on lines on which it doesn't stand: not in the quirks mode of browsers. */
  readonly strict: boolean;
  /** By element how it comes to its height: one of `Rule`. */
  readonly rule: Uint8Array;
  /** What lies one below the other in an element: an element, or a paragraph by `-1 - index`. */
  readonly units: readonly (readonly number[])[];
  /** The element that an absolutely placed one holds on to; itself for one fixed in the window; -1 for what is in the flow. */
  readonly holdsOn: Int32Array;
  /** By element how an absolutely placed one holds on to it: one of `Held`. */
  readonly holdsBy: Uint8Array;
  readonly cells: Cells;
  /** Where any box floats. */
  readonly floats?: Floats | undefined;
  readonly heights: Heights;
  /** Index behind the last of all that stands in an element. */
  readonly behind: Int32Array;
  /** By element with text whose lines aren't worked out: one of `Unread`; 0 for others. */
  readonly unread: Uint8Array;
  /** Elements whose lines are worked out. */
  readonly worked: Uint8Array;
  /** Whether all widths that are a share of something are a plain one. */
  readonly plainShares: boolean;
  /** What is written of how wide elements are, where any of it is a share. */
  readonly written: ReadonlyMap<number, WrittenWidth>;
}
