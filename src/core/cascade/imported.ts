import { classesOf } from '../document/class-names';
import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import type { SelectorNode, SheetRule, Specificity } from '../read';
import { compareSpecificity, readSheet } from '../read';

/** A rule of an imported sheet that matches an element, with the sheet it stands in. */
export interface MatchedRule {
  readonly rule: SheetRule;
  readonly sheetId: string;
}

const memo = new WeakMap<Project, WeakMap<Page, ReadonlyMap<string, SelectorNode>>>();

/** The page as selectors see it: with the classes that the HTML carries, and `<html>` around it. */
function nodesOf(project: Project, page: Page): ReadonlyMap<string, SelectorNode> {
  const pages = memo.get(project) ?? new WeakMap<Page, ReadonlyMap<string, SelectorNode>>();
  memo.set(project, pages);
  const known = pages.get(page);
  if (known) return known;
  const nodes = new Map<string, SelectorNode>();
  const grow = (id: string, parent: SelectorNode): SelectorNode => {
    const element = page.elements[id]!;
    const classes = classesOf(project, element);
    const children: SelectorNode[] = [];
    const attributes = { ...element.attributes, ...(classes.length > 0 && { class: classes.join(' ') }) };
    const node: SelectorNode = { tag: element.tag, attributes, parent, children };
    for (const child of childIds(element)) children.push(grow(child, node));
    nodes.set(id, node);
    return node;
  };
  const children: SelectorNode[] = [];
  const html: SelectorNode = { tag: 'html', attributes: { lang: 'en' }, parent: null, children };
  children.push({ tag: 'head', attributes: {}, parent: html, children: [] }, grow(page.root, html));
  nodes.set('html', html);
  pages.set(page, nodes);
  return nodes;
}

/**
 * The imported rules that match, weakest first (CSS Cascade 5, 6.1: specificity, then order; all sheets are one layer).
 * @param element undefined for `<html>` itself
 */
export function importedRules(project: Project, page: Page, element: PageElement | undefined): readonly MatchedRule[] {
  if (project.sheets.length === 0) return [];
  const node = nodesOf(project, page).get(element?.id ?? 'html');
  if (!node) return [];
  const found: (MatchedRule & { specificity: Specificity; order: number })[] = [];
  let order = 0;
  for (const { id, css } of project.sheets)
    for (const rule of readSheet(css).rules) {
      order++;
      let strongest: Specificity | undefined;
      for (const selector of rule.selectors)
        if ((!strongest || compareSpecificity(selector.specificity, strongest) > 0) && selector.matches(node))
          strongest = selector.specificity;
      if (strongest) found.push({ rule, sheetId: id, specificity: strongest, order });
    }
  return found.sort((a, b) => compareSpecificity(a.specificity, b.specificity) || a.order - b.order);
}
