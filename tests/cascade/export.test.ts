import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { QUERY_SYNTAXES } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { previewDocument, renderExport, renderPreview } from '@/core/render';
import { launchChromium } from '@/server/browser/chromium';
import { arbitraryProject, interestingWidths } from './arbitrary-project';

// What is handed over lies and looks as what was seen while it was made.

const DOCUMENTS = Number(process.env.DOCUMENTS ?? 25);

let browser: Browser;
let host: Page;
beforeAll(async () => {
  browser = await launchChromium();
  host = await browser.newPage({ viewport: { width: 2700, height: 900 } });
  await host.setContent('<!doctype html><body style="margin:0"><iframe></iframe><iframe></iframe>');
}, 60_000);
afterAll(() => browser.close());

function exported(project: Project, slug: string): string {
  const text = (path: string) => {
    const file = renderExport(project).find((one) => one.path === path)!;
    return 'text' in file.content ? file.content.text : '';
  };
  return text(`${slug}.html`).replace(/<link rel="stylesheet"[^>]*>/, () => `<style>${text('styles.css')}</style>`);
}

/** Without the scrollbars of a device. */
const withoutDevice = (html: string) => html.replace(/<style data-mp-device>[\s\S]*?<\/style>/, '');

test(`an export is laid out as its preview: ${DOCUMENTS} random documents`, async () => {
  let elements = 0;
  let documents = 0;
  let second = 0;
  const widths = fc.array(fc.integer({ min: 240, max: 2000 }), { minLength: 2, maxLength: 2 });
  await fc.assert(
    fc.asyncProperty(arbitraryProject, widths, async (drawn, random) => {
      // A sheet from elsewhere may show what stands in the head, and there the two differ.
      const project = { ...drawn, sheets: [], queries: QUERY_SYNTAXES[random[0]! % 2]! };
      const page = project.pages.at(documents++ % 4 ? -1 : 0)!;
      if (page.id === 'gsecond') second++;
      const preview = renderPreview(project, page, () => 'data:,');
      const at = interestingWidths(project, random).slice(0, 4);
      const seen = await host.evaluate(
        async ({ documents, widths }) => {
          const frames = [...document.querySelectorAll('iframe')];
          await Promise.all(
            frames.map(
              (frame, i) =>
                new Promise((done) => {
                  frame.onload = done;
                  frame.srcdoc = documents[i]!;
                }),
            ),
          );
          return frames.map((frame) =>
            widths.map((width) => {
              frame.style.cssText = `border:0;height:700px;width:${width}px`;
              const { body, documentElement: root } = frame.contentDocument!;
              // Laid out from the ground: Chromium keeps a line as empty when an empty inline box on it is given a padding.
              root.style.display = 'none';
              body.getBoundingClientRect();
              root.style.display = '';
              return [body, ...body.querySelectorAll('*')].map((element) => {
                const { x, y, width, height } = element.getBoundingClientRect();
                const { display, color, fontSize } = frame.contentWindow!.getComputedStyle(element);
                return [element.localName, x, y, width, height, display, color, fontSize].join(' ');
              });
            }),
          );
        },
        {
          documents: [exported(project, page.slug), withoutDevice(previewDocument({ ...preview, fontFaces: '' }, ''))],
          widths: at,
        },
      );
      expect(seen[0]).toEqual(seen[1]);
      elements += seen[0]!.flat().length;
    }),
    { numRuns: DOCUMENTS, endOnFailure: true },
  );
  expect(elements).toBeGreaterThan(DOCUMENTS * 10);
  // Pages that only use what was made elsewhere.
  expect(second).toBeGreaterThan(0);
}, 900_000);
