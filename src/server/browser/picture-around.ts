import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { previewDocument, renderPreview } from '@/core/render';
import { loadFiles } from '../store/files';
import { fontData } from './fonts';
import { turns } from './lanes';
import { POLICY } from './measuring';
import { picturingTabs } from './picture';
import { tried } from './tries';

/** So much is shown above the element, px, and so much of the page at most, as a share of the width. */
const ABOVE = 120;
const TALLEST = 1.4;
/** The longer side of the picture, px. */
const LONGEST = 560;

/** A part of a page at a width, cut around an element; its top without one. */
export async function pictureAround(
  project: Project,
  page: Page,
  { width, element }: { readonly width: number; readonly element?: string | undefined },
  signal: AbortSignal,
): Promise<Buffer> {
  await loadFiles(project);
  const html = previewDocument(renderPreview(project, page, fontData, { pointer: 'mouse' }), POLICY);
  return tried(`“${page.name}” could not be pictured`, () =>
    turns.run({ urgency: 'now', signal }, () =>
      picturingTabs.use(async (tab) => {
        const { session } = tab.extra;
        tab.extra.shown = '';
        const { height } = DEFAULT_SLICE;
        await tab.ask(() =>
          session.send('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false }),
        );
        await tab.ask((browserPage) => browserPage.setContent(html));
        const [top, whole] = await tab.ask((browserPage) =>
          browserPage.evaluate(async (id) => {
            await document.fonts.ready;
            await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
            const at = id === undefined ? null : document.querySelector(`[data-mp-node="${CSS.escape(id)}"]`);
            const rect = at === null || at === document.body ? undefined : at.getBoundingClientRect();
            return [rect ? rect.top + scrollY : 0, document.documentElement.scrollHeight] as const;
          }, element),
        );
        const tall = Math.min(whole, Math.max(height / 2, width * TALLEST), height);
        const y = Math.max(0, Math.min(top - ABOVE, whole - tall));
        const scale = Math.min(1, LONGEST / Math.max(width, tall));
        const clip = { x: 0, y, width, height: tall, scale };
        const { data } = await tab.ask(() =>
          session.send('Page.captureScreenshot', { format: 'png', clip, captureBeyondViewport: true }),
        );
        return Buffer.from(data, 'base64');
      }),
    ),
  );
}
