import type { CDPSession, Page as BrowserPage } from 'playwright-core';
import { askedFor } from '@/core/audit';
import type { Viewport } from '@/core/breakpoints';
import type { Scrollbar } from '@/core/devices';
import type { Page, Project } from '@/core/document';
import { gridAt, layColumns } from '@/core/grid';
import { previewDocument, renderPreview, standInKey, whatMatters } from '@/core/render';
import { fontData } from './fonts';
import { POLICY, warmBrowser } from './measuring';
import { pageScript } from './script';
import { takeTurn } from './turns';

/** The longer side of a small picture, px. */
const LONGEST = 320;

interface Shot {
  readonly viewport: Viewport;
  readonly scrollbar: Scrollbar;
}

interface Studio {
  readonly page: BrowserPage;
  readonly session: CDPSession;
  /** What it shows now. */
  shown: string;
}

let studio: Promise<Studio> | undefined;

async function openStudio(): Promise<Studio> {
  const page = await (await warmBrowser()).newPage({ viewport: { width: 400, height: 400 } });
  await page.route('**/*', (route) => route.abort());
  page.on('close', () => (studio = undefined));
  return { page, session: await page.context().newCDPSession(page), shown: '' };
}

/**
 * Small pictures of one page on devices, the first screenful of each, with the number of faults there. Each is handed
 * on as soon as it's made.
 */
export async function picturePage<S extends Shot>(
  project: Project,
  page: Page,
  shots: readonly S[],
  made: (shot: S, png: Buffer, findings: number) => Promise<void>,
): Promise<void> {
  for (const shot of shots) {
    // One turn each, so that somebody who waits for a measurement doesn't wait for all pictures.
    const done = await takeTurn('later');
    try {
      studio ??= openStudio();
      studio.catch(() => (studio = undefined));
      const { png, findings } = await take(await studio, project, page, shot);
      await made(shot, png, findings);
    } finally {
      done();
    }
  }
}

async function take(here: Studio, project: Project, page: Page, { viewport, scrollbar }: Shot) {
  const { width, height } = viewport;
  const standIn = whatMatters(project, viewport);
  const key = `${scrollbar} ${standInKey(standIn)}`;
  await here.session.send('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
  const html = previewDocument(renderPreview(project, page, fontData, standIn), POLICY, scrollbar);
  if (here.shown !== `${key} ${html}`) {
    await here.page.setContent(html);
    await here.page.evaluate(await pageScript('in-page'));
    await here.page.evaluate(async () => {
      await document.fonts.ready;
      await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
    });
    here.shown = `${key} ${html}`;
  }
  const chosen = gridAt(project, page, viewport);
  const laid = chosen && layColumns(chosen.grid, width);
  const columns = laid ? { columnWidth: laid.columnWidth, fits: laid.fits, least: chosen.grid.columnLeast } : null;
  const findings = await here.page.evaluate(([asked, grid]) => globalThis.millPond.judgeHere(asked, grid), [
    askedFor(project.audit, ['widths', 'heights']),
    columns,
  ] as const);
  const scale = Math.min(1, LONGEST / Math.max(width, height));
  const { data } = await here.session.send('Page.captureScreenshot', {
    format: 'png',
    clip: { x: 0, y: 0, width, height, scale },
  });
  return { png: Buffer.from(data, 'base64'), findings };
}
