import type { PageFacts } from './facts';

/** broken: content can't be read or reached; poor: works, badly; note: worth a look. */
export type Severity = 'broken' | 'poor' | 'note';

export const SEVERITIES: readonly Severity[] = ['broken', 'poor', 'note'];

/**
 * What a page is looked at with. `widths`: every width, at the height of the stage. `heights`: every width at the height
 * of each device. `large-text`: all text twice as large. `spaced-text`: the spacing of WCAG 2.2, 1.4.12. `reflow`: the
 * one viewport of 320 by 256 px. `turned`: each device upright and on its side. `pointed`, `focused` and `pressed`: every
 * width, with all that looks otherwise then pointed at, focused by keyboard, or pressed. `opened`: every width, each panel
 * open in turn where it is one. `samples`: every width, lists with each set of rows that doesn't show.
 */
export const VIEWS = [
  'widths',
  'heights',
  'large-text',
  'spaced-text',
  'reflow',
  'turned',
  'pointed',
  'focused',
  'pressed',
  'opened',
  'samples',
] as const;
export type View = (typeof VIEWS)[number];

/** One fault at one viewport. */
export interface Violation {
  /** The element's id. */
  readonly element: string;
  /** How bad it is; larger is worse. The unit is the check's own. */
  readonly amount: number;
  /** Measured numbers for the sentence, px unless named otherwise. */
  readonly measured: Readonly<Record<string, number>>;
  /** Other elements that take part, by id. */
  readonly others: readonly string[];
}

/** A number of a check that a project may set otherwise. */
export interface Limit {
  readonly label: string;
  readonly unit: string;
  readonly usual: number;
  readonly least: number;
  readonly most: number;
}

export type Limits = Readonly<Record<string, number>>;

/** One thing that can be wrong with a page: what it means, how it is decided, and how it is said. */
export interface Check {
  readonly id: string;
  readonly title: string;
  readonly severity: Severity;
  /** Why it matters to people who use the page. */
  readonly why: string;
  /** The rule it follows: a standard with its number, or the project's own. */
  readonly rule: string;
  /** What it needs the page to be looked at with; every width where it doesn't say. */
  readonly view?: View;
  /**
   * Checks by id that find the same under usual conditions, in the order by which a fault says which of them found it (`by`): where that one
   * does, this one has nothing to add.
   */
  readonly besides?: readonly string[];
  /** Checks by id by whose numbers it goes, as the project has them. */
  readonly likewise?: readonly string[];
  /** Numbers that a project may set otherwise, by name. */
  readonly limits?: Readonly<Record<string, Limit>>;
  /** Pure: all faults at one viewport, at most one for an element. */
  readonly judge: (facts: PageFacts, limits: Limits) => Violation[];
  /** Where it goes by nothing but the window and the column grid: whether that matters here, so that it is asked at every width. */
  readonly eachWidth?: (facts: PageFacts) => boolean;
  /** Whether it goes by styles and by what shows alone here; where it compares coordinates all the same, it notes them. */
  readonly byStyles?: (facts: PageFacts) => boolean;
  /** A sentence with the numbers of one violation. `name` gives an element's chosen name. */
  readonly sentence: (violation: Violation, name: (id: string) => string) => string;
}

/** Px in a sentence: whole, and never "0". */
export function px(value: number): string {
  return `${Math.max(1, Math.round(value))} px`;
}

/** A check's numbers where nobody set them otherwise. */
export function usualLimits(check: Pick<Check, 'limits'>): Limits {
  return Object.fromEntries(Object.entries(check.limits ?? {}).map(([name, { usual }]) => [name, usual]));
}
