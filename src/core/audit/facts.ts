/** What never changes while a document stands: one entry an element, in reading order, the body first. */
export interface ElementFacts {
  readonly id: string;
  readonly tag: string;
  /** Index of the parent; -1 for the body. */
  readonly parent: number;
  readonly role: string | undefined;
}

/** How an element's overflow is cut on an axis. */
export const Cut = { none: 0, hidden: 1, scrolls: 2 } as const;
export type Cut = (typeof Cut)[keyof typeof Cut];

/** How an element lays out its children. */
export const Flow = { other: 0, row: 1, wrappingRow: 2, grid: 3 } as const;

/** How an element is placed; `anchor` also stands for anything else that absolutely placed elements hold on to. */
export const Place = { flow: 0, anchor: 1, absolute: 2, fixed: 3 } as const;

/**
 * What a browser measured at one viewport. Arrays are indexed by element; boxes are border boxes in CSS px from the
 * page's top left corner, scrolled to the start.
 */
export interface PageFacts {
  readonly viewport: { readonly width: number; readonly height: number };
  /** The width that the document can be scrolled to, in px. */
  readonly scrollWidth: number;
  readonly elements: readonly ElementFacts[];
  /** Four numbers an element: left, top, right, bottom. Only meaningful where the element is shown. */
  readonly boxes: Float64Array;
  /**
   * 1 where the element has a box with an area and is visible. Boxes that only contain others (no text, no picture, no
   * control, nothing cut) count as shown only where the document is wider than the viewport, since reading is dear.
   */
  readonly shown: Uint8Array;
  readonly cutX: Uint8Array;
  readonly cutY: Uint8Array;
  /** 1 where text cut at the side ends in an ellipsis, which is taken as meant. */
  readonly ellipsis: Uint8Array;
  readonly position: Uint8Array;
  /** Px; only meaningful where an element has text of its own. */
  readonly fontSize: Float64Array;
  /** How an element lays out what stands in it: one of `Flow`. */
  readonly flow: Uint8Array;
  /** 1 where its height is a fixed length. */
  readonly fixedHeight: Uint8Array;
  /** Above 0 where its width is a share of what its parent has: siblings with the same share are meant equally wide. */
  readonly share: Float64Array;
  /** Grids by element: their columns as specified, and how many there are with those that items add. */
  readonly grids: ReadonlyMap<number, { readonly template: string; readonly columns: number }>;
  /** The page's own column grid at this viewport, in px; absent where it has none. */
  readonly columns?: { readonly columnWidth: number; readonly least: number; readonly fits: boolean } | undefined;
  /** For each element the line boxes of its own text, four numbers a line, empty where it has none. */
  readonly lines: readonly Float64Array[];
}

export const LEFT = 0;
export const TOP = 1;
export const RIGHT = 2;
export const BOTTOM = 3;

/** Deviations up to this many px are rounding, not faults. */
export const TOLERANCE = 1;

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export function boxOf(facts: PageFacts, element: number): Box {
  const at = element * 4;
  return {
    left: facts.boxes[at + LEFT]!,
    top: facts.boxes[at + TOP]!,
    right: facts.boxes[at + RIGHT]!,
    bottom: facts.boxes[at + BOTTOM]!,
  };
}

export function isAbove(facts: PageFacts, ancestor: number, element: number): boolean {
  for (let at = facts.elements[element]!.parent; at >= 0; at = facts.elements[at]!.parent)
    if (at === ancestor) return true;
  return false;
}

/**
 * The part of a line that holds letters: as high as the type, in the middle of the line's box. The box itself may be
 * higher than its line and reach over neighbours without a letter touching.
 */
export function inkOf(facts: PageFacts, element: number, line: number): Box {
  const lines = facts.lines[element]!;
  const at = line * 4;
  const top = lines[at + TOP]!;
  const bottom = lines[at + BOTTOM]!;
  const slack = Math.max(0, (bottom - top - facts.fontSize[element]!) / 2);
  return { left: lines[at + LEFT]!, top: top + slack, right: lines[at + RIGHT]!, bottom: bottom - slack };
}

/** The ancestor that an element is placed in, and may be cut by: its parent, or what it holds on to; -1 for none. */
export function containerOf(facts: PageFacts, element: number): number {
  const place = facts.position[element];
  if (place === Place.fixed) return -1;
  let at = facts.elements[element]!.parent;
  if (place === Place.absolute) while (at > 0 && facts.position[at] === Place.flow) at = facts.elements[at]!.parent;
  return at;
}

/** The part of a box that shows, or can be scrolled to inside it, within all containers that cut; undefined if none. */
export function visiblePart(facts: PageFacts, element: number, box: Box): Box | undefined {
  let { left, top, right, bottom } = box;
  for (let at = containerOf(facts, element); at > 0; at = containerOf(facts, at)) {
    const outer = boxOf(facts, at);
    if (facts.cutX[at] !== Cut.none) {
      left = Math.max(left, outer.left);
      right = Math.min(right, outer.right);
    }
    if (facts.cutY[at] !== Cut.none) {
      top = Math.max(top, outer.top);
      bottom = Math.min(bottom, outer.bottom);
    }
    if (left >= right || top >= bottom) return undefined;
  }
  return { left, top, right, bottom };
}
