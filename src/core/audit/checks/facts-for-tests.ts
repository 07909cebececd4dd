import type { PageFacts } from '../facts';
import { Laying } from '../facts';

/** One element of a layout written by hand: box as left, top, width, height; its text's lines likewise. */
export interface Drawn {
  readonly id: string;
  readonly tag?: string;
  readonly in?: string;
  readonly role?: string;
  readonly box: readonly [number, number, number, number];
  readonly lines?: readonly (readonly [number, number, number, number])[];
  readonly cut?: 'none' | 'hidden' | 'scrolls';
  readonly place?: 'flow' | 'anchor' | 'absolute' | 'fixed';
  readonly size?: number;
  readonly hidden?: boolean;
  readonly ellipsis?: boolean;
  readonly flow?: keyof typeof Laying;
  readonly fixedHeight?: boolean;
  readonly share?: number;
  readonly words?: number;
  /** A grid's columns as specified, and how many there are. */
  readonly grid?: readonly [template: string, columns: number];
}

const CUTS = { none: 0, hidden: 1, scrolls: 2 } as const;
const PLACES = { flow: 0, anchor: 1, absolute: 2, fixed: 3 } as const;
const corners = ([left, top, width, height]: readonly [number, number, number, number]) => [
  left,
  top,
  left + width,
  top + height,
];

/** Facts of a page of `width` px, as a browser would report them for the drawn layout. */
export function facts(width: number, drawn: readonly Drawn[], scrollWidth = width, columns?: PageFacts['columns']): PageFacts {
  const all: Drawn[] = [{ id: 'body', tag: 'body', box: [0, 0, width, 800] }, ...drawn];
  const index = new Map(all.map((one, i) => [one.id, i]));
  const bytes = (value: (one: Drawn) => number) => Uint8Array.from(all.map(value));
  return {
    viewport: { width, height: 800 },
    scrollWidth,
    scrollHeight: 800,
    elements: all.map(({ id, tag = 'div', role, in: parent = 'body', words = 1 }) => ({
      id,
      tag,
      role,
      parent: id === 'body' ? -1 : index.get(parent)!,
      focusable: tag === 'button' || tag === 'a',
      words,
      chars: words * 6,
      first: false,
    })),
    boxes: Float64Array.from(all.flatMap(({ box }) => corners(box))),
    shown: bytes(({ hidden }) => (hidden ? 0 : 1)),
    cutX: bytes(({ cut = 'none' }) => CUTS[cut]),
    cutY: bytes(({ cut = 'none' }) => CUTS[cut]),
    ellipsis: bytes(({ ellipsis }) => (ellipsis ? 1 : 0)),
    position: bytes(({ place = 'flow' }) => PLACES[place]),
    fontSize: Float64Array.from(all.map(({ size = 16 }) => size)),
    flow: bytes(({ flow = 'other' }) => Laying[flow]),
    fixedHeight: bytes(({ fixedHeight }) => (fixedHeight ? 1 : 0)),
    share: Float64Array.from(all.map(({ share = 0 }) => share)),
    grids: new Map(all.flatMap(({ grid }, i) => (grid ? [[i, { template: grid[0], columns: grid[1] }] as const] : []))),
    columns,
    pinned: bytes(() => 0),
    level: bytes(() => 0),
    visible: bytes(() => 1),
    bold: bytes(() => 0),
    ink: Float64Array.from(all.flatMap(() => [0, 0, 0, 1])),
    ground: Float64Array.from(all.flatMap(() => [0, 0, 0, 0])),
    backdrop: bytes(() => 0),
    opacity: Float64Array.from(all.map(() => 1)),
    solid: bytes(() => 0),
    moved: bytes(() => 0),
    breaks: bytes(() => 0),
    chars: Float64Array.from(all.map(() => 0.5)),
    inset: Float64Array.from(all.map(() => 0)),
    broken: bytes(() => 0),
    scrollPadding: [0, 0],
    lines: all.map(({ lines = [] }) => Float64Array.from(lines.flatMap(corners))),
  };
}
