import { z } from 'zod';
import { hashSchema } from './brought';

/** Media types of pictures made of pixels, with the endings of their files. */
export const PHOTO_TYPES = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp', 'image/avif': 'avif' } as const;
export type PhotoType = keyof typeof PHOTO_TYPES;
const typeSchema = z.enum(Object.keys(PHOTO_TYPES) as [PhotoType, ...PhotoType[]], 'A picture is JPEG, PNG, WebP or AVIF.');

/** The longest side that a picture may have, px. */
export const PHOTO_SIDE_MOST = 16_000;

const side = z.number().int().min(1).max(PHOTO_SIDE_MOST);
const place = z.number().int().min(0).max(PHOTO_SIDE_MOST);

/** One file in which a picture is handed over. */
const photoFileSchema = z.strictObject({ width: side, type: typeSchema, hash: hashSchema, bytes: z.number().int().min(1) });
export type PhotoFile = z.infer<typeof photoFileSchema>;

/** What was cut out of an original: in px of it, kept so that it can be cut otherwise. */
const cropSchema = z.strictObject({
  ...{ x: place, y: place, width: side, height: side },
  /** The whole original, px. */
  of: z.tuple([side, side]).readonly(),
  /** What must stay in sight, in percent of the original from the left and the top. */
  focus: z.tuple([z.number().min(0).max(100), z.number().min(0).max(100)]).readonly(),
});
export type PhotoCrop = z.infer<typeof cropSchema>;

/** A picture made of pixels, or what was cut out of one. Its files are kept beside the document, by their hashes. */
export const photoSchema = z
  .strictObject({
    type: typeSchema,
    /** Upright, and of what was cut out; px. */
    width: side,
    height: side,
    /** The original as it arrived. */
    hash: hashSchema,
    bytes: z.number().int().min(1),
    crop: cropSchema.optional(),
    /** What the editor shows in its place. */
    small: hashSchema,
    /** What is handed over, narrow files first. The last of the original's kind is for browsers that know none of the others. */
    files: z.array(photoFileSchema).min(1).max(60).readonly(),
  })
  .superRefine(({ crop, width, height }, context) => {
    if (!crop) return;
    const fits = crop.x + crop.width <= crop.of[0] && crop.y + crop.height <= crop.of[1];
    if (!fits || crop.width !== width || crop.height !== height)
      context.addIssue({ code: 'custom', message: 'What is cut out of a picture lies inside of it.', path: ['crop'] });
  });
export type PhotoFacts = z.infer<typeof photoSchema>;
