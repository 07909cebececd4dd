import type { Finding } from '../audit/sweep/ledger';
import type { Page, Project } from '../document/project';

/** What could mend a finding: values for elements, and what that is in words. */
export interface Recipe {
  readonly title: string;
  readonly values: readonly (readonly [owner: string, property: string, value: string])[];
}

/** What recipes need to know of the place where a finding is worst. */
export interface Situation {
  readonly project: Project;
  readonly page: Page;
  readonly finding: Finding;
  readonly limits: Readonly<Record<string, number>>;
  /** The specified value of a property there. */
  readonly value: (element: string, property: string) => string;
  readonly name: (element: string) => string;
}
