import { create } from 'zustand';
import { overridesUnder } from '@/core/edits';
import { commitOrReport } from '../editing/edits';
import { useSession } from '../state/store';

/** The breakpoint that is about to be removed, while people decide what becomes of its values. */
export const useRemoving = create<{ readonly id: string | undefined }>(() => ({ id: undefined }));

/** Removes a breakpoint at once where nothing is written there; else asks what becomes of it. */
export function removeBreakpoint(id: string): void {
  const { project } = useSession.getState();
  if (Object.keys(overridesUnder(project, id)).length === 0) commitOrReport({ type: 'removeBreakpoint', id });
  else useRemoving.setState({ id });
}
