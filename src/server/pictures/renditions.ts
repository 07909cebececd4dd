import sharp from 'sharp';
import type { PhotoCrop, PhotoFacts, PhotoFile, PhotoType } from '@/core/document';
import { ladderOf } from '@/core/pictures';
import { hashOf } from '../store/files';
import { openOriginal } from './original';

/** Files to be kept, by hash. */
export type Kept = ReadonlyMap<string, { readonly type: string; readonly bytes: Uint8Array }>;

/** What the editor shows is at most as wide, px. */
const SMALL_MOST = 1200;
/** The file for browsers that know neither AVIF nor WebP is at most as wide, px. */
const FALLBACK_MOST = 1280;
const QUALITY = { avif: 52, webp: 78, jpeg: 80, small: 72 } as const;

let turn: Promise<unknown> = Promise.resolve();

/** One picture after the other: each takes much memory while it is unpacked. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turn.then(work, work);
  turn = mine.catch(() => undefined);
  return mine;
}

/**
 * All files in which a picture, or what is cut out of it, is handed over: upright, in sRGB, without what a camera wrote into it.
 * @param of the upright size of the original, px
 */
export const renditionsOf = (...asked: Parameters<typeof make>): ReturnType<typeof make> => inTurn(() => make(...asked));

async function make(
  original: Uint8Array,
  type: PhotoType,
  of: { readonly width: number; readonly height: number },
  crop?: PhotoCrop,
): Promise<{ readonly photo: PhotoFacts; readonly files: Kept }> {
  const kept = new Map<string, { type: string; bytes: Uint8Array }>();
  const keep = (kind: string, bytes: Uint8Array) => {
    const hash = hashOf(bytes);
    kept.set(hash, { type: kind, bytes });
    return hash;
  };
  const hash = keep(type, original);
  const { width, height } = crop ?? of;
  // Unpacked once for all.
  const upright = openOriginal(original).autoOrient().toColourspace('srgb');
  const whole = crop ? upright.extract({ left: crop.x, top: crop.y, width, height }) : upright;
  const { data, info } = await whole.raw().toBuffer({ resolveWithObject: true });
  const raw = { width: info.width, height: info.height, channels: info.channels };
  const narrowed = (to: number) =>
    sharp(data, { raw }).resize({ width: to, height: Math.max(1, Math.round((to * height) / width)), fit: 'fill' });
  const files: PhotoFile[] = [];
  const add = (kind: PhotoType, to: number, bytes: Uint8Array) =>
    files.push({ width: to, type: kind, hash: keep(kind, bytes), bytes: bytes.length });
  for (const to of ladderOf({ width, height })) {
    const at = await narrowed(to).raw().toBuffer({ resolveWithObject: true });
    const again = () => sharp(at.data, { raw: { width: at.info.width, height: at.info.height, channels: at.info.channels } });
    add('image/avif', to, await again().avif({ quality: QUALITY.avif, effort: 1 }).toBuffer());
    add('image/webp', to, await again().webp({ quality: QUALITY.webp }).toBuffer());
  }
  const plain = Math.min(width, FALLBACK_MOST);
  const last = narrowed(plain);
  const isClear = info.channels === 2 || info.channels === 4;
  if (isClear) add('image/png', plain, await last.png({ palette: true, effort: 4 }).toBuffer());
  else add('image/jpeg', plain, await last.jpeg({ quality: QUALITY.jpeg, mozjpeg: true }).toBuffer());
  const small = keep('image/webp', await narrowed(Math.min(width, SMALL_MOST)).webp({ quality: QUALITY.small }).toBuffer());
  return { photo: { type, width, height, hash, bytes: original.length, ...(crop && { crop }), small, files }, files: kept };
}
