import type { AskedFor, View, WidthResult } from '@/core/audit';
import { askedFor, unpacked } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import { conditionInterval, DEFAULT_SLICE } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import { PLAIN_PROFILE } from '@/core/document';
import type { Page, Project, WidthRange } from '@/core/document';
import { densitiesOf } from '@/core/devices';
import { gridAt } from '@/core/grid';
import { deviceStyle, heldSelectors, previewDocument, renderPreview } from '@/core/render';
import { loadFiles } from '../store/files';
import { fontData } from './fonts';
import type { PackedStep, SweepTask } from './in-page';
import type { ComparedTexts } from './texts-in-page';
import { pageScript } from './script';
import { stand } from './stand';
import type { Tab } from './tab';
import { TabPool } from './tab';

/** A policy for measured pages: nothing is loaded from anywhere. */
export const POLICY = `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:">`;

/** Pages with the measuring script in them. */
export const measuringTabs = new TabPool<void>(
  { viewport: { width: 2600, height: DEFAULT_SLICE.height + 100 } },
  async (page) => {
    await page.setContent('<!doctype html><body style="margin:0">');
    await page.evaluate(await pageScript('in-page'));
  },
  2,
  undefined,
  2,
);

export type SweepStep = Omit<PackedStep, 'results'> & { readonly results: readonly WidthResult[] };

/** More often, windows would do nothing but take in results; less often, a sweep would be slow to stop. */
const REPORT_MS = 200;
/** Whoever has just opened a page wants to see the first ones. */
const FIRST_REPORT_MS = 10;
/** Each report may take so many times as long as the one before. */
const LONGER = 4;

export interface SweepWish {
  readonly view?: View;
  /** Whole px, ascending. */
  readonly widths: readonly number[];
  readonly near?: number;
  /** Viewport heights, px, in place of the one that the page was opened with. */
  readonly heights?: readonly number[];
  readonly turned?: SweepTask['turned'];
  readonly brute?: boolean;
  /** Ms of work between two reports; with none each report is of the smallest piece of work. */
  readonly reportMs?: number;
}

/** One page of a project, loaded and ready to be measured at any width. Close it when done. */
export class MeasuredPage {
  private constructor(
    private readonly tab: Tab<void>,
    private readonly height: number,
    private readonly askedIn: (views: readonly View[]) => readonly AskedFor[],
    private readonly grids: SweepTask['grids'],
    private readonly widest: number,
    private readonly densities?: SweepTask['densities'],
  ) {}

  /** @param slice the viewport height and the reader that the page is measured with */
  static async open(project: Project, page: Page, slice: Slice = DEFAULT_SLICE): Promise<MeasuredPage> {
    await loadFiles(project);
    const html = previewDocument(renderPreview(project, page, fontData, standsFor(slice)), POLICY);
    // What somebody else wrote isn't written anew for another text size: there the browser itself has that size.
    const tab = await loadMeasured(html, slice.height, page.brought ? slice.text : undefined);
    const asked = (views: readonly View[]) => askedFor(project.audit, views);
    return new MeasuredPage(
      tab,
      slice.height,
      asked,
      gridsOf(project, page, slice),
      project.audit.range.last,
      densitiesOf(project),
    );
  }

  /** Any HTML document, measured by the checks that are given, whatever view they are for. */
  static async openHtml(
    html: string,
    asked: readonly AskedFor[] | ((views: readonly View[]) => readonly AskedFor[]),
    height = DEFAULT_SLICE.height,
  ): Promise<MeasuredPage> {
    const askedIn = typeof asked === 'function' ? asked : () => asked;
    return new MeasuredPage(await loadMeasured(asMeasured(html), height), height, askedIn, [], PLAIN_PROFILE.range.last);
  }

  /** Decides the widths, part by part. @throws BrowserTrouble when the browser doesn't get on with it */
  async *sweep({
    view = 'widths',
    widths,
    near = 1280,
    heights = [this.height],
    turned,
    brute = false,
    reportMs = REPORT_MS,
  }: SweepWish): AsyncGenerator<SweepStep> {
    const task: SweepTask = {
      view,
      heights,
      turned,
      widths,
      near,
      widest: this.widest,
      asked: this.askedIn(view === 'widths' ? ['widths', 'heights'] : [view]),
      grids: this.grids,
      densities: this.densities,
      brute,
    };
    await this.tab.ask((page) => page.evaluate((one) => globalThis.millPond.begin(one), JSON.stringify(task)));
    const ask = (wait: number) => this.tab.ask((page) => page.evaluate((ms) => globalThis.millPond.step(ms), wait));
    let wait = Math.min(FIRST_REPORT_MS, reportMs);
    let asked = ask(wait);
    try {
      for (;;) {
        const step = JSON.parse(await asked) as PackedStep;
        wait = Math.min(wait * LONGER, reportMs);
        // The page goes on while what it told is taken in.
        if (!step.done) asked = ask(wait);
        asked.catch(() => undefined);
        yield { ...step, results: unpacked(step.results) };
        if (step.done) return;
      }
    } finally {
      await asked.catch(() => undefined);
    }
  }

  /** All that a sweep says of the widths. */
  async measure(widths: readonly number[], wish: Omit<SweepWish, 'widths'> = {}): Promise<WidthResult[]> {
    const results: WidthResult[] = [];
    for await (const step of this.sweep({ ...wish, widths })) results.push(...step.results);
    return results.sort((a, b) => a.width - b.width);
  }

  /** Only lays the page out at each px of a range, to compare with. @param rectangles whether that of every element is read, too */
  async resizeOnly({ first, last }: WidthRange, rectangles = false): Promise<void> {
    // Piece by piece: a browser that gives no answer for long is taken for one that never will.
    const atOnce = rectangles ? 100 : 400;
    for (let from = first; from <= last; from += atOnce) {
      const piece = [from, Math.min(last, from + atOnce - 1), rectangles] as const;
      await this.tab.ask((page) => page.evaluate((wish) => globalThis.millPond.resizeOnly(...wish), piece));
    }
  }

  /** Works out every width by its texts where that can be done, and measures it too, to compare. */
  async compareTexts(widths: readonly number[]): Promise<ComparedTexts> {
    const all = { worked: 0, wrong: [] as ComparedTexts['wrong'][number][] };
    for (let at = 0; at < widths.length; at += 260) {
      const told = await this.tab.ask((page) =>
        page.evaluate((list) => globalThis.millPond.compareTexts(list), widths.slice(at, at + 260)),
      );
      const { worked, wrong } = JSON.parse(told) as ComparedTexts;
      all.worked += worked;
      all.wrong.push(...wrong);
    }
    return all;
  }

  /** Gives the browser page back for the next one. */
  close(): Promise<void> {
    return measuringTabs.leave(this.tab);
  }
}

/** A document as a preview is: its states are held, and what browsers do by themselves is below all that it says. */
const asMeasured = (html: string): string =>
  html
    .replace(/<style[^>]*>[\s\S]*?<\/style>/g, heldSelectors)
    .replace(/<title>|<style|<body/, (first) => `${deviceStyle()}\n${first}`);

async function loadMeasured(html: string, height: number, text = 1): Promise<Tab<void>> {
  const tab = await measuringTabs.take();
  try {
    await stand(tab, [html], height, text);
    return tab;
  } catch (error) {
    await measuringTabs.leave(tab);
    throw error;
  }
}

/** What the page is written for: the reader; the height is the frame's own. */
function standsFor({ height: _, ...reader }: Slice) {
  return reader;
}

/** The column grid from each edge on. */
function gridsOf(project: Project, page: Page, slice: Slice): SweepTask['grids'] {
  const edges = conditionsOf(project).flatMap((condition) => {
    const { from, below } = conditionInterval(condition, slice);
    return [from, below].filter((edge) => edge > 0 && edge < Infinity);
  });
  return [0, ...new Set(edges)]
    .sort((a, b) => a - b)
    .map((from) => ({ from, grid: gridAt(project, page, { ...slice, width: from })?.grid ?? null }));
}
