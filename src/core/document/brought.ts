import { z } from 'zod';

/** A path in a package, with `/` between folders and none before the first: "docs/index.html". */
export const pathSchema = z
  .string()
  .min(1)
  .max(500, 'A path has at most 500 characters.')
  .refine((path) => !/^\/|(^|\/)\.\.?(\/|$)|[\u0000-\u001f\\]/.test(path), 'Not a path inside of a package.');

export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'Not the hash of a file.');

/** A file that was brought in with pages: a picture or a font. Its bytes are kept beside the document, by their hash. */
export const projectFileSchema = z.strictObject({
  path: pathSchema,
  /** Media type. */
  type: z.string().regex(/^[a-z]+\/[a-z0-9.+-]{1,80}$/),
  /** SHA-256 of the bytes, in hexadecimal. */
  hash: hashSchema,
  bytes: z.number().int().min(0),
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
