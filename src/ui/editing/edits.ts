import type { Edit, EditLog, Footprint, Written } from '@/core/edits';
import { applyEdit, EditError, foresee, made, readEdit, stepped, throughParts } from '@/core/edits';
import { checkNewValue } from '@/core/styles';
import { followDocument } from './follow-document';
import { schedule } from './sync';
import { invalidateSweeps } from '../measuring/sweep';
import { logOf, NOTHING_MARKED, useSession, writtenTo } from '../state/store';

/** A gesture that may go on is sent only after this pause, ms: what has been sent can't be joined any more. */
const GESTURE_PAUSE = 800;

export function report(message: string): void {
  useSession.setState(({ problems }) => ({ problems: [...problems.filter((one) => one !== message), message].slice(-4) }));
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

const NOT_NOW = "This project is shown as it was, since what is stored can't be read. Go back to this revision to edit it.";

/** An edit of what uses of parts show, as it is to be written: to the part, or to the use. @throws EditError */
function meant(edit: Edit, written?: Written): Edit {
  const session = useSession.getState();
  return throughParts(session.project, edit, written ?? writtenTo(session));
}

/** What an edit would change, without making it; undefined when it can't be made. */
export function footprintOf(edit: Edit): Footprint | undefined {
  try {
    return foresee(useSession.getState().project, readEdit(meant(edit))).footprint;
  } catch {
    return undefined;
  }
}

/**
 * Makes an edit: on screen at once, on the server soon.
 * @param gesture edits with the same key that follow quickly are undone together
 * @param written where edits of what a use of a part shows go; as chosen where nobody says
 * @returns what is wrong with it, in words; undefined when it's made
 */
export function commit(edit: Edit, gesture?: string, written?: Written): string | undefined {
  const session = useSession.getState();
  if (session.damage) return NOT_NOW;
  // Whoever writes one value writes it anew; edits of several also move what stands there already.
  const typed = edit.type === 'setStyle' ? checkNewValue(edit.property, edit.value) : undefined;
  if (typed && !typed.ok) {
    useSession.setState({ draft: undefined });
    return typed.message;
  }
  try {
    const key = gesture === undefined ? undefined : { key: gesture, at: Date.now() };
    const { log, footprint, words } = made(logOf(session), crypto.randomUUID(), meant(edit, written), key);
    show(log, footprint, words, gesture === undefined ? undefined : GESTURE_PAUSE);
    return undefined;
  } catch (error) {
    useSession.setState({ draft: undefined });
    return inWords(error);
  }
}

/** Makes an edit and shows what is wrong with it, where no field stands by to do so. */
export function commitOrReport(edit: Edit, written?: Written): boolean {
  const problem = commit(edit, undefined, written);
  if (problem) report(problem);
  return problem === undefined;
}

/** Shows what an edit would make of the document, until it's committed or dropped. */
export function preview(edit: Edit | undefined): void {
  if (!edit) return useSession.setState({ draft: undefined });
  try {
    useSession.setState({ draft: applyEdit(useSession.getState().project, meant(edit)).document });
  } catch (error) {
    inWords(error);
  }
}

function step(kind: 'undo' | 'redo'): void {
  const session = useSession.getState();
  if (session.damage) return report(NOT_NOW);
  const result = stepped(logOf(session), kind, crypto.randomUUID());
  if (!result) return announce(kind === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.');
  const { log, footprint, words, problem } = result;
  show(log, footprint, problem ? '' : `${kind === 'undo' ? 'Undone' : 'Redone'}: ${words}`);
  if (problem)
    report(`"${words}" can't be ${kind === 'undo' ? 'undone' : 'made again'} any more, and is passed over: ${problem}`);
}

export const undo = () => step('undo');
export const redo = () => step('redo');

function show(log: EditLog, footprint: Footprint, words: string, pause?: number): void {
  useSession.setState({ ...log, draft: undefined, announcement: words, marked: NOTHING_MARKED });
  followDocument(log.project);
  invalidateSweeps(footprint);
  schedule(pause);
}
