import type { CDPSession, Page as BrowserPage } from 'playwright-core';
import type { Finding } from '@/core/audit';
import { askedFor, checkNamed } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import type { Shot } from '@/core/lineup';
import { gridAt, layColumns } from '@/core/grid';
import { previewDocument, renderPreview, standInKey, whatMatters } from '@/core/render';
import { fontData } from './fonts';
import { POLICY, warmBrowser } from './measuring';
import { pageScript } from './script';
import { takeTurn } from './turns';

/** The longer side of a small picture, px. */
const LONGEST = 320;

interface PicturingPage {
  readonly page: BrowserPage;
  readonly session: CDPSession;
  /** What it shows now. */
  shown: string;
}

let picturing: Promise<PicturingPage> | undefined;

async function openPicturingPage(): Promise<PicturingPage> {
  const page = await (await warmBrowser()).newPage({ viewport: { width: 400, height: 400 } });
  await page.route('**/*', (route) => route.abort());
  page.on('close', () => (picturing = undefined));
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
      picturing ??= openPicturingPage();
      picturing.catch(() => (picturing = undefined));
      const { png, findings } = await take(await picturing, project, page, shot);
      await made(shot, png, findings);
    } finally {
      done();
    }
  }
}

async function take(picturingPage: PicturingPage, project: Project, page: Page, { viewport, scrollbar }: Shot) {
  const { width, height } = viewport;
  const standIn = whatMatters(project, viewport);
  const key = `${scrollbar} ${standInKey(standIn)}`;
  await picturingPage.session.send('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
  const html = previewDocument(renderPreview(project, page, fontData, standIn), POLICY, scrollbar);
  if (picturingPage.shown !== `${key} ${html}`) {
    await picturingPage.page.setContent(html);
    await picturingPage.page.evaluate(await pageScript('in-page'));
    await picturingPage.page.evaluate(async () => {
      await document.fonts.ready;
      await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
    });
    picturingPage.shown = `${key} ${html}`;
  }
  const chosen = gridAt(project, page, viewport);
  const laid = chosen && layColumns(chosen.grid, width);
  const columns = laid ? { columnWidth: laid.columnWidth, fits: laid.fits, least: chosen.grid.columnLeast } : null;
  const findings = await picturingPage.page.evaluate(([asked, grid]) => globalThis.millPond.judgeHere(asked, grid), [
    // Notes are worth a look, not wrong.
    askedFor(project.audit, ['widths', 'heights']).filter(({ id }) => checkNamed(id)?.severity !== 'note'),
    columns,
  ] as const);
  const scale = Math.min(1, LONGEST / Math.max(width, height));
  const { data } = await picturingPage.session.send('Page.captureScreenshot', {
    format: 'png',
    clip: { x: 0, y: 0, width, height, scale },
  });
  return { png: Buffer.from(data, 'base64'), findings };
}

/** What is shown around the element of a finding, px. */
const AROUND = 60;
/** A picture of a finding is cut from so much of the page at most, px. */
const CUT_MOST = { width: 900, height: 420 } as const;
const RUST = '#a3432a';

/** A picture cut from the page at a finding's worst viewport, with its element framed and those that take part dotted. */
export async function pictureFinding(project: Project, page: Page, { worst, element }: Finding): Promise<Buffer> {
  const done = await takeTurn('now');
  const browserPage = await (
    await warmBrowser()
  ).newPage({ viewport: { width: Math.round(worst.width), height: Math.round(worst.height ?? DEFAULT_SLICE.height) } });
  try {
    await browserPage.route('**/*', (route) => route.abort());
    await browserPage.setContent(previewDocument(renderPreview(project, page, fontData, { pointer: 'mouse' }), POLICY));
    const clip = await browserPage.evaluate(
      async ([id, others, around, most, colour]) => {
        await document.fonts.ready;
        await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
        const find = (one: string) => document.querySelector(`[data-mp-node="${CSS.escape(one)}"]`);
        const rect = (find(id) ?? document.body).getBoundingClientRect();
        const frame = (box: DOMRect, style: string) => {
          const mark = document.createElement('div');
          mark.style.cssText = `all:initial;position:absolute;z-index:2147483647;box-sizing:border-box;pointer-events:none;left:${box.left + scrollX - 2}px;top:${box.top + scrollY - 2}px;width:${box.width + 4}px;height:${box.height + 4}px;border:2px ${style} ${colour}`;
          return mark;
        };
        const marks = others.slice(0, 4).flatMap((one) => {
          const box = find(one)?.getBoundingClientRect();
          return box ? [frame(box, 'dotted')] : [];
        });
        document.documentElement.append(frame(rect, 'dashed'), ...marks);
        const whole = document.documentElement;
        // What doesn't fit is cut around the first that takes part: that is where it goes wrong.
        const other = others[0] === undefined ? undefined : find(others[0])?.getBoundingClientRect();
        const span = (from: number, size: number, at: number | undefined, longest: number, all: number) => {
          const wanted = Math.min(size + 2 * around, longest);
          const begin = size + 2 * around <= longest || at === undefined ? from - around : at - wanted / 2;
          return [Math.max(0, Math.min(begin, all - wanted)), Math.min(wanted, all)] as const;
        };
        const [left, width] = span(
          rect.left + scrollX,
          rect.width,
          other && other.left + scrollX + other.width / 2,
          most.width,
          Math.max(whole.scrollWidth, innerWidth),
        );
        const [top, height] = span(
          rect.top + scrollY,
          rect.height,
          other && other.top + scrollY + other.height / 2,
          most.height,
          Math.max(whole.scrollHeight, innerHeight),
        );
        return { x: left, y: top, width: Math.max(40, width), height: Math.max(40, height) };
      },
      [element, worst.violation.others, AROUND, CUT_MOST, RUST] as const,
    );
    return await browserPage.screenshot({ clip, fullPage: true });
  } finally {
    await browserPage.close().catch(() => undefined);
    done();
  }
}
