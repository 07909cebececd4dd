import type { Project } from '@/core/document';
import type { History, LogEntry } from '@/core/edits';
import { advance, changeDocument } from '@/core/edits';
import type { PendingEdit } from './api';

export interface Rebased {
  /** The server's document: what was confirmed, with the missed edits made. */
  readonly confirmed: Project;
  /** The same with one's own waiting edits made again on top. */
  readonly project: Project;
  readonly history: History;
  readonly pending: readonly PendingEdit[];
  /** Why some could not be made again; those are no longer waiting. */
  readonly lost: readonly string[];
}

/** Own edits that the server hasn't got yet, replayed on top of those that others made in between. */
export function rebase(
  confirmed: Project,
  confirmedHistory: History,
  missed: readonly LogEntry[],
  waiting: readonly PendingEdit[],
): Rebased {
  let server = confirmed;
  let history = confirmedHistory;
  for (const entry of missed) {
    server = changeDocument(server, entry.edit).document;
    history = advance(history, entry);
  }
  const arrived = new Set(missed.map((entry) => entry.id));
  const pending: PendingEdit[] = [];
  const lost: string[] = [];
  let project = server;
  for (const waitingEdit of waiting) {
    if (arrived.has(waitingEdit.id)) continue;
    try {
      const applied = changeDocument(project, waitingEdit.edit);
      project = applied.document;
      history = advance(history, { ...waitingEdit, revision: 0, inverse: applied.inverse });
      pending.push(waitingEdit);
    } catch (error) {
      lost.push(error instanceof Error ? error.message : String(error));
    }
  }
  return { confirmed: server, project, history, pending, lost };
}
