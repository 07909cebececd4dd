import type { Page as BrowserPage } from 'playwright-core';
import type { Viewport } from '@/core/breakpoints';
import type { Scrollbar } from '@/core/devices';
import type { Page, Project } from '@/core/document';
import type { SheetFrame, Whole } from '@/core/lineup';
import { cutInWords, layLineupSheet, nextWhole } from '@/core/lineup';
import { BUNDLED_FONTS, previewDocument, renderPreview, whatMatters, writeFontFaces } from '@/core/render';
import { HttpError } from '../http/errors';
import { fontData } from './fonts';
import { turns } from './lanes';
import { loadFiles } from '../store/files';
import { POLICY } from './measuring';
import type { Tab } from './tab';
import { TabPool } from './tab';
import { tried } from './tries';
import { Aborted } from './turns';

export const FORMATS = ['png', 'pdf', 'html'] as const;
export type SheetFormat = (typeof FORMATS)[number];

export interface SheetDevice {
  readonly title: string;
  readonly note: string;
  readonly viewport: Viewport;
  readonly scrollbar: Scrollbar;
}

export interface SheetWish {
  readonly format: SheetFormat;
  readonly title: string;
  readonly whole: boolean;
  readonly density: number;
  readonly zoom: number;
}

/** What Chromium draws in one picture, device px a side; and all of them together. */
const SIDE_MOST = 16_000;
const PIXELS_MOST = 120_000_000;
/** How long one step of a sheet may take, ms; drawing the largest one takes far longer than measuring does. */
const STEP_MOST_MS = 60_000;
/** PDF 1.7, annex C: a page has at most 200 inches a side. */
const PDF_SIDE_MOST = 200 * 96;

/**
 * The line-up as a file to send to somebody.
 * @throws HttpError 422 with what to change when it would be larger than can be made
 */
export async function makeSheet(
  project: Project,
  page: Page,
  devices: readonly SheetDevice[],
  wish: SheetWish,
  signal: AbortSignal,
): Promise<Uint8Array<ArrayBuffer>> {
  // Print would be another medium, for which the page may have other rules.
  const screen = (browserPage: BrowserPage) => browserPage.emulateMedia({ media: 'screen' });
  const tabs = new TabPool<void>({ deviceScaleFactor: wish.density }, screen, 0, STEP_MOST_MS);
  return tried(`The sheet of “${page.name}” could not be made`, () =>
    turns.run({ urgency: 'now', signal }, () => tabs.use((tab) => draw(tab, project, page, devices, wish, signal))),
  );
}

async function draw(
  tab: Tab<void>,
  ...[project, page, devices, wish, signal]: Parameters<typeof makeSheet>
): ReturnType<typeof makeSheet> {
  // Whoever has gone doesn't want the rest.
  const gone = () => void tab.close();
  signal.addEventListener('abort', gone);
  try {
    if (signal.aborted) throw new Aborted();
    await loadFiles(project);
    const heights = wish.whole
      ? await wholeHeights(tab, project, page, devices)
      : devices.map(({ viewport }): Whole => ({ height: viewport.height, rounds: 0 }));
    const frames = devices.map(({ title, note, viewport, scrollbar }, i): SheetFrame => ({
      title,
      note,
      width: viewport.width,
      height: heights[i]!.height,
      screenful: viewport.height,
      cut: heights[i]!.cut && cutInWords(heights[i]!.cut),
      document: documentFor(project, page, viewport, scrollbar, wish.whole),
    }));
    const fontFaces = writeFontFaces(
      { bundled: BUNDLED_FONTS, added: [] },
      { bundled: fontData, added: () => ({ address: '', type: '' }) },
    );
    const date = new Date().toISOString().slice(0, 16).replace('T', ' ');
    const laid = layLineupSheet(frames, {
      title: wish.title,
      date: `${date} UTC`,
      zoom: wish.zoom,
      fontFaces,
      // To be pictured, frames must say when their fonts are there. Scripts run in neither.
      sandbox: wish.format === 'html' ? '' : 'allow-same-origin',
    });
    if (wish.format === 'html') return new TextEncoder().encode(laid.html);
    refuseTooLarge(laid, wish);
    await tab.ask(async (browserPage) => {
      await browserPage.setViewportSize({ width: laid.width, height: laid.height });
      await browserPage.setContent(laid.html, { waitUntil: 'load' });
      await browserPage.evaluate(async () => {
        const inside = [...document.querySelectorAll('iframe')].map((frame) => frame.contentDocument!);
        await Promise.all([document, ...inside].map((one) => one.fonts.ready));
        await Promise.all(inside.flatMap((one) => [...one.images].map((image) => image.decode().catch(() => undefined))));
      });
    });
    const bytes = await tab.ask((browserPage) =>
      wish.format === 'png'
        ? browserPage.screenshot({ type: 'png', timeout: STEP_MOST_MS })
        : browserPage.pdf({ width: `${laid.width}px`, height: `${laid.height}px`, printBackground: true }),
    );
    return new Uint8Array(bytes);
  } catch (error) {
    throw signal.aborted ? new Aborted() : error;
  } finally {
    signal.removeEventListener('abort', gone);
  }
}

function documentFor(project: Project, page: Page, viewport: Viewport, scrollbar: Scrollbar, whole: boolean): string {
  const standIn = whatMatters(project, { ...viewport, height: whole ? viewport.height : undefined });
  return previewDocument(renderPreview(project, page, fontData, standIn), POLICY + EXACT, scrollbar);
}

/** Without it, printing leaves backgrounds out (CSS Color Adjustment 1, 4.1). */
const EXACT = '<style>@layer device { * { print-color-adjust: exact; -webkit-print-color-adjust: exact; } }</style>';

function refuseTooLarge({ width, height }: { width: number; height: number }, { format, density }: SheetWish): void {
  const size = `The sheet would be ${width.toLocaleString('en')} × ${height.toLocaleString('en')} px`;
  const advice = 'Choose a smaller zoom or density, fewer devices, or frames as high as the devices.';
  if (format === 'pdf' && Math.max(width, height) > PDF_SIDE_MOST)
    throw new HttpError(422, `${size}; a page of a PDF has at most ${PDF_SIDE_MOST.toLocaleString('en')}. ${advice}`);
  const [w, h] = [width * density, height * density];
  if (format === 'png' && (Math.max(w, h) > SIDE_MOST || w * h > PIXELS_MOST))
    throw new HttpError(422, `${size}, ${density} times as dense; that is more than a picture can have here. ${advice}`);
}

/** The height of each page on its device, found by giving it what it asks for until it asks for no more. */
async function wholeHeights(tab: Tab<void>, project: Project, page: Page, devices: readonly SheetDevice[]): Promise<Whole[]> {
  const heights: Whole[] = [];
  for (const { viewport, scrollbar } of devices) {
    await tab.ask(async (browserPage) => {
      await browserPage.setViewportSize({ width: viewport.width, height: viewport.height });
      await browserPage.setContent(documentFor(project, page, viewport, scrollbar, true), { waitUntil: 'load' });
      await browserPage.evaluate(() => document.fonts.ready);
    });
    let whole: Whole = { height: viewport.height, rounds: 0 };
    for (;;) {
      const natural = await tab.ask((browserPage) =>
        browserPage.evaluate(() => {
          const { bottom } = document.body.getBoundingClientRect();
          const margin = parseFloat(getComputedStyle(document.body).marginBottom) || 0;
          return Math.ceil(Math.max(bottom + margin, document.body.offsetTop + document.body.scrollHeight));
        }),
      );
      const next = nextWhole(whole, natural, viewport.height);
      if (next.height === whole.height) {
        whole = next;
        break;
      }
      whole = next;
      const { height } = whole;
      await tab.ask((browserPage) => browserPage.setViewportSize({ width: viewport.width, height }));
    }
    heights.push(whole);
  }
  return heights;
}
