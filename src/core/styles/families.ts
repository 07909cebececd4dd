import { splitOutside } from './lists';

const GENERIC =
  /^(serif|sans-serif|monospace|cursive|fantasy|system-ui|ui-(serif|sans-serif|monospace|rounded)|inherit|initial|unset)$/i;

/**
 * Why a `font-family` may not show as meant: it names only families that don't come with the page, and nothing to fall
 * back on. Undefined where it's fine.
 * @param bundled family names that come with the page
 */
export function familyProblem(value: string, bundled: readonly string[]): string | undefined {
  if (/var\(/i.test(value)) return undefined;
  const names = splitOutside(value, ',').map((name) => name.replace(/^["']|["']$/g, ''));
  const known = new Set(bundled.map((name) => name.toLowerCase()));
  if (names.some((name) => known.has(name.toLowerCase()) || GENERIC.test(name))) return undefined;
  return `"${names[0]}" doesn't come with the page; name one to fall back on after it, such as sans-serif.`;
}
