import { compile } from 'css-select';
import type { Options } from 'css-select';
import { isTraversal as joins, parse, SelectorType } from 'css-what';
import type { Selector } from 'css-what';

/** An element as selectors see it. */
export interface SelectorNode {
  readonly tag: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly parent: SelectorNode | null;
  readonly children: readonly SelectorNode[];
}

/** Numbers of ids, of classes with attributes and pseudo-classes, and of tags (Selectors 4, 17). */
export type Specificity = readonly [number, number, number];

export interface ReadSelector {
  readonly text: string;
  readonly specificity: Specificity;
  /** False for what a resting page never matches: `:hover` and the like, `::before`. */
  readonly matches: (node: SelectorNode) => boolean;
}

const isElement = (node: SelectorNode): node is SelectorNode => node.tag !== '';

const options: Options<SelectorNode, SelectorNode> = {
  cacheResults: false,
  adapter: {
    isTag: isElement,
    getAttributeValue: (node, name) => node.attributes[name],
    getChildren: (node) => [...node.children],
    getName: (node) => node.tag,
    getParent: (node) => node.parent,
    getSiblings: (node) => [...(node.parent?.children ?? [node])],
    getText: () => '',
    hasAttrib: (node, name) => name in node.attributes,
    removeSubsets: (nodes) => nodes,
  },
};

/** States and boxes that nothing on a resting page is in. */
const NOT_AT_REST =
  /^(hover|active|focus|focus-visible|focus-within|target|visited|before|after|placeholder|selection|marker|first-line|first-letter|backdrop)$/;
/** Pseudo-classes that mean here what they mean in browsers. */
const UNDERSTOOD =
  /^(root|first-child|last-child|only-child|first-of-type|last-of-type|only-of-type|nth-child|nth-last-child|nth-of-type|nth-last-of-type|not|is|where)$/;

const WEIGHTLESS: Specificity = [0, 0, 0];
const plus = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const compareSpecificity = (a: Specificity, b: Specificity) => a[0] - b[0] || a[1] - b[1] || a[2] - b[2];

function weigh(part: Selector): Specificity {
  if (part.type === SelectorType.Attribute) return part.name === 'id' && part.action === 'equals' ? [1, 0, 0] : [0, 1, 0];
  if (part.type === SelectorType.Tag || part.type === SelectorType.PseudoElement) return [0, 0, 1];
  if (part.type !== SelectorType.Pseudo) return WEIGHTLESS;
  if (part.name === 'where') return WEIGHTLESS;
  if (part.name !== 'is' && part.name !== 'not') return [0, 1, 0];
  const inner = Array.isArray(part.data) ? part.data.map((list) => list.map(weigh).reduce(plus, WEIGHTLESS)) : [];
  return inner.sort(compareSpecificity).at(-1) ?? WEIGHTLESS;
}

function isUnderstood(part: Selector): boolean {
  if (part.type === SelectorType.Attribute) return !part.name.startsWith('data-mp-');
  if (part.type === SelectorType.ColumnCombinator || part.type === SelectorType.Parent) return false;
  if (part.type !== SelectorType.Pseudo) return true;
  if (NOT_AT_REST.test(part.name)) return true;
  if (!UNDERSTOOD.test(part.name) || / of /.test(typeof part.data === 'string' ? part.data : '')) return false;
  return !Array.isArray(part.data) || part.data.every((list) => list.every(isUnderstood));
}

const rests = (part: Selector): boolean =>
  part.type !== SelectorType.PseudoElement && !(part.type === SelectorType.Pseudo && NOT_AT_REST.test(part.name));
/** Whether a state stands inside `:not()` or `:is()`, where it would decide instead of only never matching. */
const hidesState = (part: Selector): boolean =>
  part.type === SelectorType.Pseudo &&
  Array.isArray(part.data) &&
  part.data.some((list) => list.some((inner) => !rests(inner) || hidesState(inner)));

const isTraversal = (part: Selector | undefined) => part === undefined || joins(part);

/** A selector list, one by one. Undefined where one of them isn't understood: browsers then drop the whole rule too. */
export function readSelectors(source: string): ReadSelector[] | undefined {
  try {
    return parse(source).map((parts): ReadSelector => {
      if (!parts.every(isUnderstood) || parts.some(hidesState) || isTraversal(parts.at(-1))) throw new Error('not understood');
      const matching = parts.every(rests) ? compile<SelectorNode, SelectorNode>([parts], options) : () => false;
      return { text: source, specificity: parts.map(weigh).reduce(plus, WEIGHTLESS), matches: (node) => matching(node) };
    });
  } catch {
    return undefined;
  }
}
