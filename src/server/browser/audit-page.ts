import type { Finding } from '@/core/audit';
import { Ledger, planOf, viewportsIn, wrongWords } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { deciding } from './deciding';

/** How long one page may be worked on, ms, without the waiting. What was found until then is kept, and the page reported. */
const PAGE_MOST_MS = 60 * 60_000;

export interface AuditedPage {
  readonly findings: readonly Finding[];
  /** Widths decided, in all views. */
  readonly decided: number;
  readonly layouts: number;
  /** Why it isn't all. */
  readonly problem?: string | undefined;
  /** What should be known of it though it is all. */
  readonly noticed?: string | undefined;
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
  let [decided, layouts, worked] = [0, 0, 0];
  let problem: string | undefined;
  let noticed: string | undefined;
  try {
    for await (const piece of deciding(project, page, ledger, plan, { urgency: 'later' })) {
      decided += piece.results;
      layouts += piece.layouts;
      worked += piece.ms;
      if (piece.wrong) noticed ??= `${wrongWords(piece.wrong)}.`;
      if (!(await heard(decided))) return undefined;
      if (worked > mostMs) throw new Error(`It took more than ${mostMs / 1000} seconds of work.`);
    }
  } catch (error) {
    problem = error instanceof Error ? error.message.split('\n')[0] : 'Unknown reason.';
  }
  return { findings: ledger.findings(project.audit, plan), decided, layouts, problem, noticed };
}
