import { childIds } from '../document/content';
import type { Viewport } from '../breakpoints/viewport';
import { specifiedValue } from '../cascade/resolve';
import { sourcesFor } from '../cascade/sources';
import type { Page, Project } from '../document/project';
import { parentOf, subtreeOf } from '../document/tree';
import { propertyRank } from '../styles/properties';

/** Left, top, width and height of a border box, CSS px from the page's top left corner. */
export type PageBox = readonly [left: number, top: number, width: number, height: number];

/** One side of a crossing: where everything stands that has a box there. */
export interface Side {
  readonly viewport: Viewport;
  readonly boxes: ReadonlyMap<string, PageBox>;
}

export interface ValueChange {
  readonly property: string;
  readonly before: string;
  readonly after: string;
}

export interface ElementChange {
  readonly id: string;
  readonly values: readonly ValueChange[];
  readonly shown?: 'appears' | 'goes';
  /** Its place among its siblings as they are seen, counted from 1. */
  readonly order?: { readonly before: number; readonly after: number };
  /** From the corner of what it stands in, px. */
  readonly moved?: { readonly before: readonly [number, number]; readonly after: readonly [number, number] };
  readonly resized?: { readonly before: readonly [number, number]; readonly after: readonly [number, number] };
}

export interface Crossing {
  /** Elements of which something differs, in reading order. */
  readonly changes: readonly ElementChange[];
  /** Nothing was written for them, for what they stand in or for what stands beside them, and they are the same. */
  readonly stayed: readonly string[];
  /** The same, but they are not the same. */
  readonly strayed: readonly string[];
}

/** Differences up to this many px are the viewport's own, or rounding. */
const TOLERANCE = 1.5;

const near = (a: number, b: number) => Math.abs(a - b) <= TOLERANCE;

/**
 * All that differs between a page at two viewports: values, what shows, order, place and size. Inherited values count
 * where they are set, not on everything below.
 */
export function crossingBetween(project: Project, page: Page, from: Side, to: Side): Crossing {
  const elements = subtreeOf(page, page.root);
  const values = new Map(elements.map(({ id }) => [id, valuesBetween(project, page, id, from, to)]));
  const order = new Map(elements.flatMap((element) => [...orderBetween(childIds(element), from, to)]));
  const changes: ElementChange[] = [];
  const stayed: string[] = [];
  const strayed: string[] = [];
  const sized = new Set<string>();
  // What is written for an element, or for anything in it: both can move what stands beside it.
  const touched = new Set<string>();
  for (const { id } of elements)
    if (values.get(id)!.length > 0)
      for (let at: string | undefined = id; at !== undefined; at = parentOf(page, at)?.id) touched.add(at);
  for (const { id } of elements) {
    const change: ElementChange = {
      id,
      values: values.get(id)!,
      ...placeBetween(page, id, from, to),
      ...(order.has(id) && { order: order.get(id)! }),
    };
    const same = !change.shown && !change.order && !change.moved && !change.resized;
    if (change.resized || change.shown) sized.add(id);
    if (!same || change.values.length > 0) changes.push(change);
    if (!from.boxes.has(id) && !to.boxes.has(id)) continue;
    if (expectedToStay(page, id, touched, values, sized)) (same ? stayed : strayed).push(id);
  }
  return { changes, stayed, strayed };
}

function valuesBetween(project: Project, page: Page, id: string, from: Side, to: Side): ValueChange[] {
  const declared = new Set(sourcesFor(project, page, page.elements[id]!).flatMap((one) => Object.keys(one.declarations)));
  return [...declared]
    .sort((a, b) => propertyRank(a) - propertyRank(b) || (a < b ? -1 : 1))
    .flatMap((property) => {
      const [before, after] = [from, to].map(({ viewport }) => specifiedValue(project, page, id, property, viewport));
      return before === after ? [] : [{ property, before: before!, after: after! }];
    });
}

/** Places among siblings as they are read on the screen: from top to bottom, then from left to right. */
function orderBetween(children: readonly string[], from: Side, to: Side) {
  const both = children.filter((id) => from.boxes.has(id) && to.boxes.has(id));
  const seen = ({ boxes }: Side) =>
    [...both].sort((a, b) => {
      const [x, y] = [boxes.get(a)!, boxes.get(b)!];
      const apart = x[1] + x[3] <= y[1] + TOLERANCE || y[1] + y[3] <= x[1] + TOLERANCE;
      return apart ? x[1] - y[1] : x[0] - y[0] || x[1] - y[1];
    });
  const [before, after] = [seen(from), seen(to)];
  return both.flatMap((id): [string, { before: number; after: number }][] => {
    const [a, b] = [before.indexOf(id) + 1, after.indexOf(id) + 1];
    return a === b ? [] : [[id, { before: a, after: b }]];
  });
}

function placeBetween(page: Page, id: string, from: Side, to: Side): Partial<ElementChange> {
  const [was, is] = [from.boxes.get(id), to.boxes.get(id)];
  if (!was || !is) return was ? { shown: 'goes' } : is ? { shown: 'appears' } : {};
  const offset = (side: Side, box: PageBox): readonly [number, number] => {
    let parent = parentOf(page, id);
    while (parent && !side.boxes.has(parent.id)) parent = parentOf(page, parent.id);
    const outer = parent && side.boxes.get(parent.id);
    return [box[0] - (outer?.[0] ?? 0), box[1] - (outer?.[1] ?? 0)];
  };
  const [a, b] = [offset(from, was), offset(to, is)];
  return {
    ...((!near(a[0], b[0]) || !near(a[1], b[1])) && { moved: { before: a, after: b } }),
    ...((!near(was[2], is[2]) || !near(was[3], is[3])) && {
      resized: { before: [was[2], was[3]] as const, after: [is[2], is[3]] as const },
    }),
  };
}

/** Parents come before their children in reading order, so what they stand in has been looked at. */
function expectedToStay(
  page: Page,
  id: string,
  touched: ReadonlySet<string>,
  values: ReadonlyMap<string, readonly ValueChange[]>,
  sized: ReadonlySet<string>,
): boolean {
  if (touched.has(id)) return false;
  const parent = parentOf(page, id);
  if (!parent) return true;
  if (sized.has(parent.id) || childIds(parent).some((one) => touched.has(one))) return false;
  for (let at = parentOf(page, id); at; at = parentOf(page, at.id)) if (values.get(at.id)!.length > 0) return false;
  return true;
}

const px = (value: number) => `${Math.round(value * 10) / 10}`;

/** What happens to an element's place and looks, in words, one fact a line. Values are not among them. */
export function changeInWords({ shown, order, moved, resized }: ElementChange): string[] {
  const lines: string[] = [];
  if (shown) lines.push(shown === 'appears' ? 'appears' : 'is hidden');
  if (order) lines.push(`place among its siblings: ${order.before} → ${order.after}`);
  if (moved)
    lines.push(
      `from the corner: ${px(moved.before[0])}, ${px(moved.before[1])} → ${px(moved.after[0])}, ${px(moved.after[1])} px`,
    );
  if (resized)
    lines.push(
      `size: ${px(resized.before[0])} × ${px(resized.before[1])} → ${px(resized.after[0])} × ${px(resized.after[1])} px`,
    );
  return lines;
}
