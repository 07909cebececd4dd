import type { At, Condition } from '../breakpoints';
import type { Page, Project } from '../document/project';
import type { Work } from './work';

export const FAMILIES = ['header', 'content', 'wide'] as const;
export type Family = (typeof FAMILIES)[number];

/** Something that an arrangement has to know by its element: the logo, the menu. */
export interface Role {
  readonly id: string;
  readonly label: string;
  readonly needed: boolean;
}

/** What was recognised for a role: sure of it, or a choice that people are asked for. */
export interface Recognised {
  /** The element, where there is no doubt. */
  readonly found?: string | undefined;
  /** Elements that it could be, in reading order. */
  readonly among: readonly string[];
}

/** Something to be chosen, as value and words; the first is usual. */
export interface Setting {
  readonly id: string;
  readonly label: string;
  readonly choices: readonly (readonly [value: string, words: string])[];
}

/** What is known when an arrangement is applied. */
export interface Wish {
  /** The breakpoint at which it holds; the base for everywhere. */
  readonly at: At;
  /** By role; only those that were found or chosen. */
  readonly roles: Readonly<Record<string, string>>;
  /** By setting. */
  readonly settings: Readonly<Record<string, string>>;
  /** Where items no longer fit, px, as measured; for those that measure. */
  readonly widths?: readonly number[] | undefined;
}

/** A common way to lay something out, applied by one command as ordinary elements and values. */
export interface Arrangement {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  /** One sentence: what it does. */
  readonly does: string;
  /** At which places it can hold: narrow breakpoints, wide ones, or everywhere alone. */
  readonly places: 'narrow' | 'wide' | 'everywhere';
  /** What the place means: "Narrow: a panel", for the label of the choice. */
  readonly placeLabel: string;
  /** Whether a use of a part is arranged as it stands on the page, or the part that it shows. */
  readonly on: 'part' | 'use';
  readonly roles?: readonly Role[] | undefined;
  /** What can be chosen for an element. */
  readonly settings?: ((project: Project, tree: Page, id: string) => readonly Setting[]) | undefined;
  /** Whether it has to be measured where things no longer fit. */
  readonly measures?: true | undefined;
  /** Why an element can't be arranged so; undefined where it can. */
  readonly whyNot: (project: Project, tree: Page, id: string) => string | undefined;
  readonly recognise?: ((project: Project, tree: Page, id: string) => Readonly<Record<string, Recognised>>) | undefined;
  /** @throws PlanError in words */
  readonly make: (work: Work, id: string, wish: Wish) => void;
}

/** Whether a breakpoint is one that narrow screens reach: at which an arrangement for little room makes sense. */
export const isForNarrow = ({ from, below, orientation }: Condition): boolean =>
  below !== undefined || (from === undefined && orientation === 'portrait');

export const isForWide = ({ from, below }: Condition): boolean => from !== undefined && below === undefined;
