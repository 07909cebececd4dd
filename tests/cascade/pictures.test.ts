import fc from 'fast-check';
import type { Browser, BrowserContext, Page as BrowserPage } from 'playwright-core';
import { DEFAULT_SLICE, QUERY_SYNTAXES } from '@/core/breakpoints';
import type { PageElement, Project, StyleSet } from '@/core/document';
import { newProject, pictureAt, readProject } from '@/core/document';
import { fetchedWidth, filesWithin, sizeAt } from '@/core/pictures';
import { previewDocument, renderExport, renderPreview } from '@/core/render';
import { checkValue } from '@/core/styles';
import { PICTURES } from '@/demo/pictures';
import { launchChromium } from '@/server/browser/chromium';
import { closeBrowser } from '@/server/browser/warm-browser';
import { sizesOfPictures } from '@/server/pictures/picture-sizes';
import { loadFiles } from '@/server/store/files';
import { shippedFile } from '@/server/store/shipped-files';
import { arbitraryBreakpoints, interestingWidths } from './arbitrary-project';

// Which picture a browser shows, which file of it it fetches, and how it lies there, are what the core says.

const ADDRESS = 'http://pond.invalid/';
const DENSITIES = [1, 1.5, 2, 3];

let browser: Browser;
let tabs: readonly { readonly density: number; readonly context: BrowserContext; readonly tab: BrowserPage }[];
interface Served {
  readonly body: Buffer | string;
  readonly contentType: string;
}
let files = new Map<string, Served>();
const TYPES: Readonly<Record<string, string>> = { svg: 'image/svg+xml', css: 'text/css', html: 'text/html' };

beforeAll(async () => {
  browser = await launchChromium();
  tabs = await Promise.all(
    DENSITIES.map(async (density) => {
      const context = await browser.newContext({ deviceScaleFactor: density });
      await context.route(`${ADDRESS}**`, (route) => {
        const file = files.get(route.request().url().slice(ADDRESS.length));
        return file ? route.fulfill(file) : route.abort();
      });
      return { density, context, tab: await context.newPage() };
    }),
  );
}, 60_000);
afterAll(async () => {
  await browser.close();
  await closeBrowser();
});

const IDS = ['pstreet', 'pstreetcut', 'phammer', 'pdrill'];
const VALUES = [
  'width: 100%',
  'width: 50vw',
  'width: 300px',
  'width: calc(40vw + 20px)',
  'max-width: 420px',
  'display: block',
  'display: none',
  'object-fit: cover',
  'object-fit: contain',
  'aspect-ratio: 1 / 1',
  'height: 180px',
  'padding: 3%',
  'flex-grow: 1',
  'justify-self: stretch',
];
const AROUND = [
  'display: flex',
  'display: grid',
  'padding: 0px 4vw',
  'width: 70%',
  'grid-template-columns: 1fr 2fr',
  'gap: 20px',
];

const declared = (values: readonly string[]) =>
  Object.assign(
    {},
    ...values.map((one) => {
      const [name = '', value = ''] = one.split(': ');
      const checked = checkValue(name, value);
      return checked.ok ? checked.declarations : {};
    }),
  ) as Record<string, string>;

const styles = (pool: readonly string[], ids: readonly string[]) =>
  fc
    .dictionary(fc.constantFrom('base', ...ids), fc.subarray([...pool], { maxLength: 3 }), { maxKeys: 3 })
    .map((sets): StyleSet => Object.fromEntries(Object.entries(sets).map(([at, values]) => [at, declared(values)])));

const arbitrary = arbitraryBreakpoints.chain((breakpoints) => {
  const ids = breakpoints.map(({ id }) => id);
  const image = fc.record({
    base: fc.constantFrom(...IDS),
    pictures: fc.dictionary(fc.constantFrom(...ids, 'bgone'), fc.constantFrom(...IDS), { minKeys: 1, maxKeys: 3 }),
    styles: styles(VALUES, ids),
    sized: fc.boolean(),
  });
  return fc
    .tuple(fc.array(image, { minLength: 1, maxLength: 4 }), styles(AROUND, ids), fc.constantFrom(...QUERY_SYNTAXES))
    .map(([images, around, queries]): Project => {
      const project = newProject('00000000-0000-4000-8000-000000000000', 'Pictures');
      const plain = { attributes: {}, children: [], shared: [], styles: {} };
      const of = (id: string) => PICTURES.find((one) => one.id === id)!.photo;
      const shown = images.map(({ base: drawn, pictures, styles: own, sized }, i): PageElement => {
        // The first is made of pixels at every width: each document fetches some.
        const base = i === 0 ? PICTURES.find(({ photo }) => photo)!.id : drawn;
        const photo = of(base);
        const size: Record<string, string> = photo && sized ? { width: String(photo.width), height: String(photo.height) } : {};
        return {
          ...{ ...plain, id: `ei${i}`, tag: 'img', name: `Image ${i}`, styles: own, ...(i > 0 && { pictures }) },
          attributes: { id: `i${i}`, src: `picture:${base}`, alt: 'A picture', ...size },
        };
      });
      const body = { ...plain, id: 'e0', tag: 'body', name: 'Page', children: ['e1'] };
      const main = { ...plain, id: 'e1', tag: 'main', name: 'Main', styles: around, children: shown.map(({ id }) => id) };
      const elements = Object.fromEntries([body, main, ...shown].map((one) => [one.id, one]));
      return readProject({
        ...{ ...project, breakpoints, queries, pictures: PICTURES },
        pages: [{ ...project.pages[0]!, root: 'e0', elements }],
      });
    });
});

const look = (tab: BrowserPage) =>
  tab.evaluate(async () => {
    const images = [...document.querySelectorAll('img')];
    await Promise.all(images.map((image) => image.decode().catch(() => undefined)));
    return images.map((image) => {
      const { x, y, width, height } = image.getBoundingClientRect();
      return { id: image.id, address: image.currentSrc, box: [x, y, width, height].map((one) => Math.round(one * 100) / 100) };
    });
  });

test('the chosen picture shows, in the file that fits its measured width and the density, and lies as in the preview', async () => {
  let fetched = 0;
  await fc.assert(
    fc.asyncProperty(
      arbitrary,
      fc.array(fc.integer({ min: 330, max: 1900 }), { minLength: 3, maxLength: 3 }),
      async (project, random) => {
        await loadFiles(project);
        const page = project.pages[0]!;
        const sizes = await sizesOfPictures(project);
        files = new Map(
          renderExport(project, sizes).flatMap(({ path, content }): [string, Served][] => {
            if ('text' in content) return [[path, { body: content.text, contentType: TYPES[path.split('.').pop()!]! }]];
            const kept = 'kept' in content && shippedFile(content.kept);
            return kept ? [[path, { body: kept.bytes, contentType: kept.type }]] : [];
          }),
        );
        const preview = previewDocument({ ...renderPreview(project, page, () => 'data:,'), fontFaces: '' }, '');
        const byId = new Map(project.pictures.map((one) => [one.id, one]));
        const widths = interestingWidths(project, random)
          .filter((width) => width >= 320 && width <= 1920)
          .slice(0, 4);
        for (const width of widths) {
          const { density, tab } = tabs[width % tabs.length]!;
          await tab.setViewportSize({ width, height: 800 });
          await tab.goto(`${ADDRESS}index.html`);
          const out = await look(tab);
          for (const { id, address } of out) {
            const element = page.elements[`e${id}`]!;
            const picture = byId.get(pictureAt(project.breakpoints, element, { ...DEFAULT_SLICE, width, height: 800 })!)!;
            const path = decodeURIComponent(address.slice(`${ADDRESS}pictures/`.length));
            if (!picture.photo) expect([width, id, path]).toEqual([width, id, picture.fileName]);
            else {
              const pieces = sizes.images.get(page.id)!.get(element.id)!;
              const files = filesWithin(picture.photo, element);
              const wanted = fetchedWidth(
                files.map((file) => file.width),
                sizeAt(pieces, width),
                density,
              );
              const stem = picture.fileName.replace(/\.\w+$/, '');
              expect([width, density, id, path]).toEqual([width, density, id, `${stem}-${wanted}.avif`]);
              fetched++;
            }
          }
          await tab.setContent(preview.replace(/<style data-mp-device>[\s\S]*?<\/style>/, ''));
          const inPreview = (await look(tab)).flatMap(({ box }) => box);
          const off = out.flatMap(({ box }) => box).map((one, i) => Math.abs(one - inPreview[i]!));
          // The height of a file is whole, so its ratio is the picture's but for a trifle, which shrinking rows make a little larger.
          expect([width, Math.max(...off) < 0.6]).toEqual([width, true]);
        }
      },
    ),
    { numRuns: Number(process.env.DOCUMENTS ?? 3), endOnFailure: true },
  );
  expect(fetched).toBeGreaterThan(3);
}, 240_000);
