import type { Edit } from './edit';

/** One line of the edit log. */
export interface LogEntry {
  readonly revision: number;
  /** Given by the client, so that sending twice writes once. */
  readonly id: string;
  /** `restart` is where a project was taken back to a document that can be read; nothing before it can be undone. */
  readonly kind: 'do' | 'undo' | 'redo' | 'restart';
  /** For undo and redo: the id of the entry that is taken back or made again. */
  readonly of?: string | undefined;
  readonly edit: Edit;
  readonly inverse: Edit;
}

export interface History {
  /** What can be undone, last one on top. */
  readonly undo: readonly LogEntry[];
  /** What can be made again, last undone on top. */
  readonly redo: readonly LogEntry[];
}

export const EMPTY_HISTORY: History = { undo: [], redo: [] };

/** How far back undo reaches. */
export const HISTORY_DEPTH = 500;

/** The stacks after one more entry. A new edit forgets what had been undone. */
export function advance(history: History, entry: LogEntry): History {
  const known = (one: LogEntry) => one.id === entry.of;
  switch (entry.kind) {
    case 'restart':
      return EMPTY_HISTORY;
    case 'do':
      return { undo: [...history.undo, entry].slice(-HISTORY_DEPTH), redo: [] };
    case 'undo': {
      const undone = history.undo.find(known);
      return undone ? { undo: history.undo.filter((one) => one !== undone), redo: [...history.redo, undone] } : history;
    }
    case 'redo': {
      const redone = history.redo.find(known);
      // Made again on another document, its inverse may be another one too.
      return redone
        ? { undo: [...history.undo, { ...redone, inverse: entry.inverse }], redo: history.redo.filter((one) => one !== redone) }
        : history;
    }
  }
}

export function historyOf(entries: readonly LogEntry[]): History {
  return entries.reduce(advance, EMPTY_HISTORY);
}
