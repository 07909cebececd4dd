import { z } from 'zod';
import { atSchema, BASE } from '../breakpoints/breakpoint';
import type { Choice } from '../breakpoints/choice';

/**
 * What a panel is to people. The first four are built the same: what differs is where they stand and what holds still behind them. A
 * disclosure unfolds where it stands, as `<details>` does.
 */
export const PANEL_KINDS = ['drawer', 'sheet', 'menu', 'dialog', 'disclosure'] as const;
export type PanelKind = (typeof PANEL_KINDS)[number];

export const PANEL_EDGES = ['left', 'right', 'top', 'bottom'] as const;
export type PanelEdge = (typeof PANEL_EDGES)[number];

/** What makes an element a panel: closed until something opens it, where it isn't simply part of the page. */
export const panelSchema = z
  .strictObject({
    kind: z.enum(PANEL_KINDS, 'A panel is a drawer, a sheet, a menu, a dialog or a disclosure.'),
    edge: z.enum(PANEL_EDGES, 'A panel comes from the left, the right, the top or the bottom.').optional(),
    /** Where it is a panel, and where it stands in the page; a panel where nothing is said. */
    at: z.record(atSchema, z.boolean()),
    /** The page behind it holds still and can't be reached while it is open (ARIA practices, "Dialog (modal)"). */
    locks: z.literal(true).optional(),
    /** A press outside closes it. */
    outside: z.literal(true).optional(),
    /** Following a link in it closes it. */
    links: z.literal(true).optional(),
    /** It slides in from its edge, for those who don't ask for less motion. */
    slides: z.literal(true).optional(),
  })
  .transform(({ kind, edge, at, locks, outside, links, slides }): Panel => ({
    kind,
    ...(edge && { edge }),
    at,
    ...(locks && { locks }),
    ...(outside && { outside }),
    ...(links && { links }),
    ...(slides && { slides }),
  }));
export interface Panel {
  readonly kind: PanelKind;
  readonly edge?: PanelEdge | undefined;
  readonly at: Readonly<Record<string, boolean>>;
  readonly locks?: true | undefined;
  readonly outside?: true | undefined;
  readonly links?: true | undefined;
  readonly slides?: true | undefined;
}

/** Elements that look the same as a panel and in the page: those that browsers give no margins, borders or padding. */
const PANEL_TAGS: ReadonlySet<string> = new Set('div nav section aside article header footer form search address'.split(' '));

interface Carrier {
  readonly tag: string;
  readonly attributes: Readonly<Record<string, string>>;
}

/** Why an element can't be a panel of that kind; undefined where it can. */
export function whyNoPanel({ tag, attributes }: Carrier, kind: PanelKind): string | undefined {
  if (kind === 'disclosure') return tag === 'details' ? undefined : `<${tag}> doesn't unfold: a disclosure is a <details>.`;
  if (tag === 'details') return 'What unfolds where it stands is a disclosure.';
  if (!PANEL_TAGS.has(tag)) return `<${tag}> can't be a panel: put it into a group, and make that one.`;
  if (attributes.popover !== undefined) return 'It opens and closes by a popover attribute of its own.';
  return undefined;
}

/** Whether it opens over the page, not where it stands. */
export const isOver = ({ kind }: Panel): boolean => kind !== 'disclosure';

export const panelChoice = ({ at }: Panel): Choice<boolean> => new Map(Object.entries(at));

/** Whether it is a panel at the base. */
export const isPanelAtBase = ({ at }: Panel): boolean => at[BASE] ?? true;
