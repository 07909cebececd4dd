import type { Finding } from '@/core/audit';
import { Ledger, planOf, viewportsIn } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { turns } from './lanes';
import { MeasuredPage } from './measuring';
import { stepsOf } from './sweep-samples';
import { Tries } from './tries';

/** How long one page may be worked on, ms, without the waiting. What was found until then is kept, and the page reported. */
const PAGE_MOST_MS = 60 * 60_000;

export interface AuditedPage {
  readonly findings: readonly Finding[];
  /** Widths decided, in all views. */
  readonly decided: number;
  readonly layouts: number;
  readonly problem?: string | undefined;
}

/** How many viewports an audit of a page of this project decides, in all views. */
export const viewportsToDecide = (project: Project): number => viewportsIn(planOf(project, DEFAULT_SLICE));

/**
 * Everything about one page, in every view. Takes its turns at the browser after those whom somebody waits for.
 * @param heard called now and then with what is decided; false ends the work
 */
export async function auditPage(
  project: Project,
  page: Page,
  heard: (decided: number) => Promise<boolean>,
  mostMs = PAGE_MOST_MS,
): Promise<AuditedPage | undefined> {
  const ledger = new Ledger();
  const plan = planOf(project, DEFAULT_SLICE);
  let decided = 0;
  let layouts = 0;
  let problem: string | undefined;
  let worked = 0;
  const inTurn = <T>(work: () => Promise<T>) =>
    turns.run({ urgency: 'later' }, async () => {
      const begun = performance.now();
      try {
        return await work();
      } finally {
        worked += performance.now() - begun;
      }
    });
  const tries = new Tries(`“${page.name}” could not be measured`);
  /** False when the work is to be ended. */
  async function decideRest(): Promise<boolean> {
    const measured = await inTurn(() => MeasuredPage.open(project, page));
    try {
      for (const looking of ledger.missing(plan)) {
        const steps = stepsOf(measured, [project, page], looking);
        for (;;) {
          const { value: step, done } = await inTurn(() => steps.next());
          if (done || !step) break;
          ledger.record(step.results, looking.view, looking.heights[0]);
          if (step.results.length > 0) tries.progressed();
          decided += step.results.length;
          layouts += step.layouts;
          if (!(await heard(decided))) return false;
          if (worked > mostMs) throw new Error(`It took more than ${mostMs / 1000} seconds of work.`);
        }
      }
      return true;
    } finally {
      await measured.close();
    }
  }
  try {
    for (;;)
      try {
        if (!(await decideRest())) return undefined;
        break;
      } catch (error) {
        await tries.after(error);
      }
  } catch (error) {
    problem = error instanceof Error ? error.message.split('\n')[0] : 'Unknown reason.';
  }
  return { findings: ledger.findings(project.audit, plan), decided, layouts, problem };
}
