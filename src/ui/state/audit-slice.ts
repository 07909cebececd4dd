import type { Edit } from '@/core/edits';
import type { MendStep, TriedFix } from '@/core/remedy';

export const AUDIT_TABS = ['page', 'project', 'proposed', 'checks'] as const;
export type AuditTab = (typeof AUDIT_TABS)[number];

export interface FixesOf {
  /** The key of the entry that they are for. */
  readonly entry: string;
  readonly revision: number;
  readonly running: boolean;
  readonly total: number;
  readonly looked: number;
  readonly tried: readonly TriedFix[];
  readonly problem?: string;
}

/** What the last edit did, width by width. */
export interface Proof {
  readonly words: string;
  readonly running: boolean;
  readonly total: number;
  readonly compared: number;
  readonly moved: readonly number[];
  readonly problem?: string;
}

export interface Mending {
  readonly running: boolean;
  readonly total: number;
  readonly looked: number;
  readonly titles: readonly string[];
  readonly problem?: string;
  /** What was found, to be looked at before it is made. */
  readonly offer?: MendOffer | undefined;
}

export interface MendOffer {
  readonly edit: Edit;
  readonly steps: readonly MendStep[];
  /** At which it is shown, px. */
  readonly widths: readonly number[];
  readonly revision: number;
}

export interface Audit {
  readonly tab: AuditTab;
  readonly fixes: FixesOf | undefined;
  readonly proof: Proof | undefined;
  readonly mending: Mending | undefined;
}

export const NO_AUDIT: Audit = { tab: 'page', fixes: undefined, proof: undefined, mending: undefined };
