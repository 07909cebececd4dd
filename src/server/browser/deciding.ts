import type { Ledger, Looking, WrongWidth } from '@/core/audit';
import type { Page, Project } from '@/core/document';
import { turns } from './lanes';
import { MeasuredPage } from './measuring';
import { stepsOf } from './sweep-samples';
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
    const measured = await turns.run(wish, () => MeasuredPage.open(project, page));
    try {
      for (const looking of ledger.missing(plan)) {
        const steps = stepsOf(measured, [project, page], looking);
        for (;;) {
          let begun = 0;
          const { value: step, done } = await turns.run(wish, () => {
            begun = performance.now();
            return steps.next();
          });
          if (done || !step) break;
          ledger.record(step.results, looking.view, looking.heights[0]);
          if (step.results.length > 0) tries.progressed();
          yield { results: step.results.length, layouts: step.layouts, wrong: step.wrong, ms: performance.now() - begun };
        }
      }
    } finally {
      await measured.close();
    }
  }
}
