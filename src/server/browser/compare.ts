import type { Page as BrowserPage } from 'playwright-core';
import type { IntervalSet, Slice } from '@/core/breakpoints';
import { integersIn } from '@/core/breakpoints';
import { SWEEP_RANGE } from '@/core/audit';
import type { Page, Project } from '@/core/document';
import { previewDocument, renderPreview } from '@/core/render';
import { log } from '../http/log';
import { fontData } from './fonts';
import type { MovedAt } from './in-page';
import { leaveMeasuringPage, POLICY, takeMeasuringPage } from './measuring';
import { takeTurn } from './turns';

/** One line of a comparison's answer. */
export type CompareLine =
  | { readonly type: 'begun'; readonly total: number; readonly identical: number }
  | { readonly type: 'compared'; readonly count: number; readonly moved: readonly MovedAt[] }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };

interface Version {
  readonly project: Project;
  readonly page: Page;
}

const CHUNK = 40;

/**
 * The widths at which anything on a page stands elsewhere than it did before. Only those that the edits in between can
 * have changed are laid out; at all others both versions are the same by what the edits say of themselves.
 * @param looks whether it counts, too, that something reads or is painted otherwise
 */
export async function* compareVersions(
  before: Version,
  after: Version,
  touched: IntervalSet,
  slice: Slice,
  signal: AbortSignal,
  looks = false,
): AsyncGenerator<CompareLine> {
  const widths = integersIn(touched, SWEEP_RANGE);
  const all = SWEEP_RANGE.last - SWEEP_RANGE.first + 1;
  yield { type: 'begun', total: widths.length, identical: all - widths.length };
  if (widths.length === 0) return yield { type: 'done' };
  const done = await takeTurn();
  let page: BrowserPage | undefined;
  try {
    page = await takeMeasuringPage();
    const html = ({ project, page: one }: Version) => previewDocument(renderPreview(project, one, fontData, slice), POLICY);
    await page.evaluate(([a, b, height]) => globalThis.millPond.loadPair(a, b, height), [
      html(before),
      html(after),
      slice.height,
    ] as const);
    for (let at = 0; at < widths.length && !signal.aborted; at += CHUNK) {
      const chunk = widths.slice(at, at + CHUNK);
      const moved = await page.evaluate(([list, how]) => globalThis.millPond.comparePair(list, how), [chunk, looks] as const);
      yield { type: 'compared', count: chunk.length, moved: JSON.parse(moved) as MovedAt[] };
    }
    yield { type: 'done' };
  } catch (error) {
    log.error({ error }, 'comparison failed');
    const why = error instanceof Error ? error.message.split('\n')[0] : 'unknown reason';
    yield { type: 'failed', message: `The versions could not be compared: ${why}` };
  } finally {
    if (page) await leaveMeasuringPage(page).catch(() => undefined);
    done();
  }
}
