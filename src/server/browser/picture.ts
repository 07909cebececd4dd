import type { CDPSession } from 'playwright-core';
import type { Finding } from '@/core/audit';
import { askedFor, checkNamed, isWrong } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import type { Shot } from '@/core/lineup';
import { gridAt, layColumns } from '@/core/grid';
import { previewDocument, renderPreview, standInKey, whatMatters } from '@/core/render';
import { loadFiles } from '../store/files';
import { fontData } from './fonts';
import { turns } from './lanes';
import { POLICY } from './measuring';
import { pageScript } from './script';
import type { Tab } from './tab';
import { TabPool } from './tab';
import { tried } from './tries';

/** The longer side of a small picture, px. */
const LONGEST = 320;

export interface Picturing {
  readonly session: CDPSession;
  /** What it shows now. */
  shown: string;
}

export const picturingTabs = new TabPool<Picturing>(
  { viewport: { width: 400, height: 400 } },
  async (page) => ({ session: await page.context().newCDPSession(page), shown: '' }),
  1,
);

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
    const { png, findings } = await tried(`“${page.name}” could not be pictured`, () =>
      turns.run({ urgency: 'later' }, () => picturingTabs.use((tab) => take(tab, project, page, shot))),
    );
    await made(shot, png, findings);
  }
}

async function take(tab: Tab<Picturing>, project: Project, page: Page, { viewport, scrollbar }: Shot) {
  const { width, height } = viewport;
  const { session, shown } = tab.extra;
  const standIn = whatMatters(project, viewport);
  await tab.ask(() => session.send('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false }));
  await loadFiles(project);
  const html = previewDocument(renderPreview(project, page, fontData, standIn), POLICY, scrollbar);
  const key = `${scrollbar} ${standInKey(standIn)} ${html}`;
  if (shown !== key) {
    tab.extra.shown = '';
    const script = await pageScript('in-page');
    await tab.ask(async (browserPage) => {
      await browserPage.setContent(html);
      await browserPage.evaluate(script);
      await browserPage.evaluate(async () => {
        await document.fonts.ready;
        await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
      });
    });
    tab.extra.shown = key;
  }
  const chosen = gridAt(project, page, viewport);
  const laid = chosen && layColumns(chosen.grid, width);
  const columns = laid ? { columnWidth: laid.columnWidth, fits: laid.fits, least: chosen.grid.columnLeast } : null;
  const asked = askedFor(project.audit, ['widths', 'heights']);
  const found = await tab.ask((browserPage) =>
    browserPage.evaluate(([list, grid]) => globalThis.millPond.judgeHere(list, grid), [asked, columns] as const),
  );
  const accepted = new Map(project.audit.accepted.map(({ check, element, reason }) => [`${check} ${element}`, reason]));
  const findings = found.filter(([check, element]) =>
    isWrong({ severity: checkNamed(check)?.severity ?? 'note', accepted: accepted.get(`${check} ${element}`) }),
  ).length;
  const scale = Math.min(1, LONGEST / Math.max(width, height));
  const { data } = await tab.ask(() =>
    session.send('Page.captureScreenshot', { format: 'png', clip: { x: 0, y: 0, width, height, scale } }),
  );
  return { png: Buffer.from(data, 'base64'), findings };
}

/** What is shown around the element of a finding, px. */
const AROUND = 60;
/** A picture of a finding is cut from so much of the page at most, px. */
const CUT_MOST = { width: 900, height: 420 } as const;
const RUST = '#a3432a';

/** A picture cut from the page at a finding's worst viewport, with its element framed and those that take part dotted. */
export async function pictureFinding(project: Project, page: Page, finding: Finding, signal: AbortSignal): Promise<Buffer> {
  await loadFiles(project);
  const html = previewDocument(renderPreview(project, page, fontData, { pointer: 'mouse' }), POLICY);
  return tried(`“${page.name}” could not be pictured`, () =>
    turns.run({ urgency: 'now', signal }, () => picturingTabs.use((tab) => cut(tab, html, finding))),
  );
}

async function cut(tab: Tab<Picturing>, html: string, { worst, element }: Finding): Promise<Buffer> {
  const [width, height] = [Math.round(worst.width), Math.round(worst.height ?? DEFAULT_SLICE.height)];
  const { session } = tab.extra;
  // The marks stay in the page, so nobody may take it for the page itself.
  tab.extra.shown = '';
  await tab.ask(() => session.send('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false }));
  await tab.ask((browserPage) => browserPage.setContent(html));
  const clip = await tab.ask((browserPage) =>
    browserPage.evaluate(
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
    ),
  );
  const { data } = await tab.ask(() =>
    session.send('Page.captureScreenshot', { format: 'png', clip: { ...clip, scale: 1 }, captureBeyondViewport: true }),
  );
  return Buffer.from(data, 'base64');
}
