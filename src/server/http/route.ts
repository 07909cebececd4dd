import type { z } from 'zod';
import { MALFORMED, malformedAt } from '@/core/text';
import { HttpError } from './errors';
import { log } from './log';

/** Bytes. Room for a few hundred edits of the longest texts. */
const BODY_MAX = 8_000_000;

type Handler<P> = (request: Request, parameters: P) => Promise<Response>;

/**
 * A route handler whose failures are answered in words: what people did wrong as 4xx, what broke here as 500 with a
 * line in the log. Requests from other origins are refused, since the server has no log-in to protect it.
 */
export function route<P = Record<string, never>>(handler: Handler<P>) {
  return async (request: Request, context: { params: Promise<P> }): Promise<Response> => {
    try {
      requireSameOrigin(request);
      return await handler(request, await context.params);
    } catch (error) {
      if (error instanceof HttpError) return Response.json({ error: error.message }, { status: error.status });
      log.error({ error, url: request.url }, 'request failed');
      const down = isConnectionFailure(error);
      return Response.json(
        {
          error: down
            ? 'The database does not answer. Nothing was changed; try again in a moment.'
            : 'Something broke on the server. Nothing was changed.',
        },
        { status: down ? 503 : 500 },
      );
    }
  };
}

function isConnectionFailure(error: unknown): boolean {
  const cause = error instanceof Error ? (error.cause ?? error) : error;
  const code = (cause as { code?: string } | null)?.code ?? '';
  return /^(ECONN|57P|08)/.test(code) || /terminated|timeout|ECONNREFUSED/i.test(cause instanceof Error ? cause.message : '');
}

function requireSameOrigin(request: Request): void {
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  if (origin && host && originHost(origin) !== host) throw new HttpError(403, 'Requests from other sites are not answered.');
}

function originHost(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return '';
  }
}

/**
 * The request's JSON, checked.
 * @throws HttpError 413, 400 or 422 with a sentence that says what and where
 */
export async function readBody<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  if (!/^application\/json\b/.test(request.headers.get('content-type') ?? ''))
    throw new HttpError(415, 'The request must be JSON (content-type application/json).');
  if (Number(request.headers.get('content-length') ?? 0) > BODY_MAX) throw new HttpError(413, tooLarge);
  const text = await request.text();
  if (text.length > BODY_MAX) throw new HttpError(413, tooLarge);
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch {
    throw new HttpError(400, 'The request is not readable as JSON.');
  }
  const malformed = malformedAt(input);
  if (malformed !== undefined) throw new HttpError(422, `${MALFORMED} (at ${malformed})`);
  return check(schema, input);
}

const tooLarge = `The request is larger than ${BODY_MAX / 1_000_000} MB.`;

export function check<T>(schema: z.ZodType<T>, input: unknown): T {
  const result = schema.safeParse(input);
  if (result.success) return result.data;
  const issue = result.error.issues[0]!;
  throw new HttpError(422, `${issue.message}${issue.path.length ? ` (at ${issue.path.join('.')})` : ''}`);
}
