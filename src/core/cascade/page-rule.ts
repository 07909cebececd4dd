import type { SheetRule, WholeRule } from '../read';

/** A rule of a sheet from elsewhere, under all the conditions that the sheet itself stands under. */
export interface PageRule {
  readonly rule: SheetRule &
    Partial<Pick<WholeRule, 'unsure' | 'doubted' | 'doubtedImportant' | 'doubtful' | 'around' | 'container' | 'flow'>>;
  readonly sheetId: string;
  /** The place of its cascade layer among all layers, weakest first; rules in none are stronger than all that are in one. */
  readonly layer: number;
}
