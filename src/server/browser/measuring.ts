import type { Browser, Page as BrowserPage } from 'playwright-core';
import type { AskedFor, View, WidthResult } from '@/core/audit';
import { askedFor, SWEEP_RANGE } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import { conditionInterval, DEFAULT_SLICE } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Page, Project } from '@/core/document';
import { gridAt } from '@/core/grid';
import { previewDocument, renderPreview } from '@/core/render';
import { launchChromium } from './chromium';
import { fontData } from './fonts';
import type { SweepStep, SweepTask } from './in-page';
import { pageScript } from './script';
import { withinTime } from './within-time';

/** A policy for measured pages: nothing is loaded from anywhere. */
export const POLICY = `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:">`;

const idle: BrowserPage[] = [];
let browser: Promise<Browser> | undefined;

/** One Chromium for the whole server, kept warm; started again when it has gone. */
export function warmBrowser(): Promise<Browser> {
  // With scrollbars, since pages are also pictured as devices show them; where they take no room the page says so.
  browser ??= launchChromium({ scrollbars: true }).then((started) => {
    started.on('disconnected', () => (browser = undefined));
    return started;
  });
  browser.catch(() => (browser = undefined));
  return browser;
}

export async function closeBrowser(): Promise<void> {
  const open = browser;
  browser = undefined;
  await (await open)?.close();
}

/** A blank page with the measuring script in it, taken from those that wait or opened anew. */
export async function takeMeasuringPage(): Promise<BrowserPage> {
  const waiting = idle.pop();
  return waiting && !waiting.isClosed() ? waiting : openMeasuringPage();
}

/** Gives a measuring page back for the next one. */
export async function leaveMeasuringPage(page: BrowserPage): Promise<void> {
  if (idle.length < 2 && !page.isClosed()) idle.push(page);
  else await page.close();
}

async function openMeasuringPage(): Promise<BrowserPage> {
  const page = await (await warmBrowser()).newPage({ viewport: { width: 2600, height: DEFAULT_SLICE.height + 100 } });
  await page.route('**/*', (route) => route.abort());
  await page.setContent('<!doctype html><body style="margin:0">');
  await page.evaluate(await pageScript('in-page'));
  return page;
}

/** How long one piece of work in the browser may take before the page is given up, ms. */
const STEP_MOST_MS = 20_000;
/** Ms of work between two reports. */
const STEP_MS = 40;

export interface SweepWish {
  readonly view?: View;
  /** Whole px, ascending. */
  readonly widths: readonly number[];
  readonly near?: number;
  /** Viewport heights, px, in place of the one that the page was opened with. */
  readonly heights?: readonly number[];
  readonly turned?: SweepTask['turned'];
  readonly brute?: boolean;
}

/** One page of a project, loaded and ready to be measured at any width. Close it when done. */
export class MeasuredPage {
  private constructor(
    readonly browserPage: BrowserPage,
    private readonly height: number,
    private readonly askedIn: (views: readonly View[]) => readonly AskedFor[],
    private readonly grids: SweepTask['grids'],
  ) {}

  /** @param slice the viewport height and the reader that the page is measured with */
  static async open(project: Project, page: Page, slice: Slice = DEFAULT_SLICE): Promise<MeasuredPage> {
    const html = previewDocument(renderPreview(project, page, fontData, standsFor(slice)), POLICY);
    const browserPage = await loadMeasured(html, slice.height);
    const asked = (views: readonly View[]) => askedFor(project.audit, views);
    return new MeasuredPage(browserPage, slice.height, asked, gridsOf(project, page, slice));
  }

  /** Any HTML document, measured by the checks that are given, whatever view they are for. */
  static async openHtml(html: string, asked: readonly AskedFor[], height = DEFAULT_SLICE.height): Promise<MeasuredPage> {
    return new MeasuredPage(await loadMeasured(html, height), height, () => asked, []);
  }

  /** Decides the widths, part by part. @throws Error when the browser takes too long over it */
  async *sweep({
    view = 'widths',
    widths,
    near = 1280,
    heights = [this.height],
    turned,
    brute = false,
  }: SweepWish): AsyncGenerator<SweepStep> {
    const task: SweepTask = {
      view,
      heights,
      turned,
      widths,
      near,
      widest: SWEEP_RANGE.last,
      asked: this.askedIn(view === 'widths' ? ['widths', 'heights'] : [view]),
      grids: this.grids,
      brute,
    };
    await this.browserPage.evaluate((one) => globalThis.millPond.begin(one), task);
    for (;;) {
      const working = this.browserPage.evaluate((ms) => globalThis.millPond.step(ms), STEP_MS);
      const step = JSON.parse(await withinTime(working, STEP_MOST_MS, () => this.browserPage.close())) as SweepStep;
      yield step;
      if (step.done) return;
    }
  }

  /** All that a sweep says of the widths. */
  async measure(widths: readonly number[], wish: Omit<SweepWish, 'widths'> = {}): Promise<WidthResult[]> {
    const results: WidthResult[] = [];
    for await (const step of this.sweep({ ...wish, widths })) results.push(...step.results);
    return results.sort((a, b) => a.width - b.width);
  }

  resizeOnly(widths: readonly number[]): Promise<number> {
    return this.browserPage.evaluate((list) => globalThis.millPond.resizeOnly(list), widths);
  }

  /** Gives the browser page back for the next one. */
  close(): Promise<void> {
    return leaveMeasuringPage(this.browserPage);
  }
}

async function loadMeasured(html: string, height: number): Promise<BrowserPage> {
  const page = await takeMeasuringPage();
  const loading = page.evaluate(([source, high]) => globalThis.millPond.load(source, high), [html, height] as const);
  await withinTime(loading, STEP_MOST_MS, () => page.close());
  return page;
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
