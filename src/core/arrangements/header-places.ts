import { BASE } from '../breakpoints';
import { usesOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { childIds } from '../document/content';
import { parentOf, subtreeOf } from '../document/tree';
import { droppable, planDrops } from '../plans/drops';
import { PlanError } from '../plans/plan';
import type { Arrangement } from './arrangement';
import { entriesOf, MENU, recogniseHeader, whyNoHeader } from './header-roles';

const COMMON = {
  family: 'header',
  roles: [MENU],
  recognise: (_: Project, tree: Page, id: string) => recogniseHeader(tree, id),
} as const;

export const sideColumn: Arrangement = {
  ...COMMON,
  id: 'side-column',
  name: 'Side column that becomes a top bar',
  does: 'The header stands at the side for the whole height, and at the top where there is less room.',
  places: 'narrow',
  placeLabel: 'A top bar at',
  on: 'part',
  settings: () => [
    {
      ...{ id: 'width', label: 'Wide' },
      choices: [
        ['240px', '240 px'],
        ['200px', '200 px'],
        ['300px', '300 px'],
      ],
    },
  ],
  whyNot(project, tree, id) {
    const no = whyNoHeader(tree, id);
    if (no) return no;
    const around = pagesAround(project, tree, id);
    return around.length === 0 ? `${tree.elements[id]!.name} doesn’t stand right in the body of a page.` : undefined;
  },
  make(work, id, { at, roles, settings }) {
    const width = settings.width ?? '240px';
    for (const page of pagesAround(work.project, work.tree, id)) {
      const { root } = work.project.pages.find((one) => one.id === page)!;
      const room = plainLength(work.valueAt(root, 'padding-left', BASE, page));
      work.valuesAbove(root, at, { 'padding-left': room === '0px' ? width : `calc(${width} + ${room})` }, page);
    }
    work.valuesAbove(id, at, {
      ...{ position: 'fixed', top: '0', bottom: '0', left: '0', right: 'auto', width, 'overflow-y': 'auto' },
      ...{ display: 'flex', 'flex-direction': 'column', 'align-items': 'stretch', 'justify-content': 'flex-start' },
      ...{ 'flex-wrap': 'nowrap', 'row-gap': '20px', 'box-sizing': 'border-box', 'z-index': '1' },
    });
    const entries = entriesOf(work.tree, roles.menu!);
    work.valuesAbove(entries, at, {
      ...{ display: 'flex', 'flex-direction': 'column', 'align-items': 'stretch', 'flex-wrap': 'nowrap' },
    });
    work.notes.push('What is in it is read in the same order as before.');
  },
};

/** A length to reckon with: nothing for what is none. */
const plainLength = (value: string) => (/^[\d.]+(px|em|rem|vw)$/.test(value) ? value : '0px');

/** The pages in whose body a header stands, by itself or as the use of its part. */
function pagesAround(project: Project, tree: Page, id: string): readonly string[] {
  if (tree.id.startsWith('g')) return parentOf(tree, id)?.id === tree.root ? [tree.id] : [];
  if (parentOf(tree, id)?.id !== tree.root) return [];
  return usesOf(project, tree.id).flatMap(({ tree: page, id: use }) =>
    page.id.startsWith('g') && parentOf(page, use)?.id === page.root ? [page.id] : [],
  );
}

export const dropAway: Arrangement = {
  ...COMMON,
  id: 'drop-away',
  name: 'Entries that drop away',
  does: 'Entries of the menu move one after the other into a menu of their own, just where each no longer fits.',
  places: 'everywhere',
  placeLabel: 'Measured',
  on: 'part',
  measures: true,
  settings: () => [
    {
      ...{ id: 'order', label: 'First to drop' },
      choices: [
        ['last', 'the last'],
        ['first', 'the second'],
      ],
    },
  ],
  whyNot: (_, tree, id) => whyNoHeader(tree, id),
  make(work, _, wish) {
    const row = entriesOf(work.tree, wish.roles.menu!);
    if (!wish.widths) throw new PlanError('It has to be measured first where the entries no longer fit.');
    const plan = planDrops(
      work.project,
      work.tree,
      row,
      { items: droppingFrom(work.project, work.tree, row, wish.settings.order), menu: true },
      wish.widths,
      work.newId,
    );
    work.do(plan.edit);
    work.notes.push(...plan.details);
  },
};

/** The entries of a row in the order in which they drop; the first stays. */
export function droppingFrom(project: Project, tree: Page, row: string, order: string | undefined): readonly string[] {
  const items = droppable(project, tree, row).slice(1);
  return order === 'first' ? items : items.toReversed();
}

export const atBottom: Arrangement = {
  ...COMMON,
  id: 'at-bottom',
  name: 'At the bottom of the first screen',
  does: 'What comes first fills the screen, with the header along its lower edge; on narrower screens the header stays at the top.',
  places: 'narrow',
  placeLabel: 'At the top at',
  on: 'use',
  whyNot(_, tree, id) {
    const no = whyNoHeader(tree, id);
    if (no) return no;
    return firstBehind(tree, id) === undefined
      ? `Nothing comes behind ${tree.elements[id]!.name} that could fill the first screen.`
      : undefined;
  },
  make(work, id, { at }) {
    const first = firstBehind(work.tree, id)!;
    work.valuesAbove(id, at, {
      ...{ position: 'absolute', top: '100svh', left: '0', right: '0', bottom: 'auto', transform: 'translateY(-100%)' },
      'z-index': '1',
    });
    work.valuesAbove(first, at, { 'min-height': '100svh', 'box-sizing': 'border-box', 'padding-bottom': '112px' });
    work.notes.push(
      `${work.element(id).name} is still read first; ${work.element(first).name} is at least as tall as the screen.`,
    );
  },
};

/** What fills the first screen: what follows the header, or the first section of it where it is the main part of a page with several. */
function firstBehind(tree: Page, header: string): string | undefined {
  const parent = parentOf(tree, header);
  const siblings = parent ? childIds(parent) : [];
  const next = siblings[siblings.indexOf(header) + 1];
  if (next === undefined) return undefined;
  const inside = childIds(tree.elements[next]!);
  const [first] = inside;
  return tree.elements[next]!.tag === 'main' && inside.length > 1 && first && holdsMore(tree, first) ? first : next;
}

const holdsMore = (tree: Page, id: string) => subtreeOf(tree, id).length > 1;
