import type { PageElement } from '../document/element';
import { saysSize } from '../document/shown-pictures';
import type { PhotoFacts, PhotoFile } from '../document/photo';

/**
 * The files of a picture among which nearly all browsers choose: those of its lightest kind, narrow first.
 * @param element the image that shows it; where that doesn't say its size there is one
 */
export function filesWithin(photo: Pick<PhotoFacts, 'files'>, element?: Pick<PageElement, 'attributes'>): readonly PhotoFile[] {
  const files = kindsOf(photo)[0] ?? [];
  return element && !saysSize(element) ? files.slice(-1) : files;
}

const weight = (files: readonly PhotoFile[]) => files.reduce((sum, { bytes }) => sum + bytes, 0);

/** The files of a picture by kind, each kind narrow first, the lightest kind first. The one for old browsers isn't among them. */
export function kindsOf({ files }: Pick<PhotoFacts, 'files'>): readonly (readonly PhotoFile[])[] {
  const kinds = (['image/avif', 'image/webp'] as const).map((type) =>
    files.filter((file) => file.type === type).sort((a, b) => a.width - b.width),
  );
  const [avif = [], webp = []] = kinds;
  if (webp.length === 0) return avif.length > 0 ? [avif] : [];
  // A kind that fewer browsers know is worth its files only where they are lighter.
  return avif.length > 0 && weight(avif) < weight(webp) ? [avif, webp] : [webp];
}

/** The file for browsers that know none of the other kinds. */
export const fallbackFile = ({ files }: Pick<PhotoFacts, 'files'>): PhotoFile =>
  files.find(({ type }) => type === 'image/jpeg' || type === 'image/png') ?? files[files.length - 1]!;
