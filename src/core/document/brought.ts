import { z } from 'zod';

/** A path in a package, with `/` between folders and none before the first: "docs/index.html". */
export const pathSchema = z
  .string()
  .min(1)
  .max(500, 'A path has at most 500 characters.')
  .refine((path) => !/^\/|(^|\/)\.\.?(\/|$)|[\u0000-\u001f\\]/.test(path), 'Not a path inside of a package.');

export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'Not the hash of a file.');

/** Fonts that most readers have, by which others are stood in for until they are there. */
export const LOCAL_FONTS = ['Arial', 'Times New Roman', 'Courier New'] as const;

const percent = z.number().min(1).max(1000);
/** What one file of a font that was added by hand is for (CSS Fonts 4, 4). */
export const fontFaceSchema = z.strictObject({
  family: z
    .string()
    .min(1, 'A font needs a family name.')
    .max(80, 'A family name has at most 80 characters.')
    .regex(/^[^"'\\,;{}<>\u0000-\u001f]+$/, 'A family name has no quotation marks, commas or brackets.'),
  /** "400", or "100 900" for a variable one. */
  weight: z.string().regex(/^(\d{1,3}|1000)( (\d{1,3}|1000))?$/, 'A weight is a number from 1 to 1000, or two.'),
  style: z.enum(['normal', 'italic'], 'A font is normal or italic.'),
  /** What is known of its licence, for whoever gets the files; empty where nothing is. */
  licence: z.string().max(2_000, 'A licence note has at most 2000 characters.'),
  /** A font that readers have, made as wide and as high as this one: percent, as `@font-face` has them. */
  fallback: z.strictObject({
    local: z.enum(LOCAL_FONTS),
    sizeAdjust: percent,
    ascent: percent,
    descent: z.number().min(0).max(1000),
    lineGap: z.number().min(0).max(1000),
  }),
});
export type FontFace = z.infer<typeof fontFaceSchema>;

/** A file that was brought in with pages, or a font that was added by hand. Its bytes are kept beside the document, by their hash. */
export const projectFileSchema = z.strictObject({
  path: pathSchema,
  /** Media type. */
  type: z.string().regex(/^[a-z]+\/[a-z0-9.+-]{1,80}$/),
  /** SHA-256 of the bytes, in hexadecimal. */
  hash: hashSchema,
  bytes: z.number().int().min(0),
  /** What it is for, where it is a font that was added by hand. */
  font: fontFaceSchema.optional(),
});
export type ProjectFile = z.infer<typeof projectFileSchema>;

/** How browsers lay a document out, by its document type (HTML, 13.2.6.4.1): "quirks", "limited-quirks" or "no-quirks". */
export const QUIRKS_MODES = ['no-quirks', 'limited-quirks', 'quirks'] as const;
export type QuirksMode = (typeof QUIRKS_MODES)[number];

/** Why something isn't as it was in the files that were brought in. */
export const REASONS = {
  script: 'Scripts don’t run here.',
  event: 'What events would run is left out.',
  address: 'Nothing is fetched from elsewhere.',
  missing: 'The file isn’t in the package.',
  form: 'Forms send nothing from here.',
  element: 'It can’t stand there as it is.',
  attribute: 'It can’t be kept.',
  drawing: 'Parts of a drawing that run, fetch or aren’t known.',
  file: 'It isn’t a page, a style sheet, a picture or a font that the pages use.',
} as const;
export type Reason = keyof typeof REASONS;

/** So many are kept with a page. */
export const LEFT_OUT_MOST = 500;

const leftOutSchema = z.strictObject({
  reason: z.enum(Object.keys(REASONS) as [Reason, ...Reason[]]),
  /** The file that asked for it, and the line there. */
  file: z.string().max(500),
  line: z.number().int().min(1).optional(),
  /** What it is: "logo.png", "onclick of <button>". */
  what: z.string().max(500),
});
/** One thing that was left out, or that came in otherwise. */
export type LeftOut = z.infer<typeof leftOutSchema>;

const sheetLinkSchema = z.strictObject({
  sheet: z.string().regex(/^t[a-z0-9]{1,24}$/, 'Not a style sheet id.'),
  /** The media that the link is for, as it was written. */
  media: z.string().max(500).optional(),
});

/** What makes a page one that somebody else wrote: only its own style sheets hold on it, and nothing of the foundation. */
export const broughtSchema = z.strictObject({
  /** The file that it came from. */
  file: pathSchema,
  /** The hash of that file's bytes. */
  source: hashSchema,
  mode: z.enum(QUIRKS_MODES),
  /** What relative addresses begin with: the folder of its file, or what `<base>` says; empty for the package itself. */
  base: z.string().max(500),
  /** The attributes of `<html>`, but for language and direction. */
  html: z.record(z.string().regex(/^[a-z_][a-z0-9_:.-]{0,60}$/), z.string().max(20_000)),
  /** In the order of the document. */
  sheets: z.array(sheetLinkSchema).max(200),
  leftOut: z.array(leftOutSchema).max(LEFT_OUT_MOST),
});
export type Brought = z.infer<typeof broughtSchema>;

/** The shortest document types that make browsers lay out so. */
const DOCTYPES: Readonly<Record<QuirksMode, string>> = {
  'no-quirks': '<!doctype html>',
  'limited-quirks': '<!doctype html public "-//W3C//DTD XHTML 1.0 Transitional//">',
  quirks: '<!-- quirks -->',
};

/** The document type that a page begins with. */
export const doctypeOf = ({ brought }: { readonly brought?: Brought | undefined }): string =>
  DOCTYPES[brought?.mode ?? 'no-quirks'];
