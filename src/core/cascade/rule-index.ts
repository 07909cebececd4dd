import type { SelectorNode } from '../read';
import type { PageRule } from './page-rule';

/** The rules of a page's sheets by what all must have that they speak of: of thousands of rules few can match an element. */
export interface RuleIndex {
  /** The places, ascending, of all rules that may match an element or a box of it. */
  readonly for: (node: SelectorNode) => readonly number[];
  /** Whether any rule can tell elements with a class from those without. */
  readonly sees: (className: string) => boolean;
}

const memo = new WeakMap<readonly PageRule[], RuleIndex>();

export function indexOf(rules: readonly PageRule[]): RuleIndex {
  let index = memo.get(rules);
  if (!index) memo.set(rules, (index = made(rules)));
  return index;
}

function made(rules: readonly PageRule[]): RuleIndex {
  const byKey = new Map<string, number[]>();
  const classes = new Set<string>();
  let seesAll = false;
  const put = (key: string, order: number) => {
    const list = byKey.get(key);
    if (!list) byKey.set(key, [order]);
    else if (list[list.length - 1] !== order) list.push(order);
  };
  for (const [order, { rule }] of rules.entries()) {
    // One that can't be read may speak of anything.
    if (rule.selectors.length === 0) put('', order);
    for (const selector of rule.selectors) {
      put(selector.key, order);
      if (!selector.classes) seesAll = true;
      else for (const one of selector.classes) classes.add(one);
    }
  }
  return {
    for: ({ tag, attributes }) => {
      const keys = ['', tag.toLowerCase(), `#${attributes.id}`, ...wordsOf(attributes.class).map((name) => `.${name}`)];
      const found = new Set<number>();
      for (const key of keys) for (const order of byKey.get(key) ?? []) found.add(order);
      return [...found].sort((a, b) => a - b);
    },
    sees: (className) => seesAll || classes.has(className),
  };
}

const wordsOf = (attribute: string | undefined): readonly string[] => attribute?.split(/\s+/).filter((word) => word !== '') ?? [];
