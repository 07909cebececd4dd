import type { Ledger, Looking, WrongWidth } from '@/core/audit';
import type { Page, Project } from '@/core/document';
import { byHands } from './hands';
import { Tries } from './tries';
import type { TurnWish } from './turns';

/** A piece of the work: what was decided with it. */
export interface DecidedPiece {
  readonly results: number;
  readonly layouts: number;
  /** A width that was worked out and turned out otherwise. */
  readonly wrong?: WrongWidth | undefined;
  /** Without the waiting, ms. */
  readonly ms: number;
}

/**
 * Decides what a ledger lacks of a plan, piece by piece, each in a turn of its own, so that nobody waits for all of it.
 * @throws GivenUp when the browser doesn't get on with it
 */
export async function* deciding(
  project: Project,
  page: Page,
  ledger: Ledger,
  plan: readonly Looking[],
  wish: TurnWish,
): AsyncGenerator<DecidedPiece> {
  const tries = new Tries(`“${page.name}” could not be measured`);
  while (ledger.missing(plan).length > 0)
    try {
      yield* once();
    } catch (error) {
      await tries.after(error);
    }
  async function* once(): AsyncGenerator<DecidedPiece> {
    for await (const { looking, results, layouts, wrong, ms } of byHands(project, page, ledger.missing(plan), wish)) {
      ledger.record(results, looking.view, looking.heights[0]);
      if (results.length > 0) tries.progressed();
      yield { results: results.length, layouts, wrong, ms };
    }
  }
}
