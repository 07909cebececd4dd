import { z } from 'zod';
import { cleanSvg } from './clean-svg';
import { LIMITS } from './limits';
import type { PhotoFacts } from './photo';
import { PHOTO_TYPES, photoSchema } from './photo';

export const pictureIdSchema = z.string().regex(/^p[a-z0-9]{1,24}$/, 'Not a picture id.');

interface Named {
  readonly id: string;
  readonly fileName: string;
}
/** A picture drawn in SVG, kept in the document. */
export interface Drawing extends Named {
  readonly svg: string;
  readonly photo?: undefined;
}
/** A picture made of pixels, kept beside the document. */
export interface Photo extends Named {
  readonly photo: PhotoFacts;
  readonly svg?: undefined;
}
export type Picture = Drawing | Photo;

export const pictureSchema = z
  .strictObject({
    id: pictureIdSchema,
    fileName: z
      .string()
      .regex(/^[a-z0-9][a-z0-9-]{0,60}\.(svg|jpg|png|webp|avif)$/, 'A picture file is named like "claw-hammer.svg".'),
    /** SVG source as `cleanSvg` writes it; what runs, fetches or links is refused. */
    svg: z
      .string()
      .max(LIMITS.pictureBytes)
      .regex(/^<svg[\s>]/, 'A picture is an SVG drawing.')
      .transform((source, context) => {
        const { svg, removed } = cleanSvg(source);
        if (removed.length === 0) return svg;
        context.addIssue({ code: 'custom', message: `A picture may not hold ${removed.join(', ')}.` });
        return z.NEVER;
      })
      .optional(),
    photo: photoSchema.optional(),
  })
  .transform(({ id, fileName, svg, photo }, context): Picture => {
    if (svg !== undefined && !photo && fileName.endsWith('.svg')) return { id, fileName, svg };
    if (photo && svg === undefined && fileName.endsWith(`.${PHOTO_TYPES[photo.type]}`)) return { id, fileName, photo };
    context.addIssue({ code: 'custom', message: `${fileName} must be one picture, with the ending of its kind.` });
    return z.NEVER;
  });

/** A name that no other picture has: "ladder.jpg", "ladder-2.jpg". */
export function freePictureName(taken: Iterable<string>, wanted: string): string {
  const names = new Set(taken);
  const [, stem = 'picture', ending = 'svg'] = /^(.*)\.(\w+)$/.exec(wanted) ?? [];
  let name = wanted;
  for (let n = 2; names.has(name); n++) name = `${stem.slice(0, 56)}-${n}.${ending}`;
  return name;
}
