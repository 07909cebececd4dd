import type { Browser, Page as BrowserPage } from 'playwright-core';
import type { PageFacts, WidthResult } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import { conditionInterval, DEFAULT_SLICE } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Page, Project } from '@/core/document';
import { gridAt, layColumns } from '@/core/grid';
import { previewDocument, renderPreview, writeSheet } from '@/core/render';
import { launchChromium } from './chromium';
import { fontData } from './fonts';
import { pageScript } from './script';

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

/** One page of a project, loaded and ready to be measured at any width. Close it when done. */
export class MeasuredPage {
  private constructor(
    readonly browserPage: BrowserPage,
    private readonly edges: readonly number[],
    private readonly fluid: boolean,
    private readonly columns: (width: number) => PageFacts['columns'],
  ) {}

  /** @param slice the viewport height and the pointer that the page is measured with */
  static async open(project: Project, page: Page, slice: Slice = DEFAULT_SLICE): Promise<MeasuredPage> {
    const preview = renderPreview(project, page, fontData, slice);
    const browserPage = await takeMeasuringPage();
    const html = previewDocument(preview, POLICY);
    await browserPage.evaluate(([source, height]) => globalThis.millPond.load(source, height), [
      html,
      slice.height,
    ] as const);
    // With viewport units a computed style can change at every px, not only at breakpoints.
    const fluid = /\d(?:[dsl]?v[wh]|vmin|vmax)\b/.test(writeSheet(preview.blocks));
    return new MeasuredPage(
      browserPage,
      conditionsOf(project).flatMap((condition) =>
        Object.values(conditionInterval(condition, slice)).filter((edge) => edge > 0 && edge < Infinity),
      ),
      fluid,
      (width) => {
        const chosen = gridAt(project, page, { ...slice, width });
        if (!chosen) return undefined;
        const { columnWidth, fits } = layColumns(chosen.grid, width);
        return { columnWidth, fits, least: chosen.grid.columnLeast };
      },
    );
  }

  async measure(widths: readonly number[]): Promise<WidthResult[]> {
    const results = await this.browserPage.evaluate(
      ([list, edges, fluid, columns]) => globalThis.millPond.measure(list, edges, fluid, columns),
      [widths, this.edges, this.fluid, widths.map((width) => this.columns(width) ?? null)] as const,
    );
    return JSON.parse(results) as WidthResult[];
  }

  resizeOnly(widths: readonly number[]): Promise<number> {
    return this.browserPage.evaluate((list) => globalThis.millPond.resizeOnly(list), widths);
  }

  /** Gives the browser page back for the next one. */
  close(): Promise<void> {
    return leaveMeasuringPage(this.browserPage);
  }
}
