import { z } from 'zod';
import type { Finding, PackedResults, View, WrongWidth } from '@/core/audit';
import type { Project } from '@/core/document';
import { readProject } from '@/core/document';
import { askBeside } from './beside';
import { fetchJson } from './fetch-json';
import type { Arrived, History, PendingEntry } from '@/core/edits';

/** A request the server refused, in its own words. */
export class Refused extends Error {
  override readonly name = 'Refused';

  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** A server that gives no answer at all, or a network that isn't there. */
export class NoAnswer extends Error {
  override readonly name = 'NoAnswer';

  constructor(cause: unknown) {
    super("The server doesn't answer. Try again in a moment.", { cause });
  }
}

/** @throws NoAnswer */
async function ask<T>(path: string, init: RequestInit, by: (path: string, init: RequestInit) => Promise<T>): Promise<T> {
  try {
    return await by(path, init);
  } catch (error) {
    // Browsers say no more than this of a network that failed (Fetch, 5.6).
    throw error instanceof TypeError ? new NoAnswer(error) : error;
  }
}

const errorSchema = z.object({ error: z.string() });

/**
 * @param fine tells answers besides 2xx that are read like others
 * @param by asks in another way than the page itself
 * @throws Refused for all else, NoAnswer
 */
export async function requestJson(
  path: string,
  init?: { method?: string; body?: unknown; fine?: (answer: unknown) => boolean; by?: typeof fetchJson },
): Promise<unknown> {
  const request = {
    method: init?.method ?? 'GET',
    ...(init?.body !== undefined && { body: JSON.stringify(init.body), headers: { 'content-type': 'application/json' } }),
    cache: 'no-store' as const,
  };
  const { status, answer } = await ask(path, request, init?.by ?? fetchJson);
  if ((status >= 200 && status < 300) || init?.fine?.(answer)) return answer;
  const words = errorSchema.safeParse(answer);
  throw new Refused(status, words.success ? words.data.error : `The server answered with ${status}.`);
}

/** What is wrong with a project whose stored document can't be read. */
export interface Damage {
  readonly reason: string;
  /** Where in the document. */
  readonly place: string;
  /** The revision that can't be read. */
  readonly revision: number;
}

export interface OpenedProject {
  readonly project: Project;
  readonly revision: number;
  readonly history: History;
  readonly damage?: Damage;
}

/** A project of which no revision can be read. */
export class UnreadableEverywhere extends Error {
  override readonly name = 'UnreadableEverywhere';
}

const openedSchema = z.object({
  project: z.unknown().optional(),
  revision: z.number().optional(),
  history: z.custom<History>((one) => typeof one === 'object' && one !== null),
  damage: z.object({ reason: z.string(), place: z.string(), revision: z.number() }).optional(),
});

/** @throws UnreadableEverywhere when nothing of it can be shown */
export async function openProject(id: string): Promise<OpenedProject> {
  const { project, revision, history, damage } = openedSchema.parse(await requestJson(`/api/projects/${id}`));
  if (project === undefined || revision === undefined)
    throw new UnreadableEverywhere(`No revision of this project can be read: ${damage?.reason ?? ''}`);
  return { project: readProject(project), revision, history, ...(damage && { damage }) };
}

const arrivedSchema = z.custom<Arrived>(
  (one) => typeof one === 'object' && one !== null && typeof (one as Arrived).revision === 'number',
);
export const tidingsSchema = z.object({ entries: z.array(arrivedSchema).default([]), reload: z.literal(true).optional() });
const answerSchema = tidingsSchema.extend({
  known: z.array(z.string()),
  refused: z.array(z.object({ id: z.string(), why: z.string() })),
});
export type SaveAnswer = z.infer<typeof answerSchema>;

/** Refusals that are about what was sent. All others can pass: the edits are kept and sent again. */
export const isForGood = (error: unknown): error is Refused =>
  error instanceof Refused && [400, 413, 415, 422].includes(error.status);

/** An edit as it is sent. */
export type Edited = Pick<PendingEntry, 'id' | 'kind' | 'of' | 'edit'>;

export async function saveEdits(projectId: string, revision: number, edits: readonly Edited[]): Promise<SaveAnswer> {
  const list = edits.map(({ id, kind, of, edit }) => ({ id, kind, ...(of && { of }), edit }));
  return answerSchema.parse(
    await requestJson(`/api/projects/${projectId}/edits`, {
      method: 'POST',
      body: { revision, edits: list },
      // 422 with a word about each edit: all were refused.
      fine: (answer) => answerSchema.safeParse(answer).success,
      by: askBeside,
    }),
  );
}

/** Takes a project whose stored document can't be read back to its newest revision that can. */
export async function recoverProject(id: string): Promise<void> {
  await requestJson(`/api/projects/${id}/recover`, { method: 'POST' });
}

export interface FrameParts {
  readonly script: string;
  readonly fonts: Readonly<Record<string, string>>;
}

let frameParts: Promise<FrameParts> | undefined;

export function loadFrameParts(): Promise<FrameParts> {
  frameParts ??= requestJson('/api/frame') as Promise<FrameParts>;
  frameParts.catch(() => (frameParts = undefined));
  return frameParts;
}

export type SweepLine =
  | { type: 'results'; view: View; height: number; results: PackedResults; layouts: number; wrong?: WrongWidth }
  | { type: 'done' }
  | { type: 'failed'; message: string };

/** Posts a request whose answer comes line by line (NDJSON). @throws Refused with the server's words */
export async function* streamLines(path: string, body: unknown, signal: AbortSignal): AsyncGenerator<unknown> {
  yield* answerLines(await postForAnswer(path, body, signal));
}

/** An answer line by line, as it comes. */
export async function* answerLines(response: Response): AsyncGenerator<unknown> {
  if (!response.body) return;
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    const lines = (rest + value).split('\n');
    rest = lines.pop()!;
    for (const line of lines) if (line) yield JSON.parse(line);
  }
}

/** Posts JSON, for an answer that isn't. @throws Refused with the server's words */
export const postForAnswer = (path: string, body: unknown, signal: AbortSignal): Promise<Response> =>
  postBytes(path, JSON.stringify(body), 'application/json', signal);

/** Posts a body as it is. @throws Refused with the server's words */
export async function postBytes(path: string, body: BodyInit, type: string, signal: AbortSignal): Promise<Response> {
  const request = { method: 'POST', body, headers: { 'content-type': type }, signal };
  const response = await ask(path, request, (...wish) => fetch(...wish));
  if (response.ok) return response;
  const words = errorSchema.safeParse(await response.json().catch(() => undefined));
  throw new Refused(response.status, words.data?.error ?? `The server answered with ${response.status}.`);
}

/** The lines of a sweep as they come. */
export const streamSweep = (projectId: string, body: unknown, signal: AbortSignal): AsyncGenerator<SweepLine> =>
  streamLines(`/api/projects/${projectId}/sweep`, body, signal) as AsyncGenerator<SweepLine>;

export type { Finding };
