/**
 * What a reader points with: a mouse (CSS `pointer: fine`), a finger (`pointer: coarse`), or a remote control that only
 * steps from one thing to the next (`pointer: none`). Only a mouse can hover.
 */
export const POINTERS = ['mouse', 'finger', 'remote'] as const;
export type Pointer = (typeof POINTERS)[number];

/** The value of the media feature `pointer` (Media Queries 4, 6.1). */
export const POINTER_VALUES: Readonly<Record<Pointer, string>> = { mouse: 'fine', finger: 'coarse', remote: 'none' };

export const ORIENTATIONS = ['portrait', 'landscape'] as const;
export type Orientation = (typeof ORIENTATIONS)[number];

export const SCHEMES = ['light', 'dark'] as const;
export type Scheme = (typeof SCHEMES)[number];

export const MOTIONS = ['full', 'reduced'] as const;
export type Motion = (typeof MOTIONS)[number];

/** What CSS can ask about the device and its reader, apart from the size of the viewport. */
export interface Reader {
  readonly pointer: Pointer;
  /** Colour scheme the reader prefers; light unless it says otherwise. */
  readonly scheme?: Scheme | undefined;
  /** Whether the reader asks for less motion; full unless it says otherwise. */
  readonly motion?: Motion | undefined;
  /** Device px for each CSS px; 1 unless it says otherwise. */
  readonly density?: number | undefined;
  /** The reader's own text size as a multiple of 16 px; 1 unless it says otherwise. */
  readonly text?: number | undefined;
}

/** What is pointed at, pressed or focused: one element, and with the pointer all that it stands in (Selectors 4, 9). */
export interface Held {
  readonly element: string;
  readonly states: readonly string[];
  /** What it stands in, which pointing and pressing reach too. */
  readonly around: readonly string[];
}

/** Whether an element is in a state that comes and goes. */
export function isHeld(held: Held | undefined, element: string, state: string): boolean {
  if (!held?.states.includes(state)) return false;
  return held.element === element || (state !== 'focus-visible' && held.around.includes(element));
}

/** One viewport height and reader: along it, every condition is a stretch of widths. */
export interface Slice extends Reader {
  /** CSS px. */
  readonly height: number;
  /** Nothing, unless it says otherwise. */
  readonly held?: Held | undefined;
  /** The panels that are open, by id; none, unless it says otherwise. */
  readonly open?: readonly string[] | undefined;
  /** What a browser has said of this very viewport. */
  readonly told?: Told | undefined;
}

/**
 * What a browser says of rules that can't be told from here: by what is asked, whether it holds, or the values that it sets (null for a
 * property that it turns out not to set).
 */
export type Told = ReadonlyMap<string, boolean | Readonly<Record<string, string | null>>>;

export interface Viewport extends Slice {
  /** CSS px. */
  readonly width: number;
}

/** What is looked at while nobody says otherwise. */
export const DEFAULT_SLICE: Slice = { height: 800, pointer: 'mouse' };

/** Everything a reader has, the usual where it isn't given. */
export function wholeReader({ pointer, scheme, motion, density, text }: Reader): Required<Reader> {
  return { pointer, scheme: scheme ?? 'light', motion: motion ?? 'full', density: density ?? 1, text: text ?? 1 };
}

/** Media Queries 4, 5.2: a viewport as high as wide is portrait. */
export function orientationOf({ width, height }: Pick<Viewport, 'width' | 'height'>): Orientation {
  return height >= width ? 'portrait' : 'landscape';
}
