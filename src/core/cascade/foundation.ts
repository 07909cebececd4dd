import type { Declarations } from '../document/element';
import type { Page, Project } from '../document/project';
import { USUAL_ROOT_SIZE } from '../document/root-size';
import { treesOf } from '../document/tree';
import { formatNumber } from '../styles/length';

interface FoundationRule {
  readonly tags: readonly string[] | '*';
  /** Tags that are named besides where the project has such elements, so that the sheets of others stay as they are. */
  readonly also?: readonly string[];
  readonly declarations: Declarations;
}

/**
 * What the exported sheet sets for whole kinds of elements before any class, so that pages start from the same ground:
 * border-box sizing, no page margin, pictures that don't outgrow their box, form controls in the page's type.
 * The doubled `monospace` keeps browsers from shrinking the type, as they do for the single word.
 */
const FOUNDATION: readonly FoundationRule[] = [
  { tags: '*', declarations: { 'box-sizing': 'border-box' } },
  { tags: ['body'], declarations: { 'margin-top': '0', 'margin-right': '0', 'margin-bottom': '0', 'margin-left': '0' } },
  { tags: ['code', 'pre'], also: ['kbd', 'samp', 'tt'], declarations: { 'font-family': 'monospace, monospace' } },
  { tags: ['img'], also: ['video', 'svg'], declarations: { height: 'auto', 'max-width': '100%' } },
  { tags: [], also: ['canvas', 'iframe', 'object', 'embed', 'audio'], declarations: { 'max-width': '100%' } },
  {
    tags: ['button', 'input', 'textarea'],
    also: ['select'],
    declarations: {
      'font-family': 'inherit',
      'font-size': 'inherit',
      'font-weight': 'inherit',
      'font-style': 'inherit',
      'line-height': 'inherit',
      'letter-spacing': 'inherit',
      'text-transform': 'inherit',
      color: 'inherit',
    },
  },
];

/** Whether the sheet has more to say where the project has such an element. */
export const asksForRules = (tag: string): boolean => FOUNDATION.some(({ also }) => also?.includes(tag));

const tagsByPage = new WeakMap<Page['elements'], ReadonlySet<string>>();

function tagsOn({ elements }: Page): ReadonlySet<string> {
  let tags = tagsByPage.get(elements);
  if (!tags) tagsByPage.set(elements, (tags = new Set(Object.values(elements).map(({ tag }) => tag))));
  return tags;
}

/** The rules as a project's sheet has them: each with a selector, in order. */
export function foundationRules(project: Project): { readonly selector: string; readonly declarations: Declarations }[] {
  return FOUNDATION.flatMap(({ tags, also = [], declarations }) => {
    if (tags === '*') return [{ selector: tags, declarations }];
    const used = also.filter((tag) => treesOf(project).some((page) => tagsOn(page).has(tag)));
    const all = [...tags, ...used];
    return all.length > 0 ? [{ selector: all.join(', '), declarations }] : [];
  });
}

/**
 * What the sheet says of the root's font size; nothing where it is the reader's own.
 * @param text the reader's text size to stand in for, as a multiple of the usual one
 */
export function rootFontSize({ rootSize }: Pick<Project, 'rootSize'>, text = 1): Declarations {
  const percent = rootSize * text;
  return percent === USUAL_ROOT_SIZE ? {} : { 'font-size': `${formatNumber(Math.round(percent * 1e6) / 1e6)}%` };
}

const byTag = new Map<string, Declarations>();

export function foundationFor(tag: string): Declarations {
  let declarations = byTag.get(tag);
  if (!declarations) {
    const rules = FOUNDATION.filter(({ tags, also = [] }) => tags === '*' || tags.includes(tag) || also.includes(tag));
    declarations = Object.assign({}, ...rules.map((rule) => rule.declarations)) as Declarations;
    byTag.set(tag, declarations);
  }
  return declarations;
}
