import type { Project } from '@/core/document';
import { kept, readProject } from '@/core/document';
import type { Arrived, Edit, EditLog, LogEntry, PendingEntry, Refusal, ServerState } from '@/core/edits';
import {
  advance,
  applyEdit,
  EditError,
  EMPTY_HISTORY,
  historyOf,
  made,
  opened,
  received,
  reopened,
  sent,
  stepped,
  takeIn,
} from '@/core/edits';
import { sameJson } from '@/core/text';
import { Draw } from './draw';
import { randomEdit } from './random-edit';
import { stored } from './sequences';
import { START } from './start';

/*
 * Two windows and a server, and between them a network that loses, doubles, delays and reorders. Messages go as JSON. The
 * server keeps only its log and, now and then, a whole document; it forgets the rest when it starts again.
 */

interface Answer {
  readonly entries: readonly Arrived[];
  readonly refused: readonly Refusal[];
  readonly known: readonly string[];
}

interface Request {
  readonly revision: number;
  readonly edits: readonly { id: string; kind: 'do' | 'undo' | 'redo'; of?: string; edit: unknown }[];
}

export class Server {
  readonly log: LogEntry[] = [];
  #snapshot: { revision: number; document: unknown } = { revision: 0, document: stored(kept(START)) };
  #state: ServerState = { revision: 0, project: START, history: EMPTY_HISTORY };

  get state(): ServerState {
    return this.#state;
  }

  /** Ended and started again: only what is stored is left. */
  restart(): void {
    let project: Project = readProject(stored(this.#snapshot.document));
    for (const { edit } of this.log.slice(this.#snapshot.revision)) project = applyEdit(project, edit).document;
    this.#state = { revision: this.log.length, project, history: historyOf(this.log) };
  }

  snapshot(): void {
    this.#snapshot = { revision: this.#state.revision, document: stored(kept(this.#state.project)) };
  }

  take({ revision, edits }: Request): Answer {
    const ids = edits.map(({ id }) => id);
    const there = this.log.filter(({ id }) => ids.includes(id));
    const { state, entries, refused } = takeIn(this.#state, edits, there);
    this.#state = state;
    this.log.push(...entries.map((entry) => stored(entry)));
    const wrong = new Set(refused.map(({ id }) => id));
    const told = this.since(revision).map((entry): Arrived =>
      ids.includes(entry.id) && !wrong.has(entry.id) ? { revision: entry.revision, id: entry.id } : entry,
    );
    const known = there.filter((entry) => entry.revision <= revision && !wrong.has(entry.id)).map(({ id }) => id);
    return stored({ entries: told, refused, known });
  }

  since(revision: number): LogEntry[] {
    return this.log.slice(revision);
  }
}

type Message = { readonly request: Request } | { readonly answer: Answer } | { readonly stream: readonly Arrived[] };

export class Window {
  log: EditLog = opened(START, 0, EMPTY_HISTORY);
  /** What a person was told of: ids of edits that were made on screen, and reasons why some are gone. */
  readonly seen = new Map<string, readonly string[]>();
  readonly told: string[] = [];
  readonly network: Message[] = [];
  #count = 0;

  constructor(readonly name: string) {}

  #id = () => `${this.name}-${this.#count++}`;

  #show(log: EditLog): void {
    const before = new Set(this.log.pending.map(({ id }) => id));
    this.log = log;
    for (const { id } of log.pending) if (!before.has(id)) this.seen.set(id, []);
  }

  /** The first of a few edits by chance that can be made; now and then something is removed that the other may be at. */
  edit(seed: number, gesture: boolean): void {
    for (let attempt = 0; attempt < 5; attempt++) {
      const draw = new Draw(seed + attempt);
      const { project } = this.log;
      const removal = (): Edit => ({
        type: 'removeElement',
        node: draw.from(Object.keys(project.pages[0]!.elements).slice(2)) ?? 'egone',
      });
      const edit = draw.chance(0.2) ? removal() : randomEdit(project, draw, 0.02);
      try {
        const at = { key: `${seed % 2}`, at: 0 };
        this.#show(made(this.log, this.#id(), edit, gesture ? at : undefined).log);
        return;
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
      }
    }
  }

  step(kind: 'undo' | 'redo'): void {
    const result = stepped(this.log, kind, this.#id());
    if (result) this.#show(result.log);
  }

  send(most: number): void {
    const { log, batch } = sent(this.log, most);
    this.log = log;
    if (batch.length > 0) this.network.push({ request: stored(requestOf(log.revision, batch)) });
  }

  /** One message arrives, or is lost. */
  deliver(server: Server, which: number, how: 'once' | 'twice' | 'never'): void {
    const [message] = this.network.splice(which % Math.max(1, this.network.length), 1);
    if (!message || how === 'never') return;
    for (let times = how === 'twice' ? 2 : 1; times > 0; times--) this.#arrive(server, message);
  }

  #arrive(server: Server, message: Message): void {
    if ('request' in message) {
      this.network.push({ answer: server.take(message.request) });
      return;
    }
    const { entries, refused, known } =
      'answer' in message ? message.answer : { entries: message.stream, refused: [], known: [] };
    const { log, lost, behind } = received(this.log, entries, refused, known);
    this.told.push(...lost);
    this.log = log;
    if (behind) this.reload(server);
  }

  /** The server tells of new entries by its stream. */
  stream(server: Server, from: number): void {
    this.network.push({ stream: stored(server.since(Math.min(from, server.log.length))) });
  }

  reload(server: Server): void {
    const { project, revision } = server.state;
    const { log, lost } = reopened(this.log, readProject(stored(kept(project))), revision, historyOf(server.log));
    this.told.push(...lost);
    this.log = log;
  }

  /** All that waits goes, until nothing does. */
  settle(server: Server): void {
    this.network.length = 0;
    for (let round = 0; this.log.pending.length > 0; round++) {
      if (round > 50) throw new Error(`${this.name} never comes to rest.`);
      this.send(100);
      this.deliver(server, 0, 'once');
      this.deliver(server, 0, 'once');
    }
    this.stream(server, this.log.revision);
    this.deliver(server, 0, 'once');
  }
}

const requestOf = (revision: number, batch: readonly PendingEntry[]): Request => ({
  revision,
  edits: batch.map(({ id, kind, of, edit }) => ({ id, kind, ...(of !== undefined && { of }), edit })),
});

/** At rest: all hold the same document, and nothing that a person saw has gone without a word. */
export function problemAtRest(server: Server, windows: readonly Window[]): string | undefined {
  for (const window of windows) window.settle(server);
  for (const window of windows) window.settle(server);
  for (const { name, log, seen, told } of windows) {
    if (!sameJson(log.project, server.state.project)) return `${name} shows another document than the server has.`;
    if (!sameJson(log.confirmed, log.project)) return `${name} shows another document than it takes for confirmed.`;
    const ids = (history: { undo: readonly LogEntry[]; redo: readonly LogEntry[] }) =>
      [history.undo, history.redo].map((list) => list.map(({ id }) => id));
    if (!sameJson(ids(log.history), ids(server.state.history))) return `${name} would undo something else than the server.`;
    const gone = [...seen.keys()].filter((id) => !server.log.some((entry) => entry.id === id));
    if (gone.length > told.length) return `${name} lost ${gone.length} edits and said so of ${told.length}.`;
  }
  const twice = new Set(server.log.map(({ id }) => id)).size !== server.log.length;
  if (twice) return 'An edit is in the log twice.';
  const replayed = server.log.reduce((project, { edit }) => applyEdit(project, edit).document, START);
  if (!sameJson(replayed, server.state.project)) return 'The log leads elsewhere.';
  const history = server.log.reduce(advance, EMPTY_HISTORY);
  return history.undo.length === server.state.history.undo.length ? undefined : 'The history is another one.';
}
