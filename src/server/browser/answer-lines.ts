import type { FailedLine } from './failed-line';
import { failedLine } from './failed-line';
import { turns } from './lanes';
import type { Tries } from './tries';

/** How an answer that comes in lines ends. */
export type LastLine = { readonly type: 'done' } | FailedLine;

/**
 * The lines of work in the browser, in a turn that is waited for before anything else; tried again from where it stands
 * when a tab fails it. The last line says how it ended; after `signal` there is none where the work failed.
 * @param failed what could not be done, in words
 */
export async function* answerLines<Line>(
  failed: string,
  tries: Tries,
  signal: AbortSignal,
  work: () => AsyncGenerator<Line>,
): AsyncGenerator<Line | LastLine> {
  try {
    for (;;)
      try {
        yield* turns.stream({ urgency: 'now', signal }, work);
        return yield { type: 'done' };
      } catch (error) {
        await tries.after(error);
      }
  } catch (error) {
    const last = failedLine(failed, error);
    if (last) yield last;
  }
}
