import type { ForeignLanguage } from './clean-svg';
import { cleanSource } from './clean-svg';

const checked = new Map<string, { readonly inside: string; readonly removed: readonly string[] }>();
const KEPT = 500;

/** The inside of a drawing or formula with nothing in it but what it may hold, and what was taken out. */
export function cleanInside(tag: string, source: string): { readonly inside: string; readonly removed: readonly string[] } {
  const key = `${tag} ${source}`;
  const known = checked.get(key);
  if (known) return known;
  const { svg, removed } = cleanSource(tag as ForeignLanguage, `<${tag}>${source}</${tag}>`);
  const inside = svg.replace(new RegExp(`^<${tag}/?>|</${tag}>$`, 'g'), '');
  const result = { inside, removed: [...removed] };
  if (checked.size > KEPT) checked.clear();
  checked.set(key, result);
  return result;
}

/** Why a source can't be the inside of an element; undefined when it can. */
export function whyNotSource(tag: string, source: string): string | undefined {
  const { inside, removed } = cleanInside(tag, source);
  if (inside === source) return undefined;
  return removed.length > 0
    ? `What stands in <${tag}> would run, fetch or isn't known: ${removed.join(', ')}.`
    : `What stands in <${tag}> isn't written as it is read.`;
}
