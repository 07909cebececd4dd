import type { Looking, PackedResults, View, WrongWidth } from '@/core/audit';
import { Ledger, packed } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import type { LastLine } from './answer-lines';
import { answerLines } from './answer-lines';
import { MeasuredPage } from './measuring';
import { stepsOf } from './sweep-samples';
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
    const measured = await MeasuredPage.open(project, page, slice);
    try {
      for (const looking of ledger.missing(wishes))
        for await (const { results, layouts, wrong } of stepsOf(measured, [project, page, slice], looking, { near })) {
          if (signal.aborted) return;
          if (results.length === 0 && !wrong) continue;
          ledger.record(results, looking.view, looking.heights[0]);
          tries.progressed();
          const height = looking.heights[0]!;
          yield { type: 'results', view: looking.view, height, results: packed(results), layouts, ...(wrong && { wrong }) };
        }
    } finally {
      await measured.close();
    }
  }
  yield* answerLines('The page could not be measured', tries, signal, decideRest);
}
