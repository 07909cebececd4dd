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
  const inside = wellNested(svg.replace(new RegExp(`^<${tag}/?>`), ''));
  const result = { inside, removed: [...removed] };
  if (checked.size > KEPT) checked.clear();
  checked.set(key, result);
  return result;
}

/** Elements in which an HTML parser reads HTML again: they hold a text only. */
const TEXT_ONLY = new Set(['title', 'desc', 'mi', 'mo', 'mn', 'ms', 'mtext']);

/** What stands before the end of the element around it, each element closed where it was opened. */
function wellNested(source: string): string {
  const open: string[] = [];
  let written = '';
  for (const { 0: token, 1: end, 2: name, 3: empty } of source.matchAll(/<(\/?)([\w:-]+)[^<>]*?(\/?)>|[^<]+/g)) {
    const top = open[open.length - 1];
    if (name === undefined) written += token;
    else if (end) {
      if (top === undefined) break;
      if (name !== top) continue;
      open.pop();
      written += token;
    } else if (top === undefined || !TEXT_ONLY.has(top)) {
      if (!empty) open.push(name);
      written += token;
    }
  }
  const rest = open.reverse().map((name) => `</${name}>`);
  return [written, ...rest]
    .join('')
    .replace(/<([\w:-]+)((?:[^<>]*[^<>/])?)><\/\1>/g, '<$1$2/>')
    .trim();
}

/** Why a source can't be the inside of an element; undefined when it can. */
export function whyNotSource(tag: string, source: string): string | undefined {
  const { inside, removed } = cleanInside(tag, source);
  if (inside === source) return undefined;
  return removed.length > 0
    ? `What stands in <${tag}> would run, fetch or isn't known: ${removed.join(', ')}.`
    : `What stands in <${tag}> isn't written as it is read.`;
}
