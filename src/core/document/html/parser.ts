import { ruleOf, holdsElements } from './elements';
import type { Surroundings } from './surroundings';

/*
 * What the HTML parser makes of a place (HTML, "Tree construction"). Where it would make another tree than the one that
 * is written, nothing can be kept.
 */

/** Elements whose start tag closes a paragraph that is open. */
export const CLOSES_PARAGRAPH = new Set(
  (
    'address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer header hgroup ' +
    'main menu nav ol p search section summary ul h1 h2 h3 h4 h5 h6 pre form table hr li dd dt'
  ).split(' '),
);
const HEADING = /^h[1-6]$/;

/** Elements in which only some stand; the parser moves everything else out, drops it, or puts something between. */
const ONLY_IN: ReadonlyMap<string, readonly string[]> = new Map(
  Object.entries({
    table: ['caption', 'colgroup', 'thead', 'tbody', 'tfoot'],
    colgroup: ['col'],
    thead: ['tr'],
    tbody: ['tr'],
    tfoot: ['tr'],
    tr: ['th', 'td'],
    select: ['option', 'optgroup', 'hr'],
    optgroup: ['option'],
  }),
);
/** Elements that are dropped outside these. */
const ONLY_UNDER: ReadonlyMap<string, readonly string[]> = new Map(
  [...ONLY_IN]
    .filter(([parent]) => parent !== 'select' && parent !== 'optgroup')
    .reduce((map, [parent, tags]) => {
      for (const tag of tags) map.set(tag, [...(map.get(tag) ?? []), parent]);
      return map;
    }, new Map<string, string[]>()),
);
/** A start tag of ruby closes these where they are open last. */
const IMPLIED_END = new Set('dd dt li optgroup option p rb rp rt rtc'.split(' '));

const list = (tags: readonly string[], or: string) => tags.map((tag) => `<${tag}>`).join(tags.length === 2 ? ` ${or} ` : ', ');

/** Why an element of the tag can't be written there; undefined when it can. */
export function whyNotKept(tag: string, around: Surroundings): string | undefined {
  const { parent } = around;
  if (!ruleOf(tag)) return `<${tag}> isn't an element that a page here can hold.`;
  if (tag === 'body') return 'A page has one body.';
  if (!holdsElements(parent)) return `<${parent}> can't hold other elements.`;
  const only = ONLY_IN.get(parent);
  if (only && !only.includes(tag)) return `<${parent}> holds only ${list(only, 'and')}.`;
  const under = ONLY_UNDER.get(tag);
  if (under && !under.includes(parent)) return `<${tag}> stands only in ${list(under, 'or')}.`;
  if (around.paragraph && CLOSES_PARAGRAPH.has(tag) && !(around.quirks && tag === 'table'))
    return `<p> holds text, not a block like <${tag}>.`;
  if (HEADING.test(tag) && HEADING.test(parent)) return `<${parent}> holds text, not a block like <${tag}>.`;
  if (around.item && tag === 'li') return 'A list item stands in another only with a list between them.';
  if (around.term && (tag === 'dt' || tag === 'dd')) return `<${tag}> stands in another only with a list between them.`;
  if (around.link && tag === 'a') return "<a> can't stand inside another link or button.";
  if (around.unbroken && tag === 'nobr') return "<nobr> can't stand inside another.";
  if (around.button && tag === 'button') return "<button> can't stand inside another link or button.";
  if (around.form && tag === 'form') return "A form can't stand inside a form.";
  if (around.ruby && /^r[bpt]c?$/.test(tag) && IMPLIED_END.has(parent)) return `<${tag}> can't stand directly in <${parent}>.`;
  return undefined;
}

/** Why a text can't be kept directly in an element: parsers leave white space alone in parts of a table. */
export const whyNotKeptText = (tag: string, text: string): string | undefined =>
  text === '' || (ONLY_IN.has(tag) && /^[ \t\n\f\r]*$/.test(text)) ? undefined : whyNoText(tag);

/** Why no text can be written directly in an element of the tag; undefined when one can. */
export function whyNoText(tag: string): string | undefined {
  const content = ruleOf(tag)?.content;
  const moved = ONLY_IN.has(tag) && tag !== 'select' && tag !== 'optgroup';
  if (moved) return `<${tag}> can't hold a text: it would be shown outside the table.`;
  return content === undefined || ['void', 'source', 'inert'].includes(content) || tag === 'iframe'
    ? `<${tag}> can't hold a text.`
    : undefined;
}
