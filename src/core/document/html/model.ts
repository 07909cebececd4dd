import { isInert, isKnown, ruleOf } from './elements';
import type { Surroundings } from './surroundings';

const listed = (tags: readonly string[]) => tags.map((tag) => `<${tag}>`).join(', ');

/**
 * Why HTML doesn't allow an element of the tag there, though parsers keep it (HTML, content models); undefined where it
 * is allowed or unknown.
 */
export function whyNotConforming(tag: string, around: Surroundings): string | undefined {
  const rule = ruleOf(tag);
  const parent = ruleOf(around.parent);
  if (!rule || !parent) return undefined;
  if (isInert(tag)) return `<${tag}> does nothing here; it only keeps its place on pages that were brought in.`;
  const { children, content } = parent;
  if (children && !children.includes(tag)) {
    const others = children.filter((one) => one !== '#');
    if (!children.includes('#') || content === 'nothing') return `<${around.parent}> holds only ${listed(others)}.`;
  }
  if (children?.includes(tag)) return forbidden(tag, around);
  if (rule.parents && !rule.parents.includes(around.parent)) return `<${tag}> stands only in ${listed(rule.parents)}.`;
  if (around.phrasing && !rule.phrasing) return `<${around.phrasing}> holds text, not a block like <${tag}>.`;
  return forbidden(tag, around);
}

function forbidden(tag: string, { without }: Surroundings): string | undefined {
  const around = without.find((one) => ruleOf(one)!.without!.includes(tag));
  if (!around) return undefined;
  if (around === tag) return `<${tag}> can't stand inside another.`;
  return `<${tag}> can't stand inside <${around}>.`;
}

/** Why HTML doesn't allow a text directly in an element of the tag; undefined where it does. */
export function whyNoWordsIn(tag: string): string | undefined {
  const rule = ruleOf(tag);
  if (!rule || !isKnown(tag)) return undefined;
  const takesText = rule.content === 'text' || !rule.children || rule.children.includes('#');
  return takesText && rule.content !== 'nothing' ? undefined : `<${tag}> holds no text of its own.`;
}
