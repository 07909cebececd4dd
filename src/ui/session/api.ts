import { z } from 'zod';
import type { Finding, PackedResult, View } from '@/core/audit';
import type { Project } from '@/core/document';
import { readProject } from '@/core/document';
import type { Edit, History, LogEntry } from '@/core/edits';

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

const errorSchema = z.object({ error: z.string() });

export async function requestJson(path: string, init?: { method?: string; body?: unknown }): Promise<unknown> {
  const response = await fetch(path, {
    method: init?.method ?? 'GET',
    ...(init?.body !== undefined && {
      body: JSON.stringify(init.body),
      headers: { 'content-type': 'application/json' },
    }),
    cache: 'no-store',
  });
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok || response.status === 409) return answer;
  const words = errorSchema.safeParse(answer);
  throw new Refused(response.status, words.success ? words.data.error : `The server answered with ${response.status}.`);
}

export interface OpenedProject {
  readonly project: Project;
  readonly revision: number;
  readonly history: History;
}

export async function openProject(id: string): Promise<OpenedProject> {
  const answer = (await requestJson(`/api/projects/${id}`)) as { project: unknown; revision: number; history: History };
  return { project: readProject(answer.project), revision: answer.revision, history: answer.history };
}

export interface PendingEdit {
  readonly id: string;
  readonly kind: LogEntry['kind'];
  readonly of?: string;
  readonly edit: Edit;
  /** On its way to the server; it can't take in more changes. */
  readonly sent?: boolean;
}

export type SaveAnswer =
  { status: 'saved'; revision: number } | { status: 'stale'; revision: number; missed: LogEntry[] };

export async function saveEdits(
  projectId: string,
  revision: number,
  edits: readonly PendingEdit[],
): Promise<SaveAnswer> {
  const answer = await requestJson(`/api/projects/${projectId}/edits`, {
    method: 'POST',
    body: { revision, edits: edits.map(({ id, kind, of, edit }) => ({ id, kind, ...(of && { of }), edit })) },
  });
  if (typeof answer !== 'object' || answer === null || !('status' in answer))
    throw new Refused(409, errorSchema.safeParse(answer).data?.error ?? 'The server refused the edit.');
  return answer as SaveAnswer;
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
  | { type: 'results'; view: View; results: PackedResult[]; layouts: number }
  | { type: 'done' }
  | { type: 'failed'; message: string };

/** Posts a request whose answer comes line by line (NDJSON). @throws Refused with the server's words */
export async function* streamLines(path: string, body: unknown, signal: AbortSignal): AsyncGenerator<unknown> {
  const response = await postForAnswer(path, body, signal);
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
export async function postForAnswer(path: string, body: unknown, signal: AbortSignal): Promise<Response> {
  const response = await fetch(path, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
    signal,
  });
  if (response.ok) return response;
  const words = errorSchema.safeParse(await response.json().catch(() => undefined));
  throw new Refused(response.status, words.data?.error ?? `The server answered with ${response.status}.`);
}

/** The lines of a sweep as they come. */
export const streamSweep = (projectId: string, body: unknown, signal: AbortSignal): AsyncGenerator<SweepLine> =>
  streamLines(`/api/projects/${projectId}/sweep`, body, signal) as AsyncGenerator<SweepLine>;

export type { Finding };
