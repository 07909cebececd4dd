import { followFiles } from '../bring-in/files';
import type { Received } from '@/core/edits';
import { received, reopened, sent } from '@/core/edits';
import { isForGood, openProject, Refused, saveEdits } from '../requests/requests';
import { followDocument } from './follow-document';
import { logOf, useSession } from '../state/store';
import { allWidthsChanged, continueSweep, invalidateSweeps } from '../measuring/sweep';

/** Ms between an edit and its sending, so that a gesture travels as one. */
const DELAY = 100;
/** Ms until the next try when the server doesn't answer. */
const RETRY = 2_000;
/** Edits in one request. */
const BATCH = 100;

let timer: ReturnType<typeof setTimeout> | undefined;
let busy = false;

export function schedule(delay = DELAY): void {
  clearTimeout(timer);
  timer = setTimeout(() => void flush(), delay);
  if (useSession.getState().saving === 'saved') useSession.setState({ saving: 'saving' });
}

/** Resolves when everything has been sent; until then another project must not take this one's place. */
export async function settled(): Promise<void> {
  while (useSession.getState().pending.length > 0) {
    if (!busy) schedule(0);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Sends what waits; again and again until all is there. */
async function flush(most = BATCH): Promise<void> {
  if (busy) return;
  const session = useSession.getState();
  const { log, batch } = sent(logOf(session), most);
  if (batch.length === 0) {
    if (session.saving !== 'saved') useSession.setState({ saving: 'saved' });
    return continueSweep();
  }
  busy = true;
  useSession.setState({ ...log, saving: 'saving' });
  let next = BATCH;
  try {
    const answer = await saveEdits(session.projectId, session.revision, batch);
    take(received(logOf(useSession.getState()), answer.entries, answer.refused, answer.known));
    if (answer.reload) await reload();
  } catch (error) {
    // A server that has gone back to before this window's revision: its project, with what waits on top.
    const behindUs =
      error instanceof Refused &&
      error.status === 409 &&
      (await reload().then(
        () => true,
        () => false,
      ));
    if (!behindUs && !isForGood(error)) {
      busy = false;
      useSession.setState({ saving: 'waiting' });
      return schedule(RETRY);
    }
    // Refused as a whole: one by one it turns out which of them the server can't take.
    if (batch.length > 1) next = 1;
    else if (!behindUs) take(received(logOf(useSession.getState()), [], [{ id: batch[0]!.id, why: (error as Error).message }]));
  }
  busy = false;
  void flush(next);
}

/** Others' edits as they come in. */
export function hear(arrived: Parameters<typeof received>[1]): void {
  const log = logOf(useSession.getState());
  const heard = received(log, arrived);
  // Mostly one's own edits, of which the answer told already.
  if (heard.log !== log || heard.behind) take(heard);
  void followFiles(useSession.getState().project);
  if (useSession.getState().pending.length === 0) continueSweep();
}

let reloading: Promise<void> | undefined;

/** The project loaded anew, where too much was missed to be told one by one. Own edits that wait stay on top. */
export function reload(): Promise<void> {
  reloading ??= loadAnew().finally(() => (reloading = undefined));
  return reloading;
}

async function loadAnew(): Promise<void> {
  const { projectId } = useSession.getState();
  const { project, revision, history, damage } = await openProject(projectId);
  if (useSession.getState().projectId !== projectId) return;
  useSession.setState({ damage });
  take(reopened(logOf(useSession.getState()), project, revision, history));
  void followFiles(useSession.getState().project);
  if (useSession.getState().pending.length === 0) continueSweep();
}

function take({ log, footprint, lost, behind }: Received): void {
  const before = useSession.getState();
  useSession.setState({
    ...log,
    // Told once: every change of the session is looked at by all that is drawn.
    ...(busy && log.pending.length === 0 && before.saving === 'saving' && { saving: 'saved' as const }),
    ...(lost.length > 0 && {
      draft: undefined,
      problems: [...before.problems, ...lost.map((why) => `An edit of yours could not be made: ${why}`)].slice(-4),
    }),
  });
  if (log.project !== before.project) followDocument(log.project);
  if (footprint) invalidateSweeps(footprint);
  else allWidthsChanged();
  if (behind) reload().catch(() => schedule(RETRY));
}
