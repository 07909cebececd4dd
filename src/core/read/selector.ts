import { compile } from 'css-select';
import type { Options } from 'css-select';
import { isTraversal as joins, parse, SelectorType, stringify } from 'css-what';
import type { Selector } from 'css-what';

/** An element as selectors see it. */
export interface SelectorNode {
  /** By which it is known to be in a state; absent where it never is. */
  readonly id?: string;
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
  /** The box besides the element's own that it speaks of (CSS Pseudo-Elements 4). */
  readonly box?: string;
  /** Whether it asks for a state that comes and goes. */
  readonly dynamic: boolean;
  /** One thing that all have that it matches: ".class", "#id" or "tag"; empty where nothing of them is known beforehand. */
  readonly key: string;
  /** All classes that it speaks of; undefined where it asks for more of the attribute than names of classes. */
  readonly classes: readonly string[] | undefined;
  /**
   * Whether it matches an element, or for a box that box of it, while elements are in the states that `isIn` says; at
   * rest without it.
   */
  readonly matches: (node: SelectorNode, isIn?: InState) => boolean;
}

/** Whether the element of an id is pointed at ("hover"), focused ("focus-visible") or pressed ("active"). */
export type InState = (id: string, state: string) => boolean;

const AT_REST: InState = () => false;
const ALWAYS: InState = () => true;
/** Who is in which state, while a selector is matched. */
let asked: InState = AT_REST;
const inState = (state: string) => (node: SelectorNode) => node.id !== undefined && asked(node.id, state);

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
    isVisited: () => false,
    isHovered: inState('hover'),
    isActive: inState('active'),
  },
  pseudos: { focus: inState('focus-visible'), 'focus-visible': inState('focus-visible') },
};

/** States that come and go with the pointer and the keyboard. */
const DYNAMIC = /^(hover|active|focus|focus-visible)$/;
const BOX = /^(before|after|placeholder|marker)$/;
/** States and boxes of which nothing is known here: nothing is ever in them. */
const NEVER = /^(focus-within|target|visited|selection|first-line|first-letter|backdrop)$/;
const NOT_AT_REST = new RegExp(`${DYNAMIC.source}|${BOX.source}|${NEVER.source}`);
/** Pseudo-classes that mean here what they mean in browsers. */
const UNDERSTOOD =
  /^(root|link|any-link|first-child|last-child|only-child|first-of-type|last-of-type|only-of-type|nth-child|nth-last-child|nth-of-type|nth-last-of-type|not|is|where)$/;

const WEIGHTLESS: Specificity = [0, 0, 0];
const plus = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const compareSpecificity = (a: Specificity, b: Specificity) => a[0] - b[0] || a[1] - b[1] || a[2] - b[2];

function weigh(part: Selector): Specificity {
  if (part.type === SelectorType.Attribute) return part.name === 'id' && part.action === 'equals' ? [1, 0, 0] : [0, 1, 0];
  if (part.type === SelectorType.Tag || part.type === SelectorType.PseudoElement) return [0, 0, 1];
  if (part.type !== SelectorType.Pseudo) return WEIGHTLESS;
  if (part.name === 'where') return WEIGHTLESS;
  if (!/^(is|not|has|matches|-webkit-any)$/.test(part.name)) return [0, 1, 0];
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

const isClass = (part: Selector) => part.type === SelectorType.Attribute && part.name === 'class' && part.action === 'element';

/** What the last compound of a selector asks for first: rare things before common ones. */
function keyOf(parts: readonly Selector[]): string {
  const compound = parts.slice(parts.findLastIndex((part) => joins(part)) + 1);
  const named = (is: (part: Selector) => boolean) =>
    compound.find(is) as { readonly value: string; readonly name: string } | undefined;
  const id = named((part) => part.type === SelectorType.Attribute && part.name === 'id' && part.action === 'equals');
  if (id) return `#${id.value}`;
  const own = named(isClass);
  if (own) return `.${own.value}`;
  return named((part) => part.type === SelectorType.Tag)?.name.toLowerCase() ?? '';
}

function classesIn(parts: readonly Selector[]): readonly string[] | undefined {
  const all: string[] = [];
  for (const part of parts) {
    if (part.type === SelectorType.Attribute && part.name === 'class') {
      if (!isClass(part)) return undefined;
      all.push(part.value);
    }
    for (const inner of part.type === SelectorType.Pseudo && Array.isArray(part.data) ? part.data : []) {
      const classes = classesIn(inner);
      if (!classes) return undefined;
      all.push(...classes);
    }
  }
  return all;
}

const rests = (part: Selector): boolean =>
  part.type !== SelectorType.PseudoElement && !(part.type === SelectorType.Pseudo && NOT_AT_REST.test(part.name));
/** Whether a state stands inside `:not()` or `:is()`, where it would decide instead of only never matching. */
const hidesState = (part: Selector): boolean =>
  part.type === SelectorType.Pseudo &&
  Array.isArray(part.data) &&
  part.data.some((list) => list.some((inner) => !rests(inner) || hidesState(inner)));

const isTraversal = (part: Selector | undefined) => part === undefined || joins(part);

const nameOf = (part: Selector): string | undefined =>
  part.type === SelectorType.Pseudo || part.type === SelectorType.PseudoElement ? part.name : undefined;

/** A box alone is that of any element. */
const whole = (parts: Selector[]): Selector[] =>
  isTraversal(parts.at(-1)) ? [...parts, { type: SelectorType.Universal, namespace: null }] : parts;

/**
 * Selectors that match at least what a list matches of which not everything is understood: what isn't is left away. Those of boxes that
 * elements here haven't got are left out; undefined where the list can't be read at all.
 */
export function readLoosely(source: string): ReadSelector[] | undefined {
  let lists: Selector[][];
  try {
    lists = parse(source);
  } catch {
    return undefined;
  }
  return lists.flatMap((parts): ReadSelector[] => {
    const last = parts.at(-1);
    if (last?.type === SelectorType.PseudoElement && !BOX.test(last.name)) return [];
    const kept = parts.filter((part) => isUnderstood(part) && !hidesState(part));
    const box = last && BOX.test(nameOf(last) ?? '') ? nameOf(last) : undefined;
    const ofElement = whole(box === undefined ? kept : kept.slice(0, -1));
    const said = { text: stringify([parts]), specificity: parts.map(weigh).reduce(plus, WEIGHTLESS), dynamic: false };
    let [key, classes] = ['', classesIn(ofElement)];
    let matches: (node: SelectorNode) => boolean = () => true;
    try {
      const matching = compile<SelectorNode, SelectorNode>([ofElement], options);
      matches = (node) => {
        asked = ALWAYS;
        return matching(node);
      };
      key = keyOf(ofElement);
    } catch {
      // Nothing of it can be told: it may be anything.
      classes = [];
    }
    return [{ ...said, ...(box !== undefined && { box }), key, classes, matches }];
  });
}

const PLAIN = new Set<string>([
  SelectorType.Attribute,
  SelectorType.Tag,
  SelectorType.Universal,
  SelectorType.Descendant,
  SelectorType.Child,
  SelectorType.Adjacent,
  SelectorType.Sibling,
]);
/**
 * Tells whether a selector matches. Of thousands most are never asked, so it is made at the first question, but for those that may turn out to be none.
 */
function matcher(parts: Selector[]): (node: SelectorNode) => boolean {
  const make = () => compile<SelectorNode, SelectorNode>([parts], options);
  let made = parts.every(({ type }) => PLAIN.has(type)) ? undefined : make();
  return (node) => (made ??= make())(node);
}

/** A selector list, one by one. Undefined where one of them isn't understood: browsers then drop the whole rule too. */
export function readSelectors(source: string): ReadSelector[] | undefined {
  try {
    return parse(source).map((parts, _, all): ReadSelector => {
      if (!parts.every(isUnderstood) || parts.some(hidesState) || isTraversal(parts.at(-1))) throw new Error('not understood');
      const last = nameOf(parts.at(-1)!);
      const box = last !== undefined && BOX.test(last) ? last : undefined;
      const ofElement = box === undefined ? parts : whole(parts.slice(0, -1));
      const never = ofElement.some((part) => BOX.test(nameOf(part) ?? '') || NEVER.test(nameOf(part) ?? ''));
      const matching = never ? () => false : matcher(ofElement);
      return {
        text: all.length === 1 ? source : stringify([parts]),
        specificity: parts.map(weigh).reduce(plus, WEIGHTLESS),
        ...(box !== undefined && { box }),
        dynamic: ofElement.some((part) => DYNAMIC.test(nameOf(part) ?? '')),
        key: keyOf(ofElement),
        classes: classesIn(ofElement),
        matches(node, isIn = AT_REST) {
          asked = isIn;
          return matching(node);
        },
      };
    });
  } catch {
    return undefined;
  }
}
