import { HttpError } from '../http/errors';
import { log } from '../logging/log';
import { Aborted } from './turns';

export interface FailedLine {
  readonly type: 'failed';
  readonly message: string;
}

/** The last line of an answer that was begun already: why it can't be ended. Nothing, where nobody listens any more. */
export function failedLine(what: string, error: unknown): FailedLine | undefined {
  if (error instanceof Aborted) return undefined;
  if (error instanceof HttpError) return { type: 'failed', message: error.message };
  log.error({ error }, what);
  return { type: 'failed', message: `${what}: ${error instanceof Error ? error.message.split('\n')[0] : 'unknown reason'}` };
}
