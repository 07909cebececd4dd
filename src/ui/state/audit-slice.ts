import type { TriedFix } from '@/core/remedy';

export const AUDIT_TABS = ['page', 'project', 'proposed', 'checks'] as const;
export type AuditTab = (typeof AUDIT_TABS)[number];

export interface FixesOf {
  readonly finding: string;
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
}

export interface Audit {
  readonly tab: AuditTab;
  readonly fixes: FixesOf | undefined;
  readonly proof: Proof | undefined;
  readonly mending: Mending | undefined;
}

export const NO_AUDIT: Audit = { tab: 'page', fixes: undefined, proof: undefined, mending: undefined };
