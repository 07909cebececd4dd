import sharp from 'sharp';
import type { Sharp } from 'sharp';

/** Pixels that are unpacked at most: a small file may hold far more. */
export const PIXELS_MOST = 40_000_000;
/** How long a file may take to be unpacked, s. */
const SECONDS_MOST = 30;

/** How an original is opened, whoever reads it: damaged and huge ones end in an error. */
export const openOriginal = (bytes: Uint8Array): Sharp =>
  sharp(bytes, { failOn: 'truncated', limitInputPixels: PIXELS_MOST }).timeout({ seconds: SECONDS_MOST });
