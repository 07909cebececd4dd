import { z } from 'zod';

/** What a reader's browser has where nobody asked for another size, CSS px. */
export const READERS_SIZE = 16;

/** The reader's own size, unchanged. */
export const USUAL_ROOT_SIZE = 100;

const [LEAST, MOST] = [50, 300];

/**
 * The font size of `<html>`, and so what 1rem is, in percent of the reader's own size. Never in px: text has to grow
 * with what readers ask for (WCAG 2.2, 1.4.4).
 */
export const rootSizeSchema = z
  .number('The root text size is a number of percent.')
  .min(LEAST, `The root text size is at least ${LEAST}% of what the reader has.`)
  .max(MOST, `The root text size is at most ${MOST}% of what the reader has.`);

/** What 1rem comes to for a reader who asked for no other size, CSS px. */
export const rootPx = ({ rootSize }: { readonly rootSize: number }): number => (READERS_SIZE * rootSize) / 100;

/** "112.5%", "112.5" or "18px" as percent of the reader's size; undefined where it is no size. */
export function readRootSize(text: string): number | undefined {
  const [, number, unit = '%'] = /^(\d{1,4}(?:\.\d{1,4})?)\s*(%|px)?$/.exec(text.trim()) ?? [];
  if (number === undefined) return undefined;
  return unit === 'px' ? Math.round((Number(number) / READERS_SIZE) * 1e6) / 1e4 : Number(number);
}
