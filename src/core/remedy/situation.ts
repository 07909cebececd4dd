import type { Finding } from '../audit/sweep/ledger';
import type { Edit } from '../edits/edit';
import type { Page, Project } from '../document/project';

/** What could mend a finding: values for elements, and what that is in words. */
export interface Recipe {
  /** In words, elements as `{id}`: what they are called follows where the values are written. */
  readonly title: string;
  readonly values: readonly (readonly [owner: string, property: string, value: string])[];
  /** What it is besides values, at a breakpoint or the base. */
  readonly edits?: ((at: string) => readonly Edit[]) | undefined;
  /** It is said where it stands, so there is nothing to choose. */
  readonly fixed?: true;
}

/** What recipes need to know of the place where a finding is worst. */
export interface Situation {
  readonly project: Project;
  readonly page: Page;
  readonly finding: Finding;
  readonly limits: Readonly<Record<string, number>>;
  /** The specified value of a property there. */
  readonly value: (element: string, property: string) => string;
  /** Stands for an element's name in a title. */
  readonly name: (element: string) => string;
}
