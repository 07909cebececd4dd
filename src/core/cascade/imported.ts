import type { Held } from '../breakpoints/viewport';
import { isHeld } from '../breakpoints/viewport';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import type { SheetRule, Specificity } from '../read';
import { compareSpecificity } from '../read';
import { rulesOn } from './page-rules';
import { nodesOf } from './selector-nodes';

/** A rule of an imported sheet that matches an element, with the sheet it stands in. */
export interface MatchedRule {
  readonly rule: SheetRule;
  readonly sheetId: string;
  /** Whether the states that it asks for are held; absent where it asks for none. */
  readonly holds?: (held: Held | undefined) => boolean;
}

/**
 * The imported rules that match, weakest first (CSS Cascade 5, 6.1: specificity, then order; all sheets are one layer).
 * A rule that asks for states comes with how to tell whether they hold.
 * @param element undefined for `<html>` itself
 * @param box one of its other boxes, in place of its own
 */
export function importedRules(
  project: Project,
  page: Page,
  element: PageElement | undefined,
  box?: string,
): readonly MatchedRule[] {
  const rules = rulesOn(project, page);
  if (rules.length === 0) return [];
  const node = nodesOf(project, page).get(element?.id ?? 'html');
  if (!node) return [];
  const found: (MatchedRule & { specificity: Specificity; order: number })[] = [];
  let order = 0;
  for (const { sheetId: id, rule } of rules) {
    order++;
    const ofBox = rule.selectors.filter((selector) => selector.box === box);
    let strongest: Specificity | undefined;
    for (const { dynamic, specificity, matches } of ofBox)
      if (!dynamic && (!strongest || compareSpecificity(specificity, strongest) > 0) && matches(node)) strongest = specificity;
    if (strongest) found.push({ rule, sheetId: id, specificity: strongest, order });
    for (const { dynamic, specificity, matches } of ofBox) {
      const adds = dynamic && (!strongest || compareSpecificity(specificity, strongest) > 0);
      if (!adds || !matches(node, ALL)) continue;
      const holds = (held: Held | undefined) => matches(node, (one, state) => isHeld(held, one, state));
      found.push({ rule, sheetId: id, specificity, order, holds });
    }
  }
  return found.sort((a, b) => compareSpecificity(a.specificity, b.specificity) || a.order - b.order);
}

/** As if everything were in every state. */
const ALL = () => true;
