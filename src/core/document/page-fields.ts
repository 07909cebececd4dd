import { z } from 'zod';

/** What systems keep for themselves: a file of such a name can't be unpacked everywhere, whatever its ending. */
const RESERVED = /^(con|prn|aux|nul|com[0-9]|lpt[0-9])$/;

const TITLE_MOST = 300;
const DESCRIPTION_MOST = 1_000;
const LANGUAGE_MOST = 60;

/** File name of a page without ending: `index` becomes `index.html`. */
export const slugSchema = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,60}$/, 'A page file is named in small letters a to z, digits and hyphens, at most 61 of them.')
  .refine((slug) => !RESERVED.test(slug), 'Some systems keep this file name for themselves; choose another.');

/** Whether a name stands for a file that some systems can't have. */
export const isReservedFileName = (slug: string): boolean => RESERVED.test(slug);

/** A language tag as BCP 47 has it: "en", "pt-BR", "zh-Hant". */
export const languageSchema = z.string().max(LANGUAGE_MOST).refine(isLanguageTag, 'A language is a tag such as en, de or pt-BR.');

function isLanguageTag(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

/** What a page says of itself, besides its name and file name. */
export const pageFieldsShape = {
  /** What a browser's window shows; the page's name where none is given (WCAG 2.2, 2.4.2). */
  title: z.string().min(1).max(TITLE_MOST, `A title has at most ${TITLE_MOST} characters.`).optional(),
  description: z.string().min(1).max(DESCRIPTION_MOST, `A description has at most ${DESCRIPTION_MOST} characters.`).optional(),
  /** The project's where none is given (WCAG 2.2, 3.1.1). */
  language: languageSchema.optional(),
  /** Where lines begin: at the left where nothing is given. */
  direction: z.enum(['ltr', 'rtl'], 'Text runs from left to right or from right to left.').optional(),
};

export interface PageFields {
  readonly title?: string | undefined;
  readonly description?: string | undefined;
  readonly language?: string | undefined;
  readonly direction?: 'ltr' | 'rtl' | undefined;
}

/** The attributes of a page's `<html>`. A page that was brought in has a language only where it says one. */
export function htmlAttributes(
  { language: ofProject }: { readonly language: string },
  {
    language,
    direction,
    brought,
  }: PageFields & { readonly brought?: { readonly html: Readonly<Record<string, string>> } | undefined },
): Readonly<Record<string, string>> {
  const lang = language ?? (brought ? undefined : ofProject);
  return { ...brought?.html, ...(lang !== undefined && { lang }), ...(direction && { dir: direction }) };
}
