import { z } from 'zod';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Rehearsal, Told } from '@/core/behaviour';
import { isRehearsed, judged, rehearsed } from '@/core/behaviour';
import type { Page, Project } from '@/core/document';
import { expanded } from '@/core/document';
import type { ExportFile } from '@/core/render';
import { renderExport } from '@/core/render';
import { turns } from '../browser/lanes';
import { TabPool } from '../browser/tab';
import { tried } from '../browser/tries';
import { countBuilt, tellAndType } from './in-handed-page';

/** No name that leads anywhere; what is asked of it is answered from memory. */
const HANDED = 'http://handed.invalid/';
const TYPES: Readonly<Record<string, string>> = { html: 'text/html', css: 'text/css', js: 'text/javascript' };
const fieldSchema = z.object({ held: z.string(), typed: z.string() });
const toldSchema = z.object({
  built: z.number(),
  shown: z.record(z.string(), z.array(z.number())),
  fields: z.record(z.string(), z.record(z.string(), fieldSchema)),
});

const tabs = new TabPool<void>(
  { viewport: { width: 1000, height: DEFAULT_SLICE.height } },
  async (page) => {
    await page.addInitScript(countBuilt);
  },
  0,
);

/**
 * Takes every page of which something is built only when it is first shown through all bands, as it is handed over, in a browser: each is
 * built once, resizing within a band builds nothing, and what was typed is kept where both have the field. With a mouse, light.
 */
export async function rehearse(given: Project): Promise<readonly Rehearsal[]> {
  const project = expanded(given);
  const pages = project.pages.filter((page) => isRehearsed(project, page));
  if (pages.length === 0) return [];
  const files = new Map(renderExport(given).map((file) => [file.path, file]));
  const done: Rehearsal[] = [];
  for (const page of pages)
    done.push(
      await tried(`“${page.name}” could not be tried as it is handed over`, () =>
        turns.run({ urgency: 'now' }, () => rehearsePage(project, page, files)),
      ),
    );
  return done;
}

async function rehearsePage(project: Project, page: Page, files: ReadonlyMap<string, ExportFile>): Promise<Rehearsal> {
  const viewports = rehearsed(project);
  const told: Told[] = [];
  await tabs.use(async (tab) => {
    await tab.ask(async (browserPage) => {
      await browserPage.route(`${HANDED}**`, (route) => {
        const path = new URL(route.request().url()).pathname.slice(1);
        const content = files.get(path)?.content;
        // Pictures and fonts decide nothing of what is built.
        if (!content || !('text' in content)) return route.abort();
        return route.fulfill({ body: content.text, contentType: TYPES[path.split('.').pop()!] ?? 'text/plain' });
      });
      await browserPage.setViewportSize(viewports[0]!);
      await browserPage.goto(`${HANDED}${page.slug}.html`, { waitUntil: 'load' });
    });
    for (const [round, viewport] of viewports.entries())
      told.push(
        await tab.ask(async (browserPage) => {
          await browserPage.setViewportSize(viewport);
          // The page hears of its new size with the next frame that is drawn.
          await browserPage.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
          return toldSchema.parse(await browserPage.evaluate(tellAndType, round));
        }),
      );
  });
  return judged(project, page, viewports, told);
}
