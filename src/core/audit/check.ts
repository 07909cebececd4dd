import type { PageFacts } from './facts';

/** broken: content can't be read or reached; poor: works, badly; note: worth a look. */
export type Severity = 'broken' | 'poor' | 'note';

export const SEVERITIES: readonly Severity[] = ['broken', 'poor', 'note'];

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

/** One thing that can be wrong with a page: what it means, how it is decided, and how it is said. */
export interface Check {
  readonly id: string;
  readonly title: string;
  readonly severity: Severity;
  /** Why it matters to people who use the page. */
  readonly why: string;
  /** The rule it follows: a standard with its number, or the project's own. */
  readonly rule: string;
  /** Pure: all faults at one viewport, at most one for an element. */
  readonly judge: (facts: PageFacts) => Violation[];
  /** A sentence with the numbers of one violation. `name` gives an element's chosen name. */
  readonly sentence: (violation: Violation, name: (id: string) => string) => string;
}

/** Px in a sentence: whole, and never "0". */
export function px(value: number): string {
  return `${Math.max(1, Math.round(value))} px`;
}
