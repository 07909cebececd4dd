import type { Viewport } from '../breakpoints';
import { specifiedValue } from '../cascade/resolve';
import { isBuiltLater } from '../behaviour';
import type { PageElement } from '../document/element';
import type { Page, Picture, Project } from '../document/project';
import { picturesShown } from '../document/html';
import { pictureAt } from '../document/shown-pictures';
import { ancestorsOf, subtreeOf } from '../document/tree';
import { fetchedWidth } from './candidates';
import type { Behind } from './behind';
import { filesWithin, kindsOf } from './files';
import type { SizePiece } from './sizes';
import { sizeAt } from './sizes';

/** How wide pictures are shown, as it was measured: by page and element. */
export interface PictureSizes {
  readonly images: ReadonlyMap<string, ReadonlyMap<string, readonly SizePiece[]>>;
  /** Pictures behind elements: the widest that they are drawn, px, where their own size doesn't matter; by picture. */
  readonly behind: ReadonlyMap<string, number>;
}

/** What a browser fetches to show one picture. */
export interface Fetched {
  readonly element: string;
  readonly picture: string;
  /** Of the file, px; undefined for drawings, which have none. */
  readonly width?: number | undefined;
  /** How wide the picture is drawn, CSS px; undefined where that isn't measured. */
  readonly drawn?: number | undefined;
  readonly bytes: number;
  /** What would be fetched if the original stood there, at the base and everywhere. */
  readonly before: number;
  /** Whether the element is shown at all. */
  readonly shown: boolean;
}

export const bytesOf = ({ photo, svg }: Picture): number => photo?.bytes ?? new TextEncoder().encode(svg).length;

/** The bytes of a picture's file that a browser fetches for a size in CSS px at a density. */
export function fetchedFile(
  picture: Picture,
  size: number,
  density: number,
  element?: Pick<PageElement, 'attributes'>,
): { readonly width?: number; readonly bytes: number } {
  if (!picture.photo) return { bytes: bytesOf(picture) };
  const files = filesWithin(picture.photo, element);
  const width = fetchedWidth(
    files.map((file) => file.width),
    size,
    density,
  );
  return files.find((file) => file.width === width)!;
}

/** The files of a picture behind an element: one for plain and one for dense screens. Undefined where one serves all. */
export function filesBehind({ photo }: Picture, width: number | undefined) {
  if (!photo || width === undefined) return undefined;
  const files = kindsOf(photo).at(-1)!;
  const fitting = (density: number) => files.find((file) => file.width >= width * density) ?? files.at(-1)!;
  return { plain: fitting(1), dense: fitting(2) };
}

/**
 * What a browser fetches for the pictures of a page in a viewport, each file once.
 * @param density device px in a CSS px
 * @param behind the pictures behind elements
 */
export function fetchedOn(
  project: Project,
  page: Page,
  sizes: PictureSizes,
  behind: readonly Behind[],
  viewport: Viewport,
  density: number,
): readonly Fetched[] {
  const byId = new Map(project.pictures.map((picture) => [picture.id, picture]));
  const isShown = (id: string) =>
    [page.elements[id]!, ...ancestorsOf(page, id)].every(
      (one) => specifiedValue(project, page, one.id, 'display', { ...viewport, open: [one.id] }) !== 'none',
    );
  const found = new Map<string, Fetched>();
  const add = (fetched: Fetched) => {
    const key = `${fetched.picture} ${fetched.width ?? ''}`;
    if (!found.has(key) || fetched.shown) found.set(key, fetched);
  };
  for (const element of subtreeOf(page, page.root)) {
    const id = pictureAt(project.breakpoints, element, viewport);
    const picture = id === undefined ? undefined : byId.get(id);
    if (!picture) continue;
    const shown = isShown(element.id);
    // Nothing is fetched of what isn't built, nor of what waits until it comes into sight.
    const waits =
      element.attributes.loading === 'lazy' ||
      [element, ...ancestorsOf(page, element.id)].some((one) => isBuiltLater(page, one.id));
    if (!shown && waits) continue;
    const pieces = sizes.images.get(page.id)?.get(element.id);
    const size = pieces && sizeAt(pieces, viewport.width);
    const { width, bytes } = fetchedFile(picture, size ?? viewport.width, density, element);
    const base = byId.get(picturesShown(element.attributes).get('src')!);
    const drawn = picture.photo && shown ? size : undefined;
    add({ element: element.id, picture: picture.id, width, drawn, bytes, before: bytesOf(base ?? picture), shown });
  }
  for (const { element, picture: id, from, below } of behind) {
    if (viewport.width < from || viewport.width >= below || !isShown(element)) continue;
    const picture = byId.get(id)!;
    const files = filesBehind(picture, sizes.behind.get(id));
    const file = files ? (density > 1 ? files.dense : files.plain) : undefined;
    const { width, bytes } = file ?? fetchedFile(picture, Infinity, 1);
    add({ element, picture: id, width, bytes, before: bytesOf(picture), shown: true });
  }
  return [...found.values()];
}
