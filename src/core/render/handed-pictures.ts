import { BASE } from '../breakpoints/breakpoint';
import { stepsOf } from '../breakpoints/choice';
import { conditionQuery } from '../breakpoints/condition';
import type { PageElement } from '../document/element';
import type { PhotoFile } from '../document/photo';
import { PHOTO_TYPES } from '../document/photo';
import type { Picture, Project } from '../document/project';
import { pictureChoice, saysSize } from '../document/shown-pictures';
import { fallbackFile, kindsOf } from '../pictures/files';
import type { PictureSizes } from '../pictures/weights';
import { filesBehind } from '../pictures/weights';
import { sizesText } from '../pictures/sizes';

export interface HandedFileOf {
  readonly path: string;
  readonly content: { readonly text: string } | { readonly kept: string };
}

/** Where the files of pictures lie in what is handed over, and how images name them. */
export class HandedPictures {
  readonly #byId: ReadonlyMap<string, Picture>;
  readonly #stems = new Map<string, string>();

  constructor(
    readonly project: Project,
    readonly sizes?: PictureSizes,
  ) {
    this.#byId = new Map(project.pictures.map((picture) => [picture.id, picture]));
    const taken = new Set<string>();
    for (const { id, fileName } of project.pictures) {
      const stem = fileName.replace(/\.\w+$/, '');
      let free = stem;
      for (let n = 2; taken.has(free); n++) free = `${stem}-${n}`;
      this.#stems.set(id, taken.add(free) && free);
    }
  }

  #path(picture: Picture, file: PhotoFile): string {
    return `pictures/${this.#stems.get(picture.id)}-${file.width}.${PHOTO_TYPES[file.type]}`;
  }

  /** The file that shows a picture to every browser. */
  address(id: string): string {
    const picture = this.#byId.get(id);
    if (!picture) return 'pictures/missing.svg';
    return picture.photo ? this.#path(picture, fallbackFile(picture.photo)) : `pictures/${picture.fileName}`;
  }

  /**
   * A picture behind an element, as CSS has it: a file for plain and one for dense screens (CSS Images 4, `image-set`), where it is drawn
   * as wide as the element asks and not by its own size; undefined for one file for all.
   */
  behind(id: string, address: (path: string) => string): string | undefined {
    const picture = this.#byId.get(id);
    const width = this.sizes?.behind.get(id);
    const files = picture && filesBehind(picture, width);
    if (!files) return undefined;
    const { plain, dense } = files;
    const url = (file: PhotoFile) => `url("${address(this.#path(picture, file))}")`;
    return plain === dense ? url(plain) : `image-set(${url(plain)} 1x, ${url(dense)} 2x)`;
  }

  #sources(id: string, media: string | undefined, page: string, element: PageElement): Record<string, string>[] {
    const picture = this.#byId.get(id);
    if (!picture) return [];
    const when: Record<string, string> = media === undefined ? {} : { media };
    const { photo } = picture;
    if (!photo) return media === undefined ? [] : [{ ...when, type: 'image/svg+xml', srcset: this.address(id) }];
    if (!saysSize(element))
      return kindsOf(photo).map((files) => ({ ...when, type: files[0]!.type, srcset: this.#path(picture, files.at(-1)!) }));
    const sizes = sizesText(this.sizes?.images.get(page)?.get(element.id) ?? []);
    // As wide as the image says it is, so that only the ratio differs; known before the file is there.
    const wide = Number(element.attributes.width);
    const size: Record<string, string> =
      media === undefined ? {} : { width: String(wide), height: String(Math.round((wide * photo.height) / photo.width)) };
    return kindsOf(photo).map((files) => ({
      ...when,
      type: files[0]!.type,
      srcset: files.map((file) => `${this.#path(picture, file)} ${file.width}w`).join(', '),
      sizes,
      ...size,
    }));
  }

  /** The `<source>` elements around an image, the strongest first (HTML, 4.8.4.3.5); none where it needs none. */
  sourcesFor(page: string, element: PageElement): readonly Readonly<Record<string, string>>[] {
    const choice = pictureChoice(element);
    if (!choice) return [];
    const { breakpoints, queries } = this.project;
    return stepsOf(breakpoints, choice, choice.get(BASE)!).flatMap(({ condition, value }) =>
      this.#sources(value, condition && conditionQuery(condition, queries), page, element),
    );
  }

  /** All files of all pictures. */
  files(): readonly HandedFileOf[] {
    return this.project.pictures.flatMap((picture): HandedFileOf[] => {
      const { photo } = picture;
      if (!photo) return [{ path: `pictures/${picture.fileName}`, content: { text: picture.svg } }];
      const files = new Set([...kindsOf(photo).flat(), fallbackFile(photo)]);
      return [...files].map((file) => ({ path: this.#path(picture, file), content: { kept: file.hash } }));
    });
  }
}
