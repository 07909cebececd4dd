import { overridesUnder } from '@/core/edits';
import { commitOrReport } from '../editing/edits';
import { useSession } from '../state/store';

/** Removes a breakpoint at once where nothing is written there; else asks what becomes of it. */
export function removeBreakpoint(id: string): void {
  const { project } = useSession.getState();
  if (Object.keys(overridesUnder(project, id)).length === 0) commitOrReport({ type: 'removeBreakpoint', id });
  else useSession.setState({ removing: id });
}
