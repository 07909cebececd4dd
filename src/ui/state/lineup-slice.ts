import type { Motion, Scheme } from '@/core/breakpoints';
import type { Standing } from '@/core/devices';
import type { State } from '@/core/document';

/** An element that a frame holds in a state. */
export interface Hold {
  readonly element: string;
  readonly state: State;
}

export const LINEUP_TABS = ['devices', 'pages', 'crossing', 'before'] as const;
export type LineupTab = (typeof LINEUP_TABS)[number];

/** One place in the line-up: a device, held in its way. The key stays while it is turned. */
export interface PlacedDevice extends Standing {
  readonly key: number;
}

/** What the reader of every device is taken to have, in place of what the device says. */
export interface ReaderChoice {
  readonly scheme?: Scheme | undefined;
  readonly motion?: Motion | undefined;
  readonly text?: number | undefined;
}

export interface Lineup {
  readonly tab: LineupTab;
  readonly places: readonly PlacedDevice[];
  /** The set that the places were taken from. */
  readonly setId: string | undefined;
  readonly zoom: 'fit' | number;
  /** Frames as high as the page, not as the device. */
  readonly whole: boolean;
  /** Frames scroll together, by what stands at their top. */
  readonly linked: boolean;
  /** All frames follow the cursor, each in its measure; else only the one in hand. */
  readonly flow: boolean;
  readonly active: number | undefined;
  /** The property whose value stands under each frame; undefined follows what was set last. */
  readonly property: string | undefined;
  readonly reader: ReaderChoice;
  /** Places whose frame holds an element in a state of its own; the others hold what the stage does. */
  readonly holds: Readonly<Record<number, Hold>>;
  readonly devicesOpen: boolean;
  readonly sheetOpen: boolean;
}

export const NO_LINEUP: Lineup = {
  tab: 'devices',
  places: [],
  setId: undefined,
  zoom: 'fit',
  whole: false,
  linked: true,
  flow: false,
  active: undefined,
  property: undefined,
  reader: {},
  holds: {},
  devicesOpen: false,
  sheetOpen: false,
};
