import { z } from 'zod';
import type { Reader, Viewport } from '../breakpoints/viewport';
import { MOTIONS, POINTERS, SCHEMES } from '../breakpoints/viewport';
import { nameSchema } from '../text';

/** What devices are sorted by, smallest screens first. */
export const DEVICE_GROUPS = ['watch', 'phone', 'folding', 'tablet', 'notebook', 'desktop', 'television'] as const;
export type DeviceGroup = (typeof DEVICE_GROUPS)[number];

export const GROUP_NAMES: Readonly<Record<DeviceGroup, string>> = {
  watch: 'Watch-sized',
  phone: 'Phones',
  folding: 'Folding screens',
  tablet: 'Tablets',
  notebook: 'Notebooks',
  desktop: 'Desktops',
  television: 'Televisions',
};

/** How the device shows scrollbars: laid over the page, or beside it, where they take room from it. */
export const SCROLLBARS = ['overlay', 'classic'] as const;
export type Scrollbar = (typeof SCROLLBARS)[number];

/** The room that a classic scrollbar takes from the viewport's width, CSS px. */
export const CLASSIC_SCROLLBAR = 15;

/** Least and greatest side of a screen, CSS px. */
const SIDE_MIN = 120;
const SIDE_MAX = 6_000;
/** What must be left of the height beside the browser's bars, CSS px. */
const HEIGHT_LEFT = 100;

export const DEVICE_ID = /^d[a-z0-9]{1,24}$/;

const side = (what: string) =>
  z
    .number(`A device needs a ${what} in px.`)
    .int(`The ${what} of a device is in whole px.`)
    .min(SIDE_MIN, `The ${what} of a device is at least ${SIDE_MIN} px.`)
    .max(SIDE_MAX, `The ${what} of a device is at most ${SIDE_MAX} px.`);

export const deviceSchema = z
  .strictObject({
    id: z.string().regex(DEVICE_ID, 'Not a device id.'),
    name: nameSchema,
    group: z.enum(DEVICE_GROUPS, `A group is one of: ${DEVICE_GROUPS.join(', ')}.`),
    width: side('width'),
    height: side('height'),
    density: z
      .number('A device needs a density: device px for each CSS px.')
      .min(0.5, 'A density is at least 0.5.')
      .max(6, 'A density is at most 6.'),
    pointer: z.enum(POINTERS, 'A pointer is mouse, finger or remote.'),
    scrollbar: z.enum(SCROLLBARS, 'A scrollbar is overlay or classic.'),
    bars: z
      .number('The room that the browser’s own bars take is in px.')
      .int('The room that the browser’s own bars take is in whole px.')
      .min(0, 'The browser’s own bars take 0 px or more.')
      .max(600, 'The browser’s own bars take at most 600 px.'),
    turns: z.boolean('A device turns, or it doesn’t.'),
    scheme: z.enum(SCHEMES, 'A colour scheme is light or dark.').optional(),
    motion: z.enum(MOTIONS, 'Motion is full or reduced.').optional(),
    text: z
      .number('A text size is a number: 1 for the usual one.')
      .min(1, 'A text size is at least 1, the usual one.')
      .max(2, 'A text size is at most 2, twice the usual one.')
      .optional(),
  })
  .superRefine(({ width, height, bars, turns }, context) => {
    const least = turns ? Math.min(width, height) : height;
    if (least - bars < HEIGHT_LEFT)
      context.addIssue({
        code: 'custom',
        message: `The browser’s own bars would leave ${least - bars} px of the height; at least ${HEIGHT_LEFT} px must be left.`,
        path: ['bars'],
      });
  });

/** A device in general: its screen in CSS px as it is usually held, and what CSS can ask about it and its reader. */
export interface Device extends Reader {
  readonly id: string;
  readonly name: string;
  readonly group: DeviceGroup;
  readonly width: number;
  readonly height: number;
  readonly density: number;
  readonly scrollbar: Scrollbar;
  /** What the browser's own bars take from the height, CSS px. */
  readonly bars: number;
  readonly turns: boolean;
}

/** The part of the screen that the page has to itself. */
export const PARTS = ['whole', 'half', 'third'] as const;
export type Part = (typeof PARTS)[number];

/** How a device is held, and how much of its screen the page has. */
export interface Hold {
  readonly turned?: boolean | undefined;
  readonly part?: Part | undefined;
}

const SHARE: Readonly<Record<Part, number>> = { whole: 1, half: 1 / 2, third: 1 / 3 };

/** Screens narrower than this are divided into an upper and a lower part, all others side by side. CSS px. */
const SIDE_BY_SIDE = 600;

/**
 * The viewport that a page has on a device, CSS px: less what the browser's bars take, and the part of the screen that
 * is left to it when it is shared. Never under 1 px.
 */
export function viewportOn(device: Device, { turned = false, part = 'whole' }: Hold = {}): Viewport {
  const turn = turned && device.turns;
  let width = turn ? device.height : device.width;
  let height = turn ? device.width : device.height;
  if (width >= SIDE_BY_SIDE) width = Math.floor(width * SHARE[part]);
  else height = Math.floor(height * SHARE[part]);
  const { pointer, scheme, motion, density, text } = device;
  return { width, height: Math.max(1, height - device.bars), pointer, scheme, motion, density, text };
}

/** "400 × 748, half" */
export function holdInWords({ turned, part = 'whole' }: Hold): string {
  return [turned && 'turned', part !== 'whole' && part].filter(Boolean).join(', ');
}
