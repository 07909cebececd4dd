/** What a reader points with: a finger (CSS `pointer: coarse`) or a mouse (`pointer: fine`). */
export const POINTERS = ['mouse', 'finger'] as const;
export type Pointer = (typeof POINTERS)[number];

export const ORIENTATIONS = ['portrait', 'landscape'] as const;
export type Orientation = (typeof ORIENTATIONS)[number];

/** One viewport height and pointer: along it, every condition is a stretch of widths. */
export interface Slice {
  /** CSS px. */
  readonly height: number;
  readonly pointer: Pointer;
}

export interface Viewport extends Slice {
  /** CSS px. */
  readonly width: number;
}

/** What is looked at while nobody says otherwise. */
export const DEFAULT_SLICE: Slice = { height: 800, pointer: 'mouse' };

/** Media Queries 4, 5.2: a viewport as high as wide is portrait. */
export function orientationOf({ width, height }: Pick<Viewport, 'width' | 'height'>): Orientation {
  return height >= width ? 'portrait' : 'landscape';
}
