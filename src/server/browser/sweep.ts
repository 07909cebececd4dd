import type { Looking, PackedResult, View } from '@/core/audit';
import { packed } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { log } from '../http/log';
import { MeasuredPage } from './measuring';
import { takeTurn } from './turns';

/** One line of a sweep's answer. */
export type SweepLine =
  | {
      readonly type: 'results';
      readonly view: View;
      /** The viewport's height for results that don't say it themselves, px. */
      readonly height: number;
      readonly results: readonly PackedResult[];
      readonly layouts: number;
    }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };

/** Decides the widths part by part, nearest first, and stops as soon as `signal` says so. */
export async function* sweep(
  project: Project,
  page: Page,
  slice: Slice,
  wishes: readonly (Looking & { readonly near: number })[],
  signal: AbortSignal,
): AsyncGenerator<SweepLine> {
  const done = await takeTurn('now');
  let measured: MeasuredPage | undefined;
  try {
    if (signal.aborted) return;
    measured = await MeasuredPage.open(project, page, slice);
    for (const wish of wishes)
      for await (const { results, layouts } of measured.sweep(wish)) {
        if (signal.aborted) return;
        if (results.length > 0)
          yield { type: 'results', view: wish.view, height: wish.heights[0]!, results: packed(results), layouts };
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
