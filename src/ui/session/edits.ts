import { cutsAcross, DEFAULT_SLICE } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Project } from '@/core/document';
import { pageOf } from '@/core/document';
import type { Edit, Footprint } from '@/core/edits';
import { advance, applyEdit, changeDocument, describeEdit, EditError } from '@/core/edits';
import type { PendingEdit } from './api';
import { schedule } from './sync';
import { allWidthsChanged, invalidateSweeps } from './sweep';
import { useSession } from './store';

/** Edits of the same key within this time are one step to undo, ms. */
const SAME_GESTURE = 2_000;
/** A gesture that may go on is sent only after this pause, ms: what has been sent can't be joined any more. */
const GESTURE_PAUSE = 800;

let lastGesture: { key: string; at: number; id: string } | undefined;

export function report(message: string): void {
  useSession.setState(({ problems }) => ({
    problems: [...problems.filter((one) => one !== message), message].slice(-4),
  }));
}

export function dismissProblem(message: string): void {
  useSession.setState(({ problems }) => ({ problems: problems.filter((one) => one !== message) }));
}

export function announce(announcement: string): void {
  useSession.setState({ announcement });
}

function inWords(error: unknown): string {
  if (error instanceof EditError) return error.message;
  throw error;
}

/** What an edit would change, without making it; undefined when it can't be made. */
export function footprintOf(edit: Edit): Footprint | undefined {
  try {
    return applyEdit(useSession.getState().project, edit).footprint;
  } catch {
    return undefined;
  }
}

/**
 * Makes an edit: on screen at once, on the server soon.
 * @param gesture edits with the same key that follow quickly are undone together
 * @returns what is wrong with it, in words; undefined when it's made
 */
export function commit(edit: Edit, gesture?: string): string | undefined {
  const { project, history, pending } = useSession.getState();
  try {
    const { document, inverse, footprint } = applyEdit(project, edit);
    const now = Date.now();
    const last = pending[pending.length - 1];
    const joins =
      gesture !== undefined &&
      lastGesture?.key === gesture &&
      now - lastGesture.at < SAME_GESTURE &&
      last?.id === lastGesture.id &&
      !last.sent;
    if (joins) {
      const top = history.undo[history.undo.length - 1]!;
      useSession.setState({
        project: document,
        draft: undefined,
        pending: [...pending.slice(0, -1), { ...last, edit }],
        history: { ...history, undo: [...history.undo.slice(0, -1), { ...top, edit }] },
      });
      lastGesture = { key: gesture, at: now, id: last.id };
    } else {
      const entry: PendingEdit = { id: crypto.randomUUID(), kind: 'do', edit };
      useSession.setState({
        project: document,
        draft: undefined,
        pending: [...pending, entry],
        history: advance(history, { ...entry, revision: 0, inverse }),
      });
      lastGesture = gesture === undefined ? undefined : { key: gesture, at: now, id: entry.id };
    }
    afterwards(document, footprint, describeEdit(project, edit), gesture === undefined ? undefined : GESTURE_PAUSE);
    return undefined;
  } catch (error) {
    useSession.setState({ draft: undefined });
    return inWords(error);
  }
}

/** Makes an edit and shows what is wrong with it, where no field stands by to do so. */
export function commitOrReport(edit: Edit): boolean {
  const problem = commit(edit);
  if (problem) report(problem);
  return problem === undefined;
}

/** Shows what an edit would make of the document, until it's committed or dropped. */
export function preview(edit: Edit | undefined): void {
  if (!edit) return useSession.setState({ draft: undefined });
  try {
    useSession.setState({ draft: changeDocument(useSession.getState().project, edit).document });
  } catch (error) {
    inWords(error);
  }
}

function step(kind: 'undo' | 'redo'): void {
  const { project, history, pending } = useSession.getState();
  const entry = history[kind][history[kind].length - 1];
  if (!entry) return announce(kind === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.');
  lastGesture = undefined;
  const edit = kind === 'undo' ? entry.inverse : entry.edit;
  try {
    const { document, inverse, footprint } = applyEdit(project, edit);
    const made: PendingEdit = { id: crypto.randomUUID(), kind, of: entry.id, edit };
    useSession.setState({
      project: document,
      draft: undefined,
      pending: [...pending, made],
      history: advance(history, { ...made, revision: 0, inverse }),
    });
    afterwards(
      document,
      footprint,
      `${kind === 'undo' ? 'Undone' : 'Redone'}: ${describeEdit(kind === 'undo' ? document : project, entry.edit)}`,
    );
  } catch (error) {
    report(`Can't ${kind}: ${inWords(error)}`);
  }
}

export const undo = () => step('undo');
export const redo = () => step('redo');

function afterwards(document: Project, footprint: Footprint, words: string, pause?: number): void {
  const { selection, pageId, slice } = useSession.getState();
  const page = pageOf(document, pageId);
  const still = selection.filter((id) => page && id in page.elements);
  useSession.setState({
    announcement: words,
    marked: [],
    ...(still.length !== selection.length && { selection: still }),
  });
  // Without a condition on it, height and pointer can't be chosen: the usual ones hold again.
  if (slice !== DEFAULT_SLICE && !cutsAcross(conditionsOf(document))) {
    useSession.setState({ slice: DEFAULT_SLICE });
    allWidthsChanged();
  }
  invalidateSweeps(footprint);
  schedule(pause);
}
