import type { PhotoFacts, PhotoFile } from '../document/photo';

/** The files of a picture that nearly all browsers fetch: those of its lightest kind, narrow first. */
export function filesWithin({ files }: Pick<PhotoFacts, 'files'>): readonly PhotoFile[] {
  const kinds = kindsOf({ files });
  return kinds[0] ?? [];
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
