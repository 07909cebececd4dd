import { randomBytes } from 'node:crypto';
import { isAway } from '../db/patient-pool';
import { HttpError } from './errors';
import { log } from '../logging/log';
import { requireOurs } from './visitors';

type Handler<P> = (request: Request, parameters: P) => Promise<Response>;

/** A request that takes longer is worth a line in the log, ms. */
const SLOW_MS = 2_000;

/**
 * A route handler whose failures are answered in words: what people did wrong as 4xx, what broke here as 500 with a
 * line in the log. Each request has an id, which is in the log, in the answer's headers and in the words of what broke.
 */
export function route<P = Record<string, never>>(handler: Handler<P>) {
  return async (request: Request, context: { params: Promise<P> }): Promise<Response> => {
    const id = randomBytes(4).toString('hex');
    const begun = performance.now();
    const about = { request: id, method: request.method, path: new URL(request.url).pathname };
    let answer: Response;
    try {
      requireOurs(request.headers);
      answer = await handler(request, await context.params);
    } catch (error) {
      answer = answerTo(error, about);
    }
    answer.headers.set('x-request-id', id);
    const ms = Math.round(performance.now() - begun);
    if (about.path !== '/api/health' || !answer.ok)
      log[ms > SLOW_MS ? 'warn' : 'info']({ ...about, status: answer.status, ms }, 'answered');
    return answer;
  };
}

function answerTo(error: unknown, about: { readonly request: string }): Response {
  if (error instanceof HttpError && error.status < 500) return Response.json({ error: error.message }, { status: error.status });
  // Whoever asked has gone; nobody reads this.
  if (error instanceof Error && error.name === 'AbortError') return new Response(null, { status: 499 });
  const asked = ` (Request ${about.request})`;
  if (error instanceof HttpError) {
    log.error({ ...about, error: { message: error.message } }, 'request not served');
    return Response.json({ error: error.message + asked }, { status: error.status });
  }
  if (isAway(error)) {
    log.error({ ...about, error }, 'the database does not answer');
    const words = 'The database does not answer. Try again in a moment; nothing is made twice.';
    return Response.json({ error: words + asked }, { status: 503, headers: { 'retry-after': '2' } });
  }
  log.error({ ...about, error }, 'request failed');
  return Response.json({ error: `Something broke on the server. Nothing was changed.${asked}` }, { status: 500 });
}
