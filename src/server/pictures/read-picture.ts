import type { Metadata } from 'sharp';
import type { Picture, PhotoType } from '@/core/document';
import { cleanSvg, LIMITS, PHOTO_SIDE_MOST, PHOTO_TYPES, pictureSchema, slugOf } from '@/core/document';
import { openOriginal, PIXELS_MOST } from './original';
import type { Kept } from './renditions';
import { renditionsOf } from './renditions';

/** Why a file can't be taken as a picture, in a sentence. */
export class UnreadablePicture extends Error {
  override readonly name = 'UnreadablePicture';
}

export const PICTURE_BYTES_MOST = 30_000_000;
export interface ReadPicture {
  readonly picture: Picture;
  readonly files: Kept;
  /** What people should know of it, in sentences. */
  readonly notes: readonly string[];
}

/** The kind of a file by its first bytes, whatever its name says; undefined for none that is taken. */
function kindOf(bytes: Uint8Array): PhotoType | 'image/svg+xml' | undefined {
  const start = Buffer.from(bytes.subarray(0, 1024)).toString('latin1');
  if (start.startsWith('\u0089PNG\r\n\u001a\n')) return 'image/png';
  if (start.startsWith('\u00ff\u00d8\u00ff')) return 'image/jpeg';
  if (/^RIFF[\s\S]{4}WEBP/.test(start)) return 'image/webp';
  if (/^[\s\S]{4}ftypavi[fs]/.test(start)) return 'image/avif';
  return /^(?:\u00ef\u00bb\u00bf)?\s*(?:<\?xml[\s\S]*?\?>|<!DOCTYPE[^>]*>|<!--[\s\S]*?-->|\s)*<svg[\s>]/i.test(start)
    ? 'image/svg+xml'
    : undefined;
}

const ENDINGS: Readonly<Record<string, string>> = { jpeg: 'jpg' };

/**
 * A picture as a project has it, and the files that are kept of it.
 * @param id the picture's own
 * @throws UnreadablePicture with what is wrong with it
 */
export async function readPicture(bytes: Uint8Array, name: string, id: string): Promise<ReadPicture> {
  if (bytes.length === 0) throw new UnreadablePicture(`${name} is empty.`);
  const type = kindOf(bytes);
  if (type === undefined)
    throw new UnreadablePicture(`${name} isn’t a picture that is taken here: PNG, JPEG, WebP, AVIF or SVG.`);
  const ending = type === 'image/svg+xml' ? 'svg' : PHOTO_TYPES[type];
  const said = /\.(\w+)$/.exec(name)?.[1]?.toLowerCase();
  const notes =
    said !== undefined && (ENDINGS[said] ?? said) !== ending
      ? [`${name} is a .${ending} file by what it holds, and is taken as one.`]
      : [];
  const fileName = `${slugOf(name.replace(/\.\w+$/, '')).slice(0, 56) || 'picture'}.${ending}`;
  if (type === 'image/svg+xml') return readDrawing(bytes, name, id, fileName, notes);
  const { width, height } = await checked(bytes, name);
  const { photo, files } = await renditionsOf(bytes, type, { width, height });
  return { picture: { id, fileName, photo }, files, notes };
}

/** Whether a PNG or an AVIF holds several pictures, of which readers here see only the first. */
function moves(bytes: Uint8Array): boolean {
  const start = Buffer.from(bytes.subarray(0, 20_000)).toString('latin1');
  const control = start.indexOf('acTL');
  return (
    start.slice(4, 12) === 'ftypavis' ||
    (start.startsWith('\u0089PNG') && control > 0 && control < `${start}IDAT`.indexOf('IDAT'))
  );
}

/** The upright size of a picture that can be unpacked whole. */
async function checked(bytes: Uint8Array, name: string): Promise<{ readonly width: number; readonly height: number }> {
  let about: Metadata;
  try {
    about = await openOriginal(bytes).metadata();
  } catch (error) {
    throw new UnreadablePicture(
      /pixel limit/i.test(String(error))
        ? `${name} has more than ${PIXELS_MOST / 1_000_000} million pixels.`
        : `${name} can’t be read: it is damaged or cut off.`,
    );
  }
  if ((about.pages ?? 1) > 1 || moves(bytes)) throw new UnreadablePicture(`${name} moves. Take a still picture.`);
  const { width, height } = about.autoOrient;
  if (width * height > PIXELS_MOST)
    throw new UnreadablePicture(`${name} is ${width} by ${height} px, more than ${PIXELS_MOST / 1_000_000} million pixels.`);
  if (Math.max(width, height) > PHOTO_SIDE_MOST)
    throw new UnreadablePicture(`${name} is ${width} by ${height} px; a side has at most ${PHOTO_SIDE_MOST} px.`);
  try {
    // Only what has been unpacked whole is known to be whole.
    await openOriginal(bytes).stats();
  } catch {
    throw new UnreadablePicture(`${name} can’t be read: it is damaged or cut off.`);
  }
  return { width, height };
}

function readDrawing(bytes: Uint8Array, name: string, id: string, fileName: string, notes: readonly string[]): ReadPicture {
  if (bytes.length > LIMITS.pictureBytes)
    throw new UnreadablePicture(`${name} is larger than ${LIMITS.pictureBytes / 1_000_000} MB, too much for a drawing.`);
  const source = new TextDecoder().decode(bytes);
  const start = source.search(/<svg[\s>]/i);
  const { svg, removed } = cleanSvg(source.slice(start));
  const read = pictureSchema.safeParse({ id, fileName, svg });
  if (!read.success || !/<\/svg>\s*$|\/>\s*$/.test(source))
    throw new UnreadablePicture(`${name} can’t be read: it isn’t a whole SVG drawing.`);
  return {
    picture: read.data,
    files: new Map(),
    notes: [
      ...notes,
      ...(removed.length > 0 ? [`Left out of ${name}, since drawings neither run nor fetch: ${removed.join(', ')}.`] : []),
    ],
  };
}
