import type { Edit } from '../edits/edit';
import type { Fix } from './fixes';
import type { Verdict } from './verdict';

export interface TriedFix extends Fix {
  readonly verdict: Verdict;
}

/** A step of a mend of a page: what it does, and which entries it clears. */
export interface MendStep {
  readonly title: string;
  readonly entries: readonly string[];
}

/** One line of the answer while fixes are tried. */
export type FixLine =
  | { readonly type: 'begun'; readonly total: number }
  | { readonly type: 'tried'; readonly fix: TriedFix }
  | ({ readonly type: 'mended' } & MendStep)
  | { readonly type: 'needless'; readonly title: string }
  | { readonly type: 'looked'; readonly done: number }
  | { readonly type: 'edit'; readonly edit: Edit | null; readonly steps: readonly MendStep[]; readonly widths: readonly number[] }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };
