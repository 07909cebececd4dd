import type { WidthResult } from '@/core/audit';
import { planSweep } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { log } from '../http/log';
import { MeasuredPage } from './measuring';

/** One line of a sweep's answer. */
export type SweepLine =
  | { readonly type: 'results'; readonly results: readonly WidthResult[] }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };

// Two cores: one sweep at a time leaves the other to the application. Those that wait can be cancelled too.
let queue: Promise<unknown> = Promise.resolve();

/** Measures the widths chunk by chunk, nearest first, and stops as soon as `signal` says so. */
async function* sweep(
  project: Project,
  page: Page,
  slice: Slice,
  widths: readonly number[],
  near: number,
  signal: AbortSignal,
): AsyncGenerator<SweepLine> {
  let done!: () => void;
  const turn = queue;
  queue = new Promise<void>((resolve) => (done = resolve));
  let measured: MeasuredPage | undefined;
  try {
    await turn;
    if (signal.aborted) return;
    measured = await MeasuredPage.open(project, page, slice);
    for (const chunk of planSweep(widths, near)) {
      if (signal.aborted) return;
      yield { type: 'results', results: await measured.measure(chunk) };
    }
    yield { type: 'done' };
  } catch (error) {
    log.error({ error }, 'sweep failed');
    yield {
      type: 'failed',
      message: `The page could not be measured: ${error instanceof Error ? error.message.split('\n')[0] : 'unknown reason'}`,
    };
  } finally {
    await measured?.close().catch(() => undefined);
    done();
  }
}

export function sweepStream(
  project: Project,
  page: Page,
  slice: Slice,
  widths: readonly number[],
  near: number,
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const stop = new AbortController();
  const lines = sweep(project, page, slice, widths, near, AbortSignal.any([signal, stop.signal]));
  const text = new TextEncoder();
  return new ReadableStream({
    async pull(controller) {
      const { value, done } = await lines.next();
      if (done) controller.close();
      else controller.enqueue(text.encode(`${JSON.stringify(value)}\n`));
    },
    async cancel() {
      stop.abort();
      await lines.return(undefined);
    },
  });
}
