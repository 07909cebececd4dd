import type { z } from 'zod';
import { MALFORMED, malformedAt } from '@/core/text';
import { HttpError } from './errors';

/** Bytes. Room for a few hundred edits of the longest texts. */
export const BODY_MOST = 8_000_000;
/** How long a body may take to arrive, ms. */
const ARRIVAL_MOST_MS = 30_000;

/**
 * The request's JSON, checked. It is counted while it streams, so that no more of it is kept than may be.
 * @throws HttpError 415, 413, 408, 400 or 422 with a sentence that says what and where
 */
export async function readBody<T>(request: Request, schema: z.ZodType<T>, arrivalMostMs = ARRIVAL_MOST_MS): Promise<T> {
  if (!/^application\/json\b/.test(request.headers.get('content-type') ?? ''))
    throw new HttpError(415, 'The request must be JSON (content-type application/json).');
  if (Number(request.headers.get('content-length') ?? 0) > BODY_MOST) throw new HttpError(413, TOO_LARGE);
  let input: unknown;
  const text = new TextDecoder().decode(await arrived(request, arrivalMostMs, BODY_MOST, TOO_LARGE));
  try {
    input = JSON.parse(text);
  } catch {
    throw new HttpError(400, 'The request is not readable as JSON.');
  }
  const malformed = malformedAt(input);
  if (malformed !== undefined) throw new HttpError(422, `${MALFORMED} (at ${malformed})`);
  return check(schema, input);
}

const TOO_LARGE = `The request is larger than ${BODY_MOST / 1_000_000} MB.`;

/**
 * The bytes of a request, counted while they stream, so that no more of them is kept than may be.
 * @param tooLarge what is said of more than so many
 * @throws HttpError 413 or 408
 */
export async function arrived(request: Request, mostMs: number, most: number, tooLarge: string): Promise<Uint8Array> {
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  const parts: Uint8Array[] = [];
  let size = 0;
  let slow = false;
  const timer = setTimeout(() => {
    slow = true;
    void reader.cancel().catch(() => undefined);
  }, mostMs);
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (slow) throw new HttpError(408, 'The request took too long to arrive.');
      if (done) return Buffer.concat(parts);
      size += value.byteLength;
      if (size > most) {
        void reader.cancel().catch(() => undefined);
        throw new HttpError(413, tooLarge);
      }
      parts.push(value);
    }
  } finally {
    clearTimeout(timer);
  }
}

/** @throws HttpError 422 */
export function check<T>(schema: z.ZodType<T>, input: unknown): T {
  const result = schema.safeParse(input);
  if (result.success) return result.data;
  const issue = result.error.issues[0]!;
  throw new HttpError(422, `${issue.message}${issue.path.length ? ` (at ${issue.path.join('.')})` : ''}`);
}
