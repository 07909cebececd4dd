import type { Finding } from '@/core/audit';
import { Ledger, planOf, viewportsIn } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { MeasuredPage } from './measuring';
import { takeTurn } from './turns';

/** How long the audit of one page may take, ms. What it has found until then is kept, and the page reported. */
const PAGE_MOST_MS = 180_000;

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
  let measured: MeasuredPage | undefined;
  const until = performance.now() + mostMs;
  try {
    measured = await inTurn(() => MeasuredPage.open(project, page));
    for (const looking of ledger.missing(plan)) {
      const steps = measured.sweep(looking);
      for (;;) {
        const { value: step, done } = await inTurn(() => steps.next());
        if (done || !step) break;
        ledger.record(step.results, looking.view, looking.heights[0]);
        decided += step.results.length;
        layouts += step.layouts;
        if (!(await heard(decided))) return undefined;
        if (performance.now() > until) throw new Error(`It took more than ${mostMs / 1000} seconds.`);
      }
    }
  } catch (error) {
    problem = error instanceof Error ? error.message.split('\n')[0] : 'Unknown reason.';
  } finally {
    await measured?.close().catch(() => undefined);
  }
  return { findings: ledger.findings(project.audit, plan), decided, layouts, problem };
}

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const done = await takeTurn('later');
  try {
    return await work();
  } finally {
    done();
  }
}
