import type { Project } from '../document/project';
import type { Applied } from './apply-edit';
import { applyEdit } from './apply-edit';
import type { Edit, Footprint } from './edit';
import { EditError } from './edit';
import { mergeFootprints } from './footprint';
import type { History, LogEntry } from './history';
import { advance } from './history';
import { joinEdits } from './join-edits';
import { makeEdit } from './make-edit';
import { readEdit } from './read-edit';
import { describeEdit } from './registry';

/** An edit that this window made and that the server hasn't confirmed yet. */
export interface PendingEntry {
  readonly id: string;
  readonly kind: 'do' | 'undo' | 'redo';
  readonly of?: string | undefined;
  readonly edit: Edit;
  readonly inverse: Edit;
  /** Once on its way to the server it stays as it is, for ever: the answer may only have got lost. */
  readonly sent: boolean;
  readonly before: Project;
  readonly after: Project;
  readonly gesture?: { readonly key: string; readonly at: number } | undefined;
}

/**
 * What one window knows of a project: the document that the server confirmed, and its own edits on top. A value with
 * transitions: `opened`, `made`, `stepped`, `sent`, `received` and `reopened`.
 */
export interface EditLog {
  /** The revision of the confirmed document. */
  readonly revision: number;
  readonly confirmed: Project;
  readonly confirmedHistory: History;
  readonly pending: readonly PendingEntry[];
  /** Confirmed document and pending entries together: what the window shows. */
  readonly project: Project;
  readonly history: History;
}

/** What the server says of an entry: all of it, or only its revision to the window that made it. */
export type Arrived = LogEntry | { readonly revision: number; readonly id: string };

/** An entry that the server will never take, and why. */
export interface Refusal {
  readonly id: string;
  readonly why: string;
}

/** Edits of the same gesture within this time are one step to undo, ms. */
const SAME_GESTURE = 2_000;

export const opened = (project: Project, revision: number, history: History): EditLog => ({
  revision,
  confirmed: project,
  confirmedHistory: history,
  pending: [],
  project,
  history,
});

const withPending = (log: EditLog, pending: readonly PendingEntry[]): EditLog => ({
  ...log,
  pending,
  project: pending[pending.length - 1]?.after ?? log.confirmed,
  history: pending.reduce<History>((history, entry) => advance(history, { ...entry, revision: 0 }), log.confirmedHistory),
});

export interface Made {
  readonly log: EditLog;
  readonly footprint: Footprint;
  /** What was done, in words. */
  readonly words: string;
}

export interface Gesture {
  /** Edits with the same key that follow quickly are undone together. */
  readonly key: string;
  /** When it was made, ms on any clock. */
  readonly at: number;
}

/** An edit of this window's. @throws EditError when it can't be made; the log stays as it is then */
export function made(log: EditLog, id: string, input: Edit, gesture?: Gesture): Made {
  const applied = makeEdit(log.project, readEdit(input));
  const words = describeEdit(log.project, applied.edit);
  const footprint = () => applied.footprint;
  const last = log.pending[log.pending.length - 1];
  const joined = last && gesture && goesOn(last, gesture) ? joinedWith(last, applied) : undefined;
  const entry = joined
    ? { ...last!, ...joined, gesture }
    : { id, kind: 'do' as const, sent: false, before: log.project, gesture, ...entryOf(applied) };
  const pending = [...(joined ? log.pending.slice(0, -1) : log.pending), entry];
  return {
    log: withPending(log, pending),
    words,
    get footprint() {
      return footprint();
    },
  };
}

const entryOf = ({ edit, inverse, document }: Applied) => ({ edit, inverse, after: document });

const goesOn = ({ kind, sent, gesture }: PendingEntry, { key, at }: Gesture) =>
  kind === 'do' && !sent && gesture?.key === key && at - gesture.at < SAME_GESTURE;

/** One entry for both. Undefined where they stay two steps. */
function joinedWith(last: PendingEntry, later: Applied): ReturnType<typeof entryOf> | undefined {
  const edit = joinEdits(last.edit, later.edit);
  if (!edit) return undefined;
  try {
    return entryOf(makeEdit(last.before, edit));
  } catch (error) {
    if (error instanceof EditError) return undefined;
    throw error;
  }
}

/** The next step of the history taken back or made again. */
export interface Stepped extends Made {
  /** Why the step could not be made. It is passed over, so that those before it can still be reached. */
  readonly problem?: string | undefined;
}

/** Undo or redo; undefined where there is nothing to. */
export function stepped(log: EditLog, kind: 'undo' | 'redo', id: string): Stepped | undefined {
  const step = log.history[kind][log.history[kind].length - 1];
  if (!step) return undefined;
  const words = describeEdit(kind === 'undo' ? (beforeOf(log, step) ?? log.project) : log.project, step.edit);
  let problem: string | undefined;
  let applied: Applied;
  try {
    applied = makeEdit(log.project, kind === 'undo' ? step.inverse : step.edit);
  } catch (error) {
    if (!(error instanceof EditError)) throw error;
    problem = error.message;
    applied = applyEdit(log.project, { type: 'group', label: words.slice(0, 200), edits: [] });
  }
  const entry: PendingEntry = { id, kind, of: step.id, sent: false, before: log.project, ...entryOf(applied) };
  return { log: withPending(log, [...log.pending, entry]), footprint: applied.footprint, words, problem };
}

/** The document that an entry was made on, where this window still has it. */
const beforeOf = (log: EditLog, { id }: LogEntry) => log.pending.find((one) => one.id === id)?.before;

/** Takes the first of what waits to be sent. What was sent before comes again, as it was. */
export function sent(log: EditLog, most: number): { readonly log: EditLog; readonly batch: readonly PendingEntry[] } {
  const batch = log.pending.slice(0, most).map((entry): PendingEntry => ({ ...entry, sent: true }));
  return { log: { ...log, pending: [...batch, ...log.pending.slice(most)] }, batch };
}

export interface Received {
  readonly log: EditLog;
  /** What others changed; undefined where something of one's own was taken away again, and anything may differ. */
  readonly footprint: Footprint | undefined;
  /** Own edits that are gone, each with the reason in a sentence. */
  readonly lost: readonly string[];
  /** Whether something must be asked for: entries before these, or the whole project. */
  readonly behind?: 'entries' | 'project' | undefined;
}

/** The project loaded anew, where too much was missed: own edits that wait are made again on top. */
export function reopened(log: EditLog, project: Project, revision: number, history: History): Received {
  const { pending, lost } = replay(project, log.pending);
  const next = withPending({ ...log, revision, confirmed: project, confirmedHistory: history }, pending);
  return { log: next, footprint: undefined, lost };
}

/**
 * Entries as the server made them, in its order, and those it refused; the same log where none of them is new. Entries that came before are passed over,
 * whichever way they come a second time. Own edits that wait are made again on top.
 * @param known ids of own edits that are in the confirmed document already
 */
export function received(
  log: EditLog,
  arrived: readonly Arrived[],
  refused: readonly Refusal[] = [],
  known: readonly string[] = [],
): Received {
  let { revision, confirmed, confirmedHistory } = log;
  const gone = new Map(refused.map(({ id, why }) => [id, why]));
  const lost = log.pending.flatMap(({ id }) => gone.get(id) ?? []);
  let waiting = log.pending.filter(({ id }) => !gone.has(id) && !known.includes(id));
  const footprints: Footprint[] = [];
  let behind: Received['behind'];
  for (const one of arrived) {
    if (one.revision <= revision) continue;
    const mine = waiting.find(({ id }) => id === one.id);
    const content = 'edit' in one ? one : mine;
    if (one.revision > revision + 1 || !content) {
      behind = 'entries';
      break;
    }
    if (content.kind === 'restart') {
      behind = 'project';
      break;
    }
    const straight = mine && mine.before === confirmed;
    const applied = straight ? undefined : applyEdit(confirmed, content.edit);
    if (applied && !mine) footprints.push(applied.footprint);
    confirmed = straight ? mine.after : applied!.document;
    revision = one.revision;
    const { id, kind, of, edit } = content;
    const inverse = straight ? mine.inverse : applied!.inverse;
    confirmedHistory = advance(confirmedHistory, { revision, id, kind, of, edit, inverse });
    waiting = waiting.filter((entry) => entry !== mine);
  }
  const isAsBefore = revision === log.revision && waiting.length === log.pending.length;
  if (isAsBefore) return { log, footprint: mergeFootprints(), lost, behind };
  const replayed = replay(confirmed, waiting);
  const next = withPending({ ...log, revision, confirmed, confirmedHistory }, replayed.pending);
  const all = [...lost, ...replayed.lost];
  return { log: next, footprint: all.length > 0 ? undefined : mergeFootprints(...footprints), lost: all, behind };
}

function replay(project: Project, waiting: readonly PendingEntry[]) {
  const pending: PendingEntry[] = [];
  const lost: string[] = [];
  let document = project;
  for (const entry of waiting) {
    if (entry.before === document) pending.push(entry);
    else
      try {
        const { inverse, document: after } = makeEdit(document, entry.edit);
        pending.push({ ...entry, inverse, before: document, after });
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
        lost.push(error.message);
        continue;
      }
    document = pending[pending.length - 1]!.after;
  }
  return { pending, lost };
}
