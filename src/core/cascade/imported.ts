import type { Held } from '../breakpoints/viewport';
import { isHeld } from '../breakpoints/viewport';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import type { SelectorNode, Specificity } from '../read';
import { compareSpecificity } from '../read';
import type { PageRule } from './page-rules';
import { rulesOn } from './page-rules';
import { indexOf } from './rule-index';
import { seenNodes } from './seen-nodes';
import type { SelectorNodes } from './selector-nodes';

/** A rule of an imported sheet that matches an element, with the sheet it stands in. */
export interface MatchedRule {
  readonly rule: PageRule['rule'];
  readonly sheetId: string;
  /** Whether the states that it asks for are held; absent where it asks for none. */
  readonly holds?: (held: Held | undefined) => boolean;
  /** What a browser has to be asked to know whether it holds; absent where that is known. */
  readonly ask?: string;
  /** Its place in the order of the sheets. */
  readonly order: number;
}

type Found = MatchedRule & { readonly specificity: Specificity; readonly layer: number };

/**
 * The imported rules that match, weakest first (CSS Cascade 5, 6.1: layers, specificity, then order).
 * A rule that asks for states comes with how to tell whether they hold. One of which nobody knows whether it matches is taken as if it
 * did, with what a browser has to be asked.
 * @param element undefined for `<html>` itself
 * @param box one of its other boxes, in place of its own
 * @param important for what is important the order of layers is the other way around
 */
export function importedRules(
  project: Project,
  page: Page,
  element: PageElement | undefined,
  box?: string,
  important = false,
): readonly MatchedRule[] {
  const rules = rulesOn(project, page);
  if (rules.length === 0) return [];
  const nodes = seenNodes(project, page);
  const node = nodes.get(element?.id ?? 'html');
  if (!node) return [];
  let known = matched.get(nodes);
  if (!known) matched.set(nodes, (known = new Map()));
  const key = `${element?.id ?? 'html'} ${box ?? ''}`;
  let all = known.get(key);
  if (!all) known.set(key, (all = matching(rules, node, box)));
  const found = important ? all.filter(({ rule }) => saysImportant(rule)) : all;
  const byLayer = important ? (a: Found, b: Found) => b.layer - a.layer : (a: Found, b: Found) => a.layer - b.layer;
  return found.toSorted((a, b) => byLayer(a, b) || compareSpecificity(a.specificity, b.specificity) || a.order - b.order);
}

const saysImportant = ({ important, doubtedImportant }: PageRule['rule']): boolean =>
  (doubtedImportant?.length ?? 0) > 0 || Object.keys(important).length > 0;

/** What was found of elements as rules see them, which is so for as long as they see the same. */
const matched = new WeakMap<SelectorNodes, Map<string, readonly Found[]>>();

function matching(rules: readonly PageRule[], node: SelectorNode, box: string | undefined): Found[] {
  const found: Found[] = [];
  for (const order of indexOf(rules).for(node)) {
    const { sheetId, rule, layer } = rules[order]!;
    if (rule.unsure) {
      // Where it can't even be read it may match anything.
      if (rule.selectors.length === 0)
        found.push({ rule, sheetId, specificity: STRONGEST, order, layer, ask: askOf(order, box ?? '') });
      for (const [part, { box: own, specificity, dynamic, matches }] of rule.selectors.entries()) {
        if (own !== box || !matches(node, ALL)) continue;
        const holds = (held: Held | undefined) => matches(node, (one, state) => isHeld(held, one, state));
        found.push({ rule, sheetId, specificity, order, layer, ask: askOf(order, part), ...(dynamic && { holds }) });
      }
      continue;
    }
    const ofBox = rule.selectors.filter((selector) => selector.box === box);
    let strongest: Specificity | undefined;
    for (const { dynamic, specificity, matches } of ofBox)
      if (!dynamic && (!strongest || compareSpecificity(specificity, strongest) > 0) && matches(node)) strongest = specificity;
    if (strongest) found.push({ rule, sheetId, specificity: strongest, order, layer });
    for (const { dynamic, specificity, matches } of ofBox) {
      const adds = dynamic && (!strongest || compareSpecificity(specificity, strongest) > 0);
      if (!adds || !matches(node, ALL)) continue;
      const holds = (held: Held | undefined) => matches(node, (one, state) => isHeld(held, one, state));
      found.push({ rule, sheetId, specificity, order, layer, holds });
    }
  }
  return found;
}

/** Whether one selector of a rule matches, conditions and all; or by a word for it where it can't be read. */
export const askOf = (order: number, part: number | string): string => `r${order}.${part}`;
/** What the declarations of a rule that aren't known here come to. */
export const askValues = (order: number, important: boolean): string => `r${order}${important ? '!' : '='}`;

const STRONGEST: Specificity = [Infinity, 0, 0];

/** As if everything were in every state. */
const ALL = () => true;
