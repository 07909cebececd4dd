import type { Project } from '../document/project';
import { sameJson } from '../text';
import type { Edit } from './edit';
import { EditError } from './edit';
import type { History, LogEntry } from './history';
import { advance } from './history';
import type { Refusal } from './log';
import { makeEdit } from './make-edit';
import { readEdit, upgradedEdit } from './read-edit';

/** What a server has of a project. */
export interface ServerState {
  readonly revision: number;
  readonly project: Project;
  readonly history: History;
}

/** An edit as a window sends it; nothing of it has been believed yet. */
export interface Incoming {
  readonly id: string;
  readonly kind: 'do' | 'undo' | 'redo';
  readonly of?: string | undefined;
  readonly edit: unknown;
}

export interface TakenIn {
  readonly state: ServerState;
  /** What is to be appended to the log. */
  readonly entries: readonly LogEntry[];
  readonly refused: readonly Refusal[];
}

/**
 * Edits that windows send, made one after the other on what is there by now, whatever they were made on. Each is taken
 * or refused by itself. One that is in the log under the same id and says the same is passed over: its answer got lost.
 * @param known the entries of the log whose ids are among those that come in
 */
export function takeIn(
  before: ServerState,
  incoming: readonly Incoming[],
  known: readonly Pick<LogEntry, 'id' | 'kind' | 'of' | 'edit'>[],
): TakenIn {
  const logged = new Map(known.map((entry) => [entry.id, entry]));
  const entries: LogEntry[] = [];
  const refused: Refusal[] = [];
  let state = before;
  for (const { id, kind, of, edit: input } of incoming) {
    try {
      const edit = readEdit(input);
      const same = logged.get(id);
      if (same) {
        if (!saysTheSame(same, { kind, of, edit })) throw new EditError('Another edit has the same id.');
        continue;
      }
      if (kind !== 'do' && !state.history[kind].some((entry) => entry.id === of)) throw new EditError(NO_STEP[kind]);
      const { document, inverse } = makeEdit(state.project, edit);
      const revision = state.revision + 1;
      const entry: LogEntry = { revision, id, kind, ...(of !== undefined && { of }), edit, inverse };
      state = { revision, project: document, history: advance(state.history, entry) };
      entries.push(entry);
      logged.set(id, entry);
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      refused.push({ id, why: error.message });
    }
  }
  return { state, entries, refused };
}

const NO_STEP = {
  undo: 'What was to be undone has been undone already, or was never made.',
  redo: 'What was to be made again has been made again already, or was never undone.',
} as const;

type Said = { readonly kind: string; readonly of?: string | undefined; readonly edit: Edit };
const saysTheSame = (a: Said, b: Said) =>
  a.kind === b.kind && (a.of ?? null) === (b.of ?? null) && sameJson(upgradedEdit(a.edit), b.edit);
