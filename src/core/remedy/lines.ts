import type { Edit } from '../edits/edit';
import type { Fix } from './fixes';
import type { Verdict } from './verdict';

export interface TriedFix extends Fix {
  readonly verdict: Verdict;
}

/** One line of the answer while fixes are tried. */
export type FixLine =
  | { readonly type: 'begun'; readonly total: number }
  | { readonly type: 'tried'; readonly fix: TriedFix }
  | { readonly type: 'mended'; readonly finding: string; readonly title: string }
  | { readonly type: 'looked'; readonly done: number }
  | { readonly type: 'edit'; readonly edit: Edit | null }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };
