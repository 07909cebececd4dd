import { childIds } from '../document/content';
import type { Page } from '../document/project';
import type { Shape } from '../document/trees';
import type { Spot } from './place';
import { mayStand } from './place';

/** A box in CSS px. */
export type Rect = readonly [left: number, top: number, width: number, height: number];

/** How a box lays out its elements: beside each other, below each other, on a grid, or as text flows. */
export type Arrangement = 'row' | 'column' | 'grid' | 'block';

/** What a browser says of one element: its box and how it lays out what stands in it. CSS px. */
export interface Surveyed {
  readonly id: string;
  readonly rect: Rect;
  readonly flow: Arrangement;
  /** Widths of the columns of a grid. */
  readonly tracks: readonly number[];
  readonly gap: number;
  /** From its left edge to where its content begins. */
  readonly inner: number;
}
export type Survey = ReadonlyMap<string, Surveyed>;

export interface Drop extends Spot {
  /** The sibling that will come after, as it looks now; undefined for last. */
  readonly before: string | undefined;
  /** Where the dropped elements will stand, as a line in the survey's coordinates. */
  readonly mark: Rect;
}

/** This near to an edge of a box, px, it's meant to stand beside it rather than in it. */
const EDGE = 6;
const MARK = 2;

const holds = ([left, top, width, height]: Rect, x: number, y: number, more = 0) =>
  x >= left - more && x <= left + width + more && y >= top - more && y <= top + height + more;

/**
 * Where elements dropped at a point go: into the innermost box that can hold them, between those that are there.
 * @param moving elements that are dragged; they don't count as being there
 * @param shapes of what is dropped: all of them must be able to stand there
 */
export function dropAt(
  page: Page,
  survey: Survey,
  x: number,
  y: number,
  moving: ReadonlySet<string>,
  shapes: readonly Shape[],
): Drop | undefined {
  const way: string[] = [page.root];
  for (let at: string | undefined = page.root; at;) {
    // The last one lies on top.
    at = childIds(page.elements[at]!).findLast((id) => {
      const box = survey.get(id);
      return !moving.has(id) && !page.elements[id]!.locked && box && holds(box.rect, x, y, box.rect[3] < 8 ? 4 : 0);
    });
    if (at) way.push(at);
  }
  while (way.length > 0) {
    const id = way.pop()!;
    const box = survey.get(id);
    const parent = way[way.length - 1];
    const atEdge = box && parent && !inside(box.rect, x, y) && shapes.every((shape) => mayStand(page, parent, shape));
    if (box && !atEdge && shapes.every((shape) => mayStand(page, id, shape))) return between(page, survey, box, x, y, moving);
  }
  return undefined;
}

function inside([left, top, width, height]: Rect, x: number, y: number): boolean {
  const [across, down] = [Math.min(EDGE, width / 4), Math.min(EDGE, height / 4)];
  return x > left + across && x < left + width - across && y > top + down && y < top + height - down;
}

interface There {
  readonly id: string;
  readonly rect: Rect;
}

function between(page: Page, survey: Survey, box: Surveyed, x: number, y: number, moving: ReadonlySet<string>): Drop {
  const children = childIds(page.elements[box.id]!);
  const there = children.flatMap((id): There[] => {
    const rect = survey.get(id)?.rect;
    return rect && !moving.has(id) ? [{ id, rect }] : [];
  });
  const [left, top, width, height] = box.rect;
  if (there.length === 0)
    return {
      parent: box.id,
      index: children.length,
      before: undefined,
      mark: [left + 2, top + Math.min(4, height / 2), Math.max(8, width - 4), MARK],
    };
  const lines = linesOf(there);
  const seen = lines.flat();
  const beside = lines.some((line) => line.length > 1) || box.flow === 'row';
  const line = beside ? lines.reduce((a, b) => (distance(b, y) < distance(a, y) ? b : a)) : seen;
  const next = line.find(({ rect }) => (beside ? x < rect[0] + rect[2] / 2 : y < rect[1] + rect[3] / 2));
  const last = line[line.length - 1]!;
  const { rect } = next ?? last;
  const end = beside ? rect[0] + rect[2] : rect[1] + rect[3];
  return {
    parent: box.id,
    index: next ? children.indexOf(next.id) : children.indexOf(last.id) + 1,
    before: next?.id ?? seen[seen.indexOf(last) + 1]?.id,
    mark: beside
      ? [next ? rect[0] - MARK : end, rect[1], MARK, Math.max(12, rect[3])]
      : [rect[0], (next ? rect[1] : end) - MARK, Math.max(12, rect[2]), MARK],
  };
}

const distance = (line: readonly There[], y: number) =>
  Math.min(...line.map(({ rect }) => Math.max(0, rect[1] - y, y - rect[1] - rect[3])));

/** Boxes by the lines that they stand on, from left to right: those that share half a height stand together. */
function linesOf(there: readonly There[]): There[][] {
  const lines: There[][] = [];
  for (const one of [...there].sort((a, b) => a.rect[1] - b.rect[1])) {
    const line = lines.find(([first]) => {
      const [, top, , height] = first!.rect;
      const shared = Math.min(top + height, one.rect[1] + one.rect[3]) - Math.max(top, one.rect[1]);
      return shared > Math.min(height, one.rect[3]) / 2;
    });
    if (line) line.push(one);
    else lines.push([one]);
  }
  return lines.map((line) => line.sort((a, b) => a.rect[0] - b.rect[0]));
}

/** The column of a surveyed grid that a point lies in, counted from 1; undefined outside. */
export function columnAt({ rect, tracks, gap, inner }: Surveyed, x: number): number | undefined {
  let start = rect[0] + inner;
  for (const [i, track] of tracks.entries()) {
    if (x < start + track + gap / 2) return x < start - gap / 2 && i === 0 ? undefined : i + 1;
    start += track + gap;
  }
  return undefined;
}

/** Elements that lie wholly inside a rectangle, outermost ones only. */
export function framedBy(page: Page, survey: Survey, [left, top, width, height]: Rect): string[] {
  const result: string[] = [];
  const visit = (id: string) => {
    const rect = survey.get(id)?.rect;
    const whole =
      rect && rect[0] >= left && rect[1] >= top && rect[0] + rect[2] <= left + width && rect[1] + rect[3] <= top + height;
    if (whole && id !== page.root && !page.elements[id]!.locked) result.push(id);
    else childIds(page.elements[id]!).forEach(visit);
  };
  visit(page.root);
  return result;
}
