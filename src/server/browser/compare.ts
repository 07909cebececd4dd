import type { IntervalSet, Slice } from '@/core/breakpoints';
import { integersIn } from '@/core/breakpoints';
import { countOfWidths } from '@/core/audit';
import type { Page, Project } from '@/core/document';
import { previewDocument, renderPreview } from '@/core/render';
import type { LastLine } from './answer-lines';
import { answerLines } from './answer-lines';
import { loadFiles } from '../store/files';
import { fontData } from './fonts';
import type { MovedAt } from './versions-in-page';
import { measuringTabs, POLICY } from './measuring';
import { stand } from './stand';
import { Tries } from './tries';

/** One line of a comparison's answer. */
export type CompareLine =
  | { readonly type: 'begun'; readonly total: number; readonly identical: number }
  | { readonly type: 'compared'; readonly count: number; readonly moved: readonly MovedAt[] }
  | LastLine;

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
  const { range } = after.project.audit;
  const widths = integersIn(touched, range);
  yield { type: 'begun', total: widths.length, identical: countOfWidths(range) - widths.length };
  if (widths.length === 0) return yield { type: 'done' };
  for (const { project } of [before, after]) await loadFiles(project);
  const html = ({ project, page: one }: Version) => previewDocument(renderPreview(project, one, fontData, slice), POLICY);
  const versions = [html(before), html(after)];
  const tries = new Tries(`The versions of “${after.page.name}” could not be compared`);
  let at = 0;
  async function* compareRest(): AsyncGenerator<CompareLine> {
    const tab = await measuringTabs.take();
    try {
      await stand(tab, versions, slice.height);
      for (; at < widths.length; at += CHUNK) {
        const asked = [widths.slice(at, at + CHUNK), looks] as const;
        const moved = await tab.ask((page) => page.evaluate(([list, how]) => globalThis.millPond.comparePair(list, how), asked));
        yield { type: 'compared', count: asked[0].length, moved: JSON.parse(moved) as MovedAt[] };
        if (signal.aborted) return;
        tries.progressed();
      }
    } finally {
      await measuringTabs.leave(tab);
    }
  }
  yield* answerLines('The versions could not be compared', tries, signal, compareRest);
}
