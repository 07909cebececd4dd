import type { PageFacts } from '../facts';
import type { WidthResult } from './ledger';
import type { Widths } from './stretches';
import type { Judge } from './verdicts';

export interface Sweep extends Widths {
  /** Lays the page out and reads it. Dear. */
  readonly measure: (width: number) => PageFacts;
  /** All that is asked. */
  readonly judges: readonly Judge[];
  /** The page's own column grid; it follows the width by rules of its own. */
  readonly columns?: (width: number) => PageFacts['columns'];
  /** Something on the page may change at any width, so each is measured. */
  readonly everyWidth?: boolean;
}

export interface SweptPart {
  readonly results: readonly WidthResult[];
  /** How many layouts it took. */
  readonly layouts: number;
  /** Set once where a width that was worked out turned out otherwise when it was measured: a fault of ours. */
  readonly wrong?: WrongWidth | undefined;
}

/** Told of a page that is right now; whoever made this should know. */
export const wrongWords = ({ width, checks }: WrongWidth): string =>
  `At ${width} px it was worked out otherwise than measured (${checks.join(', ')}): a fault of Mill Pond’s, so every width was measured`;

export interface WrongWidth {
  readonly width: number;
  /** The checks that said something else. */
  readonly checks: readonly string[];
}
