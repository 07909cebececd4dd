import type { WidthResult } from '@/core/audit';
import { planSweep } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { log } from '../http/log';
import { MeasuredPage } from './measuring';
import { takeTurn } from './turns';

/** One line of a sweep's answer. */
export type SweepLine =
  | { readonly type: 'results'; readonly results: readonly WidthResult[] }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };

/** Measures the widths chunk by chunk, nearest first, and stops as soon as `signal` says so. */
export async function* sweep(
  project: Project,
  page: Page,
  slice: Slice,
  widths: readonly number[],
  near: number,
  signal: AbortSignal,
): AsyncGenerator<SweepLine> {
  const done = await takeTurn();
  let measured: MeasuredPage | undefined;
  try {
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
