import type { Page, Project } from '@/core/document';
import type { BundledFont, Preview, PreviewPatch, StandIn } from '@/core/render';
import { patchBetween, renderPreview, restyledPreview, rewrittenPreview, standInKey } from '@/core/render';

type FontData = (font: BundledFont) => string;

/** What a frame shows, and of what. Frames that show the same share one of these. */
export interface Shown {
  readonly project: Project;
  readonly page: Page;
  readonly standIn: StandIn;
  readonly preview: Preview;
}

interface Step {
  readonly shown: Shown;
  readonly patch: PreviewPatch;
}

const latest = new WeakMap<Page, Map<string, Shown>>();
/** The last ways that were worked out. Few, so that a frame which shows something old keeps nothing else alive. */
let steps: readonly (Step & { readonly from: Shown })[] = [];
const STEPS_KEPT = 8;

function known(project: Project, page: Page, standIn: StandIn): Shown | undefined {
  const found = latest.get(page)?.get(standInKey(standIn));
  return found?.project === project ? found : undefined;
}

function keep(shown: Shown): Shown {
  const list = latest.get(shown.page) ?? new Map<string, Shown>();
  latest.set(shown.page, list.set(standInKey(shown.standIn), shown));
  return shown;
}

export const shows = (shown: Shown, project: Project, page: Page, standIn: StandIn): boolean =>
  shown.project === project && shown.page === page && standInKey(shown.standIn) === standInKey(standIn);

/** The preview of a page for a device and reader: rendered once, however many frames ask for it. */
export function previewOf(project: Project, page: Page, standIn: StandIn, fontData: FontData): Shown {
  return (
    known(project, page, standIn) ?? keep({ project, page, standIn, preview: renderPreview(project, page, fontData, standIn) })
  );
}

/** The way from what a frame shows to what it is to show: worked out once for all frames that show the same. */
export function nextPreview(before: Shown, project: Project, page: Page, standIn: StandIn, fontData: FontData): Step {
  const sameReader = standInKey(before.standIn) === standInKey(standIn);
  const done = steps.find(({ from, shown }) => from === before && shown.project === project && shown.page === page);
  if (done && sameReader) return done;
  const quick =
    sameReader && !known(project, page, standIn)
      ? (restyledPreview(before, project, page) ?? rewrittenPreview(before, project, page))
      : undefined;
  const shown = quick ? keep({ project, page, standIn, preview: quick.preview }) : previewOf(project, page, standIn, fontData);
  const step = { shown, patch: quick?.patch ?? patchBetween(before.preview, shown.preview) };
  if (sameReader) steps = [{ from: before, ...step }, ...steps].slice(0, STEPS_KEPT);
  return step;
}
