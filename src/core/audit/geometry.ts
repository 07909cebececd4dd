import { Cut, Positioning } from './codes';
import type { PageFacts } from './facts';
import { oncePerGiven } from './once';
import { exceeds, larger, smaller } from './readers';

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
  for (let at = facts.elements[element]!.parent; at >= ancestor; at = facts.elements[at]!.parent)
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
  const slack = larger(facts, 0, (bottom - top - facts.fontSize[element]!) / 2);
  return { left: lines[at + LEFT]!, top: top + slack, right: lines[at + RIGHT]!, bottom: bottom - slack };
}

/** The ancestor that an element is placed in, and may be cut by: its parent, or what it holds on to; -1 for none. */
export function containerOf(facts: PageFacts, element: number): number {
  const place = facts.position[element];
  if (place === Positioning.fixed) return -1;
  let at = facts.elements[element]!.parent;
  if (place === Positioning.absolute) while (at > 0 && facts.position[at] === Positioning.flow) at = facts.elements[at]!.parent;
  return at;
}

/** By element the innermost that cuts what stands in it: itself, or a container around it; -1 for none. */
const cuttersOf = oncePerGiven(
  ({ cutX, cutY, position, elements }) => [cutX, cutY, position, elements],
  (facts) => {
    const cutters = new Int32Array(facts.elements.length).fill(-1);
    for (let i = 1; i < cutters.length; i++) {
      const cuts = facts.cutX[i] !== Cut.none || facts.cutY[i] !== Cut.none;
      const around = cuts ? -1 : containerOf(facts, i);
      cutters[i] = cuts ? i : around > 0 ? cutters[around]! : -1;
    }
    return cutters;
  },
);

/** Of what is thinner than this nothing shows; px. */
const NOTHING = 0.5;

/**
 * The part of a box that shows, or can be scrolled to inside it, within all containers that cut; undefined if none.
 * @param from the innermost that can cut it: the element itself where the box is of what stands in it
 */
export function visiblePart(facts: PageFacts, element: number, box: Box, from = containerOf(facts, element)): Box | undefined {
  const cutter = from > 0 ? cuttersOf(facts)[from]! : -1;
  return cutter > 0 ? cutPart(facts, box, cutter) : box;
}

/** @param first the innermost that cuts it */
function cutPart(facts: PageFacts, box: Box, first: number): Box | undefined {
  let { left, top, right, bottom } = box;
  const cutters = cuttersOf(facts);
  const next = (at: number) => (at > 0 ? cutters[at]! : -1);
  for (let at = first; at > 0; at = next(containerOf(facts, at))) {
    const outer = boxOf(facts, at);
    if (facts.cutX[at] !== Cut.none) {
      left = larger(facts, left, outer.left);
      right = smaller(facts, right, outer.right);
    }
    if (facts.cutY[at] !== Cut.none) {
      top = larger(facts, top, outer.top);
      bottom = smaller(facts, bottom, outer.bottom);
    }
    if (!exceeds(facts, right - left, NOTHING) || !exceeds(facts, bottom - top, NOTHING)) return undefined;
  }
  return { left, top, right, bottom };
}

/** Whether an element or one it stands in is held on the screen while the page scrolls. */
export function isPinned(facts: PageFacts, element: number): boolean {
  for (let at = element; at > 0; at = facts.elements[at]!.parent) if (facts.pinned[at]) return true;
  return false;
}
