import { classesOf, classNames } from '../document/class-names';
import type { PageElement } from '../document/element';
import { htmlAttributes } from '../document/page-fields';
import type { Page, Project } from '../document/project';
import { changedInState } from '../document/state-pages';
import { changedIds, holdSame } from '../document/versions';
import { sameJson } from '../text';
import type { PageRule } from './page-rule';
import { rulesOn } from './page-rules';
import { indexOf } from './rule-index';
import type { SelectorNodes } from './selector-nodes';
import { grown, otherwise } from './selector-nodes';

/** A version of a page, and what rules saw of it. */
interface Seen {
  readonly project: Project;
  readonly page: Page;
  readonly nodes: SelectorNodes;
}

/** So many versions are kept of each page: what compares two of them asks for both in turn. */
const VERSIONS = 4;

/** By rules, which pages may share, and by page. */
const latest = new WeakMap<readonly PageRule[], Map<string, readonly Seen[]>>();
const memo = new WeakMap<Project, WeakMap<Page['elements'], SelectorNodes>>();

/**
 * A page as the selectors of its sheets from elsewhere see it: the same object for as long as none of them could tell a difference. Most
 * edits make none, and thousands of elements needn't be matched with thousands of rules again.
 */
export function seenNodes(project: Project, page: Page): SelectorNodes {
  let pages = memo.get(project);
  if (!pages) memo.set(project, (pages = new WeakMap()));
  let nodes = pages.get(page.elements);
  if (!nodes) pages.set(page.elements, (nodes = find(project, page)));
  return nodes;
}

function find(project: Project, page: Page): SelectorNodes {
  const state = changedInState(page);
  const only = state?.changed.length === 1 ? state.changed[0] : undefined;
  if (state && only) return otherwise(seenNodes(project, state.page), only);
  const rules = rulesOn(project, page);
  let pages = latest.get(rules);
  if (!pages) latest.set(rules, (pages = new Map()));
  const versions = pages.get(page.id) ?? [];
  const known = versions.find((one) => looksSame(rules, one, project, page));
  const nodes = known?.nodes ?? grown(project, page, (element) => seenClasses(rules, project, element));
  // The pages of states have their elements from others, of which they may not be the whole.
  if (!state) pages.set(page.id, [{ project, page, nodes }, ...versions.filter((one) => one !== known)].slice(0, VERSIONS));
  return nodes;
}

const seenClasses = (rules: readonly PageRule[], project: Project, element: PageElement): readonly string[] =>
  classesOf(project, element).filter(indexOf(rules).sees);

/** Whether rules can't tell one version of a page from another. */
function looksSame(rules: readonly PageRule[], was: Seen, project: Project, page: Page): boolean {
  if (was.page.root !== page.root || !sameJson(htmlAttributes(was.project, was.page), htmlAttributes(project, page)))
    return false;
  const sameNames = classNames(was.project) === classNames(project) && was.project.shared === project.shared;
  const ids = sameNames ? changedIds(was.page.elements, page.elements) : Object.keys(page.elements);
  return ids.every((id) => {
    const [before, after] = [was.page.elements[id], page.elements[id]];
    if (!before || !after) return false;
    if (before.tag !== after.tag || !holdSame(before, after)) return false;
    if (before.attributes !== after.attributes && !sameJson(before.attributes, after.attributes)) return false;
    const [a, b] = [seenClasses(rules, was.project, before), seenClasses(rules, project, after)];
    return a.length === b.length && a.every((one, i) => one === b[i]);
  });
}
