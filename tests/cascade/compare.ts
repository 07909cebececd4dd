import type { Page as BrowserPage } from 'playwright-core';
import { ComputedStyles } from '@/core/cascade';
import type { PageElement, Project } from '@/core/document';
import type { StandIn } from '@/core/render';
import { previewDocument, renderPreview } from '@/core/render';
import { PROPERTIES } from '@/core/styles';

const HEIGHT = 700;
/** What the body has because of how `<html>` is laid out, which here it isn't; sheets may ask for flex there. */
const ROOT_ONLY = new Set(['display', 'min-width', 'min-height']);
const NAMES = PROPERTIES.map((property) => property.name);

export interface Mismatch {
  readonly element: string;
  readonly property: string;
  readonly width: number;
  readonly core: string;
  readonly browser: string;
}

export async function openComparison(page: BrowserPage): Promise<void> {
  await page.setViewportSize({ width: 2700, height: 900 });
  await page.setContent(`<!doctype html><body style="margin:0"><iframe style="border:0;height:${HEIGHT}px"></iframe>`);
}

/**
 * Every claimed computed value of a project's first page against Chromium's `getComputedStyle` at the given widths.
 * The page isn't laid out (`html` shows nothing), so that resolved values are computed values.
 * @param standIn the reader, and perhaps the height, that the browser hasn't got
 */
export async function compareWithBrowser(browser: BrowserPage, project: Project, widths: readonly number[], standIn?: StandIn) {
  const page = project.pages[0]!;
  const preview = renderPreview(project, page, () => 'data:,', standIn);
  const document = (standIn ? asWritten : withOriginalSheets)(
    // On the element itself, where no layer's `!important` is stronger (CSS Cascade 5, 6.1).
    previewDocument({ ...preview, fontFaces: '' }, '').replace(
      /<html lang="en"[^>]*>/,
      '<html lang="en" style="display: none !important">',
    ),
    project,
  );
  const ids = Object.keys(page.elements);
  const seen = await browser.evaluate(
    async ({ document, ids, names, widths }) => {
      const frame = globalThis.document.querySelector('iframe')!;
      await new Promise((done) => {
        frame.onload = done;
        frame.srcdoc = document;
      });
      const inside = frame.contentDocument!;
      const elements = ids.map((id) => inside.querySelector(`[data-mp-node="${id}"]`));
      return widths.map((width) => {
        frame.style.width = `${width}px`;
        // Some reads don't wait for the outer layout that gives the frame its width; this one does.
        void inside.documentElement.clientWidth;
        return elements.map((element) => {
          if (!element) return null;
          const style = frame.contentWindow!.getComputedStyle(element);
          return names.map((name) => style.getPropertyValue(name));
        });
      });
    },
    { document, ids, names: NAMES, widths },
  );
  const mismatches: Mismatch[] = [];
  let compared = 0;
  widths.forEach((width, w) => {
    const styles = new ComputedStyles(project, page, { width, ...standIn, height: standIn?.height ?? HEIGHT });
    ids.forEach((id, e) => {
      const values = seen[w]![e];
      if (!values) throw new Error(`Chromium's parser dropped ${page.elements[id]!.name}: ${preview.body()}`);
      NAMES.forEach((property, p) => {
        const core = styles.value(id, property);
        if (core === undefined || (id === page.root && ROOT_ONLY.has(property))) return;
        compared++;
        if (!same(core, values[p]!))
          mismatches.push({ element: describe(page.elements[id]!), property, width, core, browser: values[p]! });
      });
    });
  });
  return { mismatches, compared };
}

const asWritten = (html: string) => html;

/** Sheets from elsewhere go to the browser as they were written, not as they were read here. */
function withOriginalSheets(html: string, project: Project): string {
  const sheets = project.sheets.map(({ css }) => `<style>@layer imported {\n${css}\n}</style>`).join('\n');
  return html
    .replace(/<style data-mp-block="t\d+ \d+">[\s\S]*?<\/style>\n?/g, '')
    .replace(/(<style data-mp-block="foundation">[\s\S]*?<\/style>)/, (foundation) => `${foundation}\n${sheets}`);
}

function describe({ tag, id, attributes }: PageElement): string {
  return `${tag}${attributes.type ? `[${attributes.type}]` : ''} ${id}`;
}

/** Equal but for the last digits of a 32-bit float, in which browsers compute. */
function same(core: string, browser: string): boolean {
  if (core === browser) return true;
  const number = /-?\d+(?:\.\d+)?(?:e-?\d+)?/g;
  if (core.replace(number, '#') !== browser.replace(number, '#')) return false;
  const a = core.match(number) ?? [];
  const b = browser.match(number) ?? [];
  return a.every((text, i) => Math.abs(Number(text) - Number(b[i])) <= 1e-4 * Math.max(1, Math.abs(Number(text))));
}
