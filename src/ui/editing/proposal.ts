import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { EditError } from '@/core/edits';
import type { Plan } from '@/core/plans';
import { PlanError } from '@/core/plans';
import { announce, commitOrReport, footprintOf, report } from './edits';
import { shownPage, useSession } from '../state/store';
import type { Task } from './background';
import { inBackground } from './background';

export type Make = (project: Project, slice: Slice, page: Page) => Plan;

/** Thinks a plan out; why it can't be is a sentence. */
function workOut(make: Make): Plan | string {
  const session = useSession.getState();
  try {
    return make(session.project, session.slice, shownPage(session));
  } catch (error) {
    if (error instanceof PlanError || error instanceof EditError) return error.message;
    throw error;
  }
}

function mark(plan: Plan): void {
  const { pageId } = useSession.getState();
  useSession.setState({ marked: footprintOf(plan.edit)?.[pageId]?.widths ?? [] });
}

/** Puts a plan before the person: what will happen, and on the gauge where. Nothing is changed yet. */
export function propose(make: Make): void {
  const plan = workOut(make);
  if (typeof plan === 'string') {
    report(plan);
    return;
  }
  useSession.setState({ proposal: plan, foretold: '' });
  mark(plan);
}

/** What can take long is worked out beside the page, and can be left meanwhile. All of it leaves everything looking as it does. */
export async function proposeLong(task: Extract<Task, { kind: 'turn' | 'take' | 'takeInline' }>): Promise<void> {
  dismissProposal();
  const background = inBackground(task);
  useSession.setState({ stopBackground: background.cancel, foretold: '' });
  try {
    const plan = await background.result;
    if (useSession.getState().project !== task.project) report('The project has changed since; ask again.');
    // Nothing looks different at any width, so there is nothing to mark.
    else useSession.setState({ proposal: plan, marked: [] });
  } catch (error) {
    report((error as Error).message);
  } finally {
    useSession.setState({ stopBackground: undefined });
  }
}

export function acceptProposal(): void {
  const { proposal } = useSession.getState();
  if (!proposal) return;
  useSession.setState({ proposal: undefined });
  commitOrReport(proposal.edit);
}

export function dismissProposal(): void {
  const { proposal, stopBackground } = useSession.getState();
  if (!proposal && !stopBackground) return;
  stopBackground?.();
  useSession.setState({ proposal: undefined, stopBackground: undefined, marked: [] });
  announce('Nothing was changed.');
}

/** Does at once what is small enough not to be asked for. */
export function carryOut(make: Make): boolean {
  const plan = workOut(make);
  if (typeof plan === 'string') {
    report(plan);
    return false;
  }
  return commitOrReport(plan.edit);
}

/** Does at once what has nothing more to be said of it; the rest is put before the person first. */
export function carryOutOrPropose(make: Make): boolean {
  const plan = workOut(make);
  if (typeof plan === 'string' || plan.details.length === 0) return carryOut(make);
  propose(() => plan);
  return false;
}

/** Says what a control would do while it has the focus or the pointer; undefined when it has no longer. */
export function foretell(make: Make | undefined): void {
  if (!make) {
    if (useSession.getState().foretold) useSession.setState({ foretold: '', marked: [] });
    return;
  }
  const plan = workOut(make);
  if (typeof plan === 'string') return useSession.setState({ foretold: plan });
  useSession.setState({ foretold: [plan.sentence, ...plan.details].join(' ') });
  mark(plan);
}
