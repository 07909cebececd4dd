import type { Looking, PackedResults, View, WrongWidth } from '@/core/audit';
import { Ledger, packed } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { byHands } from './hands';
import type { LastLine } from './answer-lines';
import { answerLines } from './answer-lines';
import { Tries } from './tries';

/** One line of a sweep's answer. */
export type SweepLine =
  | {
      readonly type: 'results';
      readonly view: View;
      /** The viewport's height for results that don't say it themselves, px. */
      readonly height: number;
      readonly results: PackedResults;
      readonly layouts: number;
      /** A width that was worked out and turned out otherwise; every width is measured from then on. */
      readonly wrong?: WrongWidth;
    }
  | LastLine;

/** Decides the widths part by part, nearest first, and stops as soon as `signal` says so. */
export async function* sweep(
  project: Project,
  page: Page,
  slice: Slice,
  wishes: readonly Looking[],
  near: number,
  signal: AbortSignal,
): AsyncGenerator<SweepLine> {
  const ledger = new Ledger();
  const tries = new Tries(`“${page.name}” could not be measured`);
  async function* decideRest(): AsyncGenerator<SweepLine> {
    const steps = byHands(project, page, ledger.missing(wishes), { urgency: 'now', signal }, { slice, near, inTurn: true });
    for await (const { looking, results, layouts, wrong } of steps) {
      if (signal.aborted) return;
      if (results.length === 0 && !wrong) continue;
      ledger.record(results, looking.view, looking.heights[0]);
      tries.progressed();
      const height = looking.heights[0]!;
      yield { type: 'results', view: looking.view, height, results: packed(results), layouts, ...(wrong && { wrong }) };
    }
  }
  yield* answerLines('The page could not be measured', tries, signal, decideRest);
}
