import { createHash } from 'node:crypto';
import type { Interval } from '@/core/breakpoints';
import { bandsOf, DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { expanded, pictureChoice } from '@/core/document';
import type { Behind, Measured, PictureSizes } from '@/core/pictures';
import { behindElsewhere, behindOn, behindWidth, piecesFor } from '@/core/pictures';
import { previewDocument, renderPreview } from '@/core/render';
import { fontData } from '../browser/fonts';
import type { RoomsAt } from '../browser/rooms-in-page';
import { measuringTabs, POLICY } from '../browser/measuring';
import { stand } from '../browser/stand';
import { tried } from '../browser/tries';
import { turns } from '../browser/lanes';
import { loadFiles } from '../store/files';

/** From one looked at to the next, px; wherever a line bends between them, all in between are. */
const STEP = 4;
const AT_ONCE = 40;
/** What isn't measured any nearer, px. */
const STRAIGHT = 0.5;

/** What was measured of pages, the last used last. */
const known = new Map<string, Promise<PageSizes>>();
const KNOWN_MOST = 60;

interface PageSizes {
  readonly images: PictureSizes['images'] extends ReadonlyMap<string, infer T> ? T : never;
  /** Undefined for one whose own size decides. */
  readonly behind: ReadonlyMap<string, number | undefined>;
}

/** How wide all pages show their pictures, measured in a browser over all widths that the project is audited at. */
export async function sizesOfPictures(given: Project, only?: string): Promise<PictureSizes> {
  const project = expanded(given);
  if (!project.pictures.some(({ photo }) => photo)) return { images: new Map(), behind: new Map() };
  await loadFiles(project);
  const pages = project.pages.filter(({ id, brought }) => !brought && (only === undefined || id === only));
  const images = new Map<string, PageSizes['images']>();
  const natural = new Set(behindElsewhere(project));
  const behind = new Map<string, number>();
  for (const page of pages) {
    const sizes = await pageSizes(project, page);
    images.set(page.id, sizes.images);
    for (const [picture, width] of sizes.behind)
      if (width === undefined) natural.add(picture);
      else behind.set(picture, Math.max(width, behind.get(picture) ?? 0));
  }
  for (const picture of natural) behind.delete(picture);
  return { images, behind };
}

function pageSizes(project: Project, page: Page): Promise<PageSizes> {
  const stands = behindOn(project, page, DEFAULT_SLICE);
  const shows = Object.values(page.elements).some((element) => pictureChoice(element));
  if (stands.length === 0 && !shows) return Promise.resolve({ images: new Map(), behind: new Map() });
  const html = previewDocument(renderPreview(project, page, fontData), POLICY);
  const key = createHash('sha256')
    .update(html)
    .update(JSON.stringify([project.audit.range, stands]))
    .digest('hex');
  let sizes = known.get(key);
  if (!sizes) {
    sizes = tried(`The pictures of “${page.name}” could not be measured`, () =>
      turns.run({ urgency: 'now' }, () => measured(project, html, stands)),
    );
    sizes.catch(() => known.delete(key));
  }
  known.delete(key);
  known.set(key, sizes);
  for (const oldest of known.keys()) if (known.size > KNOWN_MOST) known.delete(oldest);
  return sizes;
}

async function measured(project: Project, html: string, stands: readonly Behind[]): Promise<PageSizes> {
  const { first, last } = project.audit.range;
  const tab = await measuringTabs.take();
  const elements = [...new Set(stands.map(({ element }) => element))];
  const rooms = new Map<number, RoomsAt>();
  const look = async (widths: readonly number[]) => {
    for (let at = 0; at < widths.length; at += AT_ONCE) {
      const asked = [widths.slice(at, at + AT_ONCE), elements] as const;
      const told = await tab.ask((page) => page.evaluate(([list, ids]) => globalThis.millPond.rooms(list, ids), asked));
      for (const one of JSON.parse(told) as RoomsAt[]) rooms.set(one.width, one);
    }
  };
  try {
    await stand(tab, [html], DEFAULT_SLICE.height);
    await look(lookedAt(bandsOf(project, DEFAULT_SLICE), first, last));
    await look(bends([...rooms.values()].sort((a, b) => a.width - b.width)));
  } finally {
    await measuringTabs.leave(tab);
  }
  const all = [...rooms.values()].sort((a, b) => a.width - b.width);
  const ids = new Set(all.flatMap(({ images }) => Object.keys(images)));
  const images = [...ids].map(
    (id) => [id, piecesFor(all.map(({ width, images: at }): Measured => [width, at[id] ?? 0]))] as const,
  );
  return { images: new Map(images), behind: widest(project, stands, all) };
}

function lookedAt(bands: readonly Interval[], first: number, last: number): readonly number[] {
  const widths = new Set([first, last]);
  for (let width = first; width <= last; width += STEP) widths.add(width);
  for (const { from, below } of bands)
    for (const edge of [from - 1, from, below - 1, below]) if (edge >= first && edge <= last) widths.add(edge);
  return [...widths].sort((a, b) => a - b);
}

/** All widths around those at which something isn't as wide as what lies beside them says. */
function bends(rooms: readonly RoomsAt[]): readonly number[] {
  const wanted = new Set<number>();
  for (let i = 1; i + 1 < rooms.length; i++) {
    const [before, here, after] = [rooms[i - 1]!, rooms[i]!, rooms[i + 1]!];
    const share = (here.width - before.width) / (after.width - before.width);
    const bent = Object.keys({ ...before.images, ...here.images, ...after.images }).some((id) => {
      const [a, b, c] = [before.images[id] ?? 0, here.images[id] ?? 0, after.images[id] ?? 0];
      return Math.abs(a + (c - a) * share - b) > STRAIGHT;
    });
    if (bent) for (let width = before.width + 1; width < after.width; width++) wanted.add(width);
  }
  for (const { width } of rooms) wanted.delete(width);
  return [...wanted].sort((a, b) => a - b);
}

function widest(project: Project, stands: readonly Behind[], rooms: readonly RoomsAt[]): PageSizes['behind'] {
  const behind = new Map<string, number | undefined>();
  for (const { element, picture, from, below, size } of stands) {
    const { photo } = project.pictures.find(({ id }) => id === picture)!;
    for (const { width, boxes } of rooms) {
      const box = boxes[element];
      if (!box || width < from || width >= below) continue;
      const drawn = behindWidth({ width: box[0], height: box[1] }, size, photo!.width / photo!.height);
      const before = behind.has(picture) ? behind.get(picture) : 0;
      behind.set(picture, drawn === undefined || before === undefined ? undefined : Math.max(before, drawn));
    }
  }
  return behind;
}
