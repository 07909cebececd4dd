import type { Project } from '@/core/document';
import type { History } from '@/core/edits';
import { advance, changeDocument } from '@/core/edits';
import type { PendingEdit } from './api';
import { Refused, saveEdits } from './api';
import { rebase } from './rebase';
import { useSession } from './store';
import { allWidthsChanged, continueSweep } from './sweep';

/** Ms between an edit and its sending, so that a gesture travels as one. */
const DELAY = 250;
/** Ms until the next try when the server doesn't answer. */
const RETRY = 2_000;

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
async function flush(): Promise<void> {
  if (busy) return;
  const { projectId, revision, pending } = useSession.getState();
  if (pending.length === 0) {
    useSession.setState({ saving: 'saved' });
    return continueSweep();
  }
  busy = true;
  const batch = pending.slice(0, 100);
  const ids = new Set(batch.map((edit) => edit.id));
  useSession.setState({
    saving: 'saving',
    pending: pending.map((edit) => (ids.has(edit.id) ? { ...edit, sent: true } : edit)),
  });
  try {
    const answer = await saveEdits(projectId, revision, batch);
    if (answer.status === 'saved') accept(batch, answer.revision);
    else {
      const { confirmed, confirmedHistory, pending: waiting, problems } = useSession.getState();
      const rebased = rebase(confirmed, confirmedHistory, answer.missed, waiting.map(unsent));
      useSession.setState({
        confirmed: rebased.confirmed,
        confirmedHistory: answer.missed.reduce(advance, confirmedHistory),
        project: rebased.project,
        history: rebased.history,
        pending: rebased.pending,
        revision: answer.revision,
        draft: undefined,
        problems: [
          ...problems,
          ...rebased.lost.map((why) => `An edit of yours could not be made on top of newer ones: ${why}`),
        ],
      });
      allWidthsChanged();
    }
    busy = false;
    void flush();
  } catch (error) {
    busy = false;
    if (error instanceof Refused && error.status < 500) refuse(batch, error.message);
    else useSession.setState(({ pending: waiting }) => ({ saving: 'waiting', pending: waiting.map(unsent) }));
    schedule(error instanceof Refused && error.status < 500 ? 0 : RETRY);
  }
}

const unsent = ({ sent: _, ...edit }: PendingEdit): PendingEdit => edit;

function accept(batch: readonly PendingEdit[], revision: number): void {
  const { confirmed, confirmedHistory, pending } = useSession.getState();
  let document: Project = confirmed;
  let history: History = confirmedHistory;
  for (const sent of batch) {
    const applied = changeDocument(document, sent.edit);
    document = applied.document;
    history = advance(history, { ...sent, revision, inverse: applied.inverse });
  }
  const done = new Set(batch.map((edit) => edit.id));
  useSession.setState({
    confirmed: document,
    confirmedHistory: history,
    revision,
    pending: pending.filter((edit) => !done.has(edit.id)),
  });
}

/** The server will not make these edits: they are taken back here too, and said. */
function refuse(batch: readonly PendingEdit[], why: string): void {
  const { confirmed, confirmedHistory, pending, problems } = useSession.getState();
  const refused = new Set(batch.map((edit) => edit.id));
  const rebased = rebase(confirmed, confirmedHistory, [], pending.filter((edit) => !refused.has(edit.id)).map(unsent));
  useSession.setState({
    project: rebased.project,
    history: rebased.history,
    pending: rebased.pending,
    draft: undefined,
    problems: [...problems, `The server refused ${batch.length === 1 ? 'an edit' : `${batch.length} edits`}: ${why}`],
  });
  allWidthsChanged();
}
