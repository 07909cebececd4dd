import { sheetsOf } from '@/core/document';
import type { Project } from '@/core/document';
import { makeEdit } from '@/core/edits';
import { planTakeInline, planTakeOver, PlanError } from '@/core/plans';

/** The same project with all that can be taken over on a page taken over: its sheets one after the other, and its `style` attributes. */
export function takenOver(project: Project, pageId: string): { readonly project: Project; readonly words: string } {
  let next = project;
  let values = 0;
  let slowest = 0;
  const pageOf = (one: Project) => one.pages.find(({ id }) => id === pageId)!;
  const refused = new Set<string>();
  const take = (make: () => { edit: Parameters<typeof makeEdit>[1]; details: readonly string[] }) => {
    const begun = performance.now();
    try {
      const { edit, details } = make();
      next = makeEdit(next, edit).document;
      values += Number(/^Compared: (\d+)/.exec(details[0]!)?.[1]);
    } catch (error) {
      if (!(error instanceof PlanError)) throw error;
      refused.add(error.message);
    }
    slowest = Math.max(slowest, performance.now() - begun);
  };
  let made = 0;
  const newId = (letter: string) => `${letter}taken${++made}`;
  for (const { sheet } of sheetsOf(project, pageOf(project)))
    take(() => planTakeOver(next, { page: pageId, sheet: sheet.id }, newId));
  take(() => planTakeInline(next, Object.keys(pageOf(next).elements)));
  const ms = Math.round(slowest);
  return {
    project: next,
    words: `${next.shared.length} styles with ${values} values taken over in at most ${ms} ms (${[...refused].join(' ') || 'none refused'})`,
  };
}
