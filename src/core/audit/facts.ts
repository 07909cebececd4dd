import type { Density } from '../devices/densities';
import type { Trace } from './trace';
import type { Typesetting } from './typeset/paragraph';

export { Backdrop, Cut, Laying, Level, Pinned, Positioning } from './codes';

/** What never changes while a document stands: one entry an element, in reading order, the body first. */
export interface ElementFacts {
  readonly id: string;
  readonly tag: string;
  /** Index of the parent; -1 for the body. */
  readonly parent: number;
  readonly role: string | undefined;
  /** The `type` of an `<input>`. */
  readonly type?: string | undefined;
  /** Whether the Tab key stops at it. */
  readonly focusable: boolean;
  /** Words and characters of its own text, with white space collapsed. */
  readonly words: number;
  readonly chars: number;
  /** How often its text is broken by hand: by `br`. */
  readonly breaks?: number | undefined;
  /** Marked as what people must see first. */
  readonly first: boolean;
  /** The set of alternates that it is one of. */
  readonly alternate?: string | undefined;
  /** Where it is a pane of a list and its detail: the links that lead to what it shows. */
  readonly pane?: readonly number[] | undefined;
  /** Where it holds something of what was arranged: the elements that say the same. */
  readonly same?: readonly number[] | undefined;
  /** What describes it, by `aria-describedby`. */
  readonly described?: readonly number[] | undefined;
  /** Whether it heads the column that it stands in. */
  readonly heads?: boolean | undefined;
  /** Whether it was made a panel here, so that what opens it is known. */
  readonly panel?: boolean | undefined;
}

/** A row out of which items drop as room runs out. */
export interface DropFacts {
  /** Whether all that shows of it fits. */
  readonly fits: boolean;
  /** How many items haven't dropped and could. */
  readonly rest: number;
  /** The item that dropped last, and whether the row would fit with it. */
  readonly next?: { readonly item: number; readonly fits: boolean } | undefined;
}

/** An element that is opened and closed by HTML's `popover`, by the elements that do it. */
export interface PanelFacts {
  /** Whether it is a panel at this width, not simply part of the page. */
  readonly here: boolean;
  /** What opens it, outside of it, and what closes it, inside. */
  readonly openers: readonly number[];
  readonly closers: readonly number[];
  /** A press outside closes it. */
  readonly outside: boolean;
  /** Whether it opens over the page, not where it stands. */
  readonly over: boolean;
  /** Whether the page can't be scrolled now. */
  readonly locked: boolean;
}

/** A file that an image may fetch: px wide, and bytes. */
export type FileFacts = readonly [width: number, bytes: number];

/** An image and what it fetches. */
export interface PictureFacts {
  /** Of what it shows, px; the whole of the largest file. */
  readonly own: readonly [width: number, height: number];
  /** Narrow first. A drawing has one, 0 px wide: it has as many as it needs. */
  readonly files: readonly FileFacts[];
  /** What its `sizes` says, or the density of its files; CSS px. Undefined where that follows how wide it is drawn. */
  readonly asked?: number | undefined;
  readonly fit: string;
  /** Padding and border, both sides together, px. */
  readonly less: readonly [across: number, down: number];
  /** 1 where it isn't rendered at all, and doesn't stand in what is only closed. */
  readonly hidden: boolean;
  /** It fetches nothing before it comes into sight. */
  readonly waits: boolean;
}

/** What an element's computed style says. Arrays are indexed by element; colours take four numbers each. */
export interface StyleFacts {
  readonly cutX: Uint8Array;
  readonly cutY: Uint8Array;
  /** 1 where text cut at the side ends in an ellipsis, which is taken as meant. */
  readonly ellipsis: Uint8Array;
  readonly position: Uint8Array;
  readonly pinned: Uint8Array;
  readonly level: Uint8Array;
  /** How an element lays out what stands in it: one of `Laying`. */
  readonly flow: Uint8Array;
  /** 1 where its height is a fixed length. */
  readonly fixedHeight: Uint8Array;
  /** Above 0 where its width is a share of what its parent has: siblings with the same share are meant equally wide. */
  readonly share: Float64Array;
  /** Grids by element: their columns as specified, and how many there are with those that items add. */
  readonly grids: ReadonlyMap<number, { readonly template: string; readonly columns: number }>;
  /** 1 where it isn't hidden by visibility or opacity, nor a column of a table. */
  readonly visible: Uint8Array;
  /** 1 for bold type: weight 700 and above. */
  readonly bold: Uint8Array;
  /** Text colour and background colour: red, green, blue from 0 to 255, alpha from 0 to 1. */
  readonly ink: Float64Array;
  readonly ground: Float64Array;
  readonly backdrop: Uint8Array;
  /** Opacity of its own, 0 to 1. */
  readonly opacity: Float64Array;
  /** 1 where it paints something of its own: background, border, shadow, picture. */
  readonly solid: Uint8Array;
  /** 1 where a negative margin, a transform or an offset moves it on purpose. */
  readonly moved: Uint8Array;
  /** 1 where words may be broken to fit. */
  readonly breaks: Uint8Array;
  /** How wide a character of its own text is on average, as a share of the type's size; 0 where it has none. */
  readonly chars: Float64Array;
  /**
   * Of what text stands in: its paddings and borders at both sides together, px; below 0 where lines don't fill what is left,
   * being kept as written, balanced, or set in columns.
   */
  readonly inset: Float64Array;
  /** Room kept free at the top and the bottom when something is scrolled into view, px. */
  readonly scrollPadding: readonly [top: number, bottom: number];
}

/**
 * What a browser measured at one viewport. Arrays are indexed by element; boxes are border boxes in CSS px from the
 * page's top left corner, scrolled to the start.
 */
export interface PageFacts extends StyleFacts {
  readonly viewport: { readonly width: number; readonly height: number };
  /** The size that the document can be scrolled to, in px. */
  readonly scrollWidth: number;
  readonly scrollHeight: number;
  readonly elements: readonly ElementFacts[];
  /** Four numbers an element: left, top, right, bottom. Only meaningful where the element is shown. */
  readonly boxes: Float64Array;
  /** 1 where the element has a box with an area and is visible. */
  readonly shown: Uint8Array;
  /** Px; only meaningful where an element has text of its own. */
  readonly fontSize: Float64Array;
  /** For each element the line boxes of its own text, four numbers a line, empty where it has none. */
  readonly lines: readonly Float64Array[];
  /** How many words of its own text are broken inside. */
  readonly broken: Uint8Array;
  /** The page's own column grid at this viewport, in px; absent where it has none. */
  readonly columns?: { readonly columnWidth: number; readonly least: number; readonly fits: boolean } | undefined;
  /**
   * How far the size of each container is from each size that a condition on containers asks for, px: where one passes 0, a
   * condition begins or ends.
   */
  readonly gaps?: Float64Array | undefined;
  /** The content of `<meta name="viewport">`; undefined where the page has none. */
  readonly meta?: string | undefined;
  /** Images by element. */
  readonly pictures?: ReadonlyMap<number, PictureFacts> | undefined;
  /** The densities of devices; usual ones where nothing is known of them. */
  readonly densities?: readonly Density[] | undefined;
  /** Rows out of which items drop, by element. */
  readonly drops?: ReadonlyMap<number, DropFacts> | undefined;
  /** Panels by element. */
  readonly panels?: ReadonlyMap<number, PanelFacts> | undefined;
  /** The panel that is held open, where it is one at this width. */
  readonly opened?: number | undefined;
  /** Whether everything lies where it lies at rest, since the state that is looked at changes only what is painted. */
  readonly asAtRest?: boolean | undefined;
  /** What the focus makes of it; only there while a page is looked at focused. */
  readonly focus?: FocusFacts | undefined;
  /** How its texts are made up, the same in all viewports of one arrangement; read when it is asked for. */
  readonly typesetting?: (() => Typesetting | undefined) | undefined;
  /** The same page at the widest width of the same band. */
  readonly bandTop?: PageFacts | undefined;
  /** The same page on the same device held the other way. */
  readonly turned?: PageFacts | undefined;
  /**
   * Set where numbers between measured widths were worked out rather than measured.
   */
  readonly doubt?: Doubt | undefined;
  /** Where what checks compare is noted. */
  readonly trace?: Trace | undefined;
}

/** How far off positions may be in each direction, px. */
export interface Off {
  readonly across: number;
  readonly down: number;
}

export interface Doubt {
  /** 1 for elements whose lines are taken to reach as far as they can, since it isn't known how far they do. */
  readonly loose: Uint8Array;
  /** Whether the size of any type changes in between. */
  readonly sized: boolean;
  /** By element how far off the width of its box may be, px, where that is known better than of all positions; 0 elsewhere. */
  readonly rooms?: Float64Array | undefined;
  /** How far off any position may be, where that is known better than of all that is worked out. */
  readonly off?: Off | undefined;
  /** Whether a coordinate, an index in `boxes`, moves in between; all may where it isn't given. */
  readonly moves?: ((coordinate: number) => boolean) | undefined;
}

/** What the focus makes of elements that the Tab key stops at. Arrays are indexed by element. */
export interface FocusFacts {
  /** 1 where an element, or something in it, looks otherwise with the focus than without. */
  readonly changed: Uint8Array;
  /** The colour of a line that appears around it with the focus: an outline, a shadow, a border. Alpha 0 for none. */
  readonly ring: Float64Array;
  /** 1 where a browser draws the line as it thinks best (`outline-style: auto`). */
  readonly drawnByBrowser: Uint8Array;
  /** 1 where the line lies apart from the element, so that nothing of it is beside the line. */
  readonly apart: Uint8Array;
}
