import { BASE } from '../breakpoints';
import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import { keptTree } from '../document/expand';
import { partNamed, topOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { pageOf, parentOf, subtreeOf } from '../document/tree';
import { planMakePart, whyNoPart } from '../plans/make-part';
import { freePageName } from '../plans/new-page';
import { planGroup } from '../plans/rearrange';
import { PlanError } from '../plans/plan';
import type { Arrangement } from './arrangement';
import { leadIn } from './detail-links';
import { htmlIdFor } from './rows';
import { Work } from './work';

const SHARES: readonly (readonly [string, string])[] = [
  ['minmax(0, 2fr) minmax(0, 3fr)', 'two fifths and three fifths'],
  ['minmax(0, 1fr) minmax(0, 1fr)', 'halves'],
  // Where there is little room for both, the fixed one gives way.
  ['minmax(0, 320px) minmax(50%, 1fr)', '320 px and the rest'],
  ['minmax(0, 400px) minmax(50%, 1fr)', '400 px and the rest'],
];

/** Pages to which joined ones lead, from list to detail. */
export function leadsOn(project: Project, from: string, to: string, seen: readonly string[] = []): boolean {
  if (from === to) return true;
  return project.arranged.some(
    ({ joins }) =>
      joins?.pages[0] === from && !seen.includes(joins.pages[1]) && leadsOn(project, joins.pages[1], to, [...seen, from]),
  );
}

/** What can be a pane. A link or a button can't: given the focus as a place, it would no longer have it as what it is. */
const HOLDS = new Set(['ul', 'ol', 'menu', 'dl', 'div', 'section', 'nav', 'article', 'aside', 'form', 'table']);

function whyNoList(project: Project, tree: Page, id: string): string | undefined {
  const element = tree.elements[id]!;
  if (!tree.id.startsWith('g')) return `${element.name} stands in a part: a list and its detail are two pages.`;
  if (project.pages.length < 2) return 'There is only one page: add the one with the detail first.';
  if (element.tag === 'main' || subtreeOf(tree, id).some(({ tag }) => tag === 'main'))
    return `${element.name} is the main part of the page: select the list in it.`;
  if (!HOLDS.has(element.tag)) return `${element.name} (<${element.tag}>) is no list: select what holds the items.`;
  if (element.alternate) return `${element.name} is one of several alternates, and can’t be a pane as well.`;
  return element.use ? undefined : whyNoPart(tree, id);
}

export const listDetail: Arrangement = {
  id: 'list-detail',
  name: 'List and detail',
  family: 'content',
  does: 'The list and the page that its links lead to stand side by side where there is room, and follow each other as two pages elsewhere.',
  places: 'narrow',
  placeLabel: 'One after the other at',
  on: 'use',
  settings: (project, tree) => [
    {
      ...{ id: 'detail', label: 'The detail is on' },
      choices: project.pages.filter(({ id }) => id !== tree.id).map(({ id, name }): readonly [string, string] => [id, name]),
    },
    { id: 'share', label: 'Shares', choices: SHARES },
    {
      ...{ id: 'upright', label: 'On upright screens' },
      choices: [
        ['same', 'side by side too'],
        ['stacked', 'the list above the detail'],
      ],
    },
  ],
  whyNot: whyNoList,
  make(work, id, wish) {
    const list = work.tree;
    const detail = work.project.pages.find((one) => one.id === (wish.settings.detail ?? ''));
    if (!detail) throw new PlanError('Choose the page that shows the detail.');
    if (leadsOn(work.project, detail.id, list.id))
      throw new PlanError(
        `${detail.name} leads on to ${list.name} already, as the list of it: one of them would be its own detail in a circle.`,
      );
    const listName = work.element(id).name;
    // What shows on both pages is a part, used on both.
    const first = asPart(work, id, 'list');
    const other = new Work(work.project, detail.id, work.newId);
    const second = asPart(other, detailIn(other), 'detail');
    work.take(other);
    if (partNamed(work.project, first.part) === undefined || first.part === second.part)
      throw new PlanError('The list and the detail are the same part.');
    const here = paneRow(work, list.id, first.use, listName);
    const there = paneRow(work, detail.id, second.use, listName);
    const detailHere = insertUse(work, list.id, here, second.part, 1);
    const listThere = insertUse(work, detail.id, there, first.part, 0);
    const inDetail = topWithId(work, second.part);
    const inList = topWithId(work, first.part);
    leadIn(work, first.part, detail.id, inDetail, listName);
    const back = backLink(work, detail.id, there, { to: `page:${list.id}#${inList}`, text: `Back to ${list.name}`, at: wish.at });
    for (const row of [here, there]) {
      work.values(row, BASE, {
        ...{ display: 'grid', 'grid-template-columns': wish.settings.share ?? SHARES[0]![0], 'column-gap': '32px' },
        'align-items': 'start',
      });
      work.values(row, wish.at, { 'grid-template-columns': 'minmax(0, 1fr)' });
    }
    // Lines stay short enough to read (WCAG 2.2, 1.4.8).
    for (const one of [second.use, detailHere]) work.values(one, BASE, { 'max-width': '72ch' });
    work.values(detailHere, wish.at, { display: 'none' });
    work.values(listThere, wish.at, { display: 'none' });
    if (wish.settings.upright === 'stacked') stack(work, [here, there], wish.at);
    work.joins = { pages: [list.id, detail.id], panes: { [detailHere]: detail.id, [listThere]: list.id } };
    work.notes.push(
      `Links of ${listName} to ${detail.name} lead to the detail itself, which takes the focus; ${work.nameOn(detail.id, back)} leads back, there only.`,
      `${listName} and ${work.nameOn(detail.id, second.use)} are parts now, shown on both pages.`,
    );
  },
};

/** What on a page is the detail: the one thing in its main part, else all that stands there. */
function detailIn(work: Work): string {
  const { tree } = work;
  const main = Object.values(tree.elements).find(({ tag }) => tag === 'main');
  const parent = main ?? tree.elements[tree.root]!;
  const children = childIds(parent).filter((id) => main || !['header', 'footer', 'nav'].includes(tree.elements[id]!.tag));
  if (children.length === 0) throw new PlanError(`${tree.name} has nothing in it that could be the detail.`);
  if (children.length === 1 && HOLDS.has(tree.elements[children[0]!]!.tag)) return children[0]!;
  // A joined page has its panes; a third pane joins all of them.
  const group = `e${work.newId()}`;
  const styled = parent.styles;
  work.do(planGroup(tree, children, group).edit);
  work.do({ type: 'renameElement', node: group, name: tree.name });
  // What lays them out goes with them.
  for (const [at, values] of Object.entries(styled)) {
    const laying = Object.fromEntries(Object.entries(values).filter(([property]) => LAYING.test(property)));
    if (Object.keys(laying).length > 0) work.values(group, at, laying);
    work.values(parent.id, at, Object.fromEntries(Object.keys(laying).map((property) => [property, null])));
  }
  return group;
}

const LAYING =
  /^(display|flex-(direction|wrap)|justify-(content|items)|align-(items|content)|(row|column)-gap|grid-(template|auto)-.*)$/;

/** The use of a part that an element is, or becomes. */
function asPart(work: Work, id: string, kind: 'list' | 'detail'): { readonly use: string; readonly part: string } {
  const element = work.element(id);
  if (element.use) return { use: id, part: element.use.part };
  const known = new Set(work.project.parts.map((one) => one.id));
  work.do(planMakePart(work.project, id, false, work.newId).edit);
  const { id: part, name } = work.project.parts.find((one) => !known.has(one.id))!;
  // Pages and parts stand in one menu, where two of the same name couldn't be told apart.
  if (work.project.pages.some((page) => page.name === name))
    work.do({ type: 'renamePart', part, name: freePageName(work.project.parts, `${name}, ${kind}`.slice(0, 70)) });
  const use = Object.values(work.tree.elements).find((one) => one.use?.part === part && !one.id.includes('.'))!.id;
  return { use, part };
}

/** A group around a use, in its place. */
function paneRow(work: Work, page: string, use: string, name: string): string {
  const id = `e${work.newId()}`;
  const tree = pageOf(work.project, page)!;
  const known = parentOf(tree, use)!;
  work.do(
    {
      ...{ type: 'insertElement', page, parent: known.id, index: childIds(known).indexOf(use) },
      elements: [{ id, tag: 'div', name: `${name}, panes`.slice(0, 80), attributes: {}, children: [], shared: [], styles: {} }],
    },
    { type: 'moveElement', node: use, parent: id, index: 0 },
  );
  return id;
}

function insertUse(work: Work, page: string, parent: string, part: string, index: number): string {
  const top = topOf(partNamed(work.project, part)!)!;
  const use: PageElement = {
    ...{ id: `e${work.newId()}`, tag: top.tag, name: top.name, attributes: {}, children: [], shared: [], styles: {} },
    use: { part, says: {} },
  };
  work.do({ type: 'insertElement', page, parent, index, elements: [use] });
  return use.id;
}

/** The HTML id of a part's top, which can be given the focus by the address (HTML, "navigate to a fragment"). */
function topWithId(work: Work, part: string): string {
  const inside = new Work(work.project, part, work.newId);
  const top = topOf(keptTree(pageOf(work.project, part)!))!;
  const holder = top.use ? undefined : top.id;
  if (holder === undefined) throw new PlanError(`${top.name} is a part in a part: open it, and join what is in it.`);
  const id = htmlIdFor(inside, holder);
  inside.attribute(holder, 'tabindex', '-1');
  work.take(inside);
  return id;
}

interface Back {
  readonly to: string;
  readonly text: string;
  readonly at: string;
}

function backLink(work: Work, page: string, row: string, { to, text, at }: Back): string {
  const id = `e${work.newId()}`;
  const link: PageElement = {
    ...{ id, tag: 'a', name: text.slice(0, 80), attributes: { href: to }, children: [{ text }], shared: [] },
    styles: {
      base: { display: 'none', 'padding-top': '10px', 'padding-bottom': '10px', 'justify-self': 'start' },
      [at]: { display: 'inline-block' },
    },
  };
  work.do({ type: 'insertElement', page, parent: row, index: 0, elements: [link] });
  return id;
}

/** One above the other on upright screens that are wide enough for both. */
function stack(work: Work, rows: readonly string[], narrow: string): void {
  const below = work.project.breakpoints.find(({ id }) => id === narrow)?.condition.below;
  const condition = { orientation: 'portrait' as const, ...(below !== undefined && { from: below }) };
  const same = work.project.breakpoints.find(
    (one) => one.condition.orientation === 'portrait' && one.condition.from === below && one.condition.below === undefined,
  );
  const id = same?.id ?? `b${work.newId()}`;
  if (!same) {
    const taken = new Set(work.project.breakpoints.map(({ name }) => name));
    const name = taken.has('Upright') ? 'Upright, panes' : 'Upright';
    work.do({ type: 'addBreakpoint', breakpoint: { id, name, condition } });
    work.notes.push(`A breakpoint ${name} is added, for upright screens that have room for both.`);
  }
  for (const row of rows) work.values(row, id, { 'grid-template-columns': 'minmax(0, 1fr)', 'row-gap': '32px' });
}
