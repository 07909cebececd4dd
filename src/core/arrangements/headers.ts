import { BASE } from '../breakpoints';
import type { PanelEdge } from '../document/panel';
import { keptTree } from '../document/expand';
import { partNamed, usesOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { parentOf, subtreeOf } from '../document/tree';
import { childIds, renamedChildren } from '../document/content';
import type { Edit } from '../edits/edit';
import { describeTarget } from '../edits/set-style';
import { planSplit } from '../plans/alternates';
import type { PanelWish } from '../plans/panels';
import { planPanel } from '../plans/panels';
import { PlanError } from '../plans/plan';
import { freePageName } from '../plans/new-page';
import type { Arrangement, Setting, Wish } from './arrangement';
import { ACTIONS, LOGO, MENU, recogniseHeader, whyNoHeader } from './header-roles';
import { drawerWish, menuWish } from './panel-wish';
import type { Work } from './work';

const COMMON = {
  family: 'header',
  on: 'part',
  roles: [LOGO, MENU],
  recognise: (_: Project, tree: Page, id: string) => recogniseHeader(tree, id),
} as const;

const EDGES: readonly Setting[] = [
  {
    ...{ id: 'edge', label: 'From' },
    choices: [
      ['right', 'the right'],
      ['left', 'the left'],
      ['top', 'the top'],
    ],
  },
];

function whyNoPanelHere(_: Project, tree: Page, id: string): string | undefined {
  const no = whyNoHeader(tree, id);
  if (no) return no;
  const panel = subtreeOf(tree, id).find((one) => one.panel);
  return panel && `${panel.name} is a ${panel.panel!.kind} already: where it is one is chosen on the strip above the lanes.`;
}

/** The menu as a panel, with the button that opens it where the header has one that opens nothing yet. */
function foldMenu(work: Work, id: string, wish: Wish, how: PanelWish): void {
  const { menu = '', logo } = wish.roles;
  // The button stands at the end of the row, across from the logo.
  if (logo !== undefined && work.children(id).includes(logo)) {
    const isRow = /flex$/.test(work.valueAt(id, 'display', wish.at));
    work.values(id, wish.at, { ...(!isRow && { display: 'flex' }), 'flex-direction': 'row', 'align-items': 'center' });
    work.values(logo, wish.at, { 'margin-right': 'auto' });
  }
  const plan = planPanel(work.project, work.tree, menu, how, work.newId);
  work.do(plan.edit);
  work.notes.push(...plan.details);
}

const edgeOf = ({ settings }: Wish): PanelEdge => (settings.edge as PanelEdge | undefined) ?? 'right';

export const menuButton: Arrangement = {
  ...COMMON,
  id: 'menu-button',
  name: 'Logo and menu button',
  does: 'The menu is a drawer behind a button at all sizes.',
  places: 'everywhere',
  placeLabel: 'Everywhere',
  roles: [LOGO, MENU, ACTIONS],
  settings: () => [
    ...EDGES,
    {
      ...{ id: 'actions', label: 'The actions' },
      choices: [
        ['stay', 'stay beside the button'],
        ['move', 'move into the menu'],
      ],
    },
  ],
  whyNot: whyNoPanelHere,
  make(work, id, wish) {
    const { menu, actions } = wish.roles;
    if (wish.settings.actions === 'move' && actions !== undefined)
      work.do({ type: 'moveElement', node: actions, parent: menu!, index: work.children(menu!).length });
    foldMenu(work, id, { ...wish, at: BASE }, drawerWish(BASE, edgeOf(wish)));
  },
};

export const foldingMenu: Arrangement = {
  ...COMMON,
  id: 'folding-menu',
  name: 'Menu that folds to a button',
  does: 'The menu stands in its row where there is room, and unfolds from a button where there is not.',
  places: 'narrow',
  placeLabel: 'Folded at',
  whyNot: whyNoPanelHere,
  make: (work, id, wish) => foldMenu(work, id, wish, menuWish(wish.at)),
};

export const drawer: Arrangement = {
  ...COMMON,
  id: 'drawer',
  name: 'Menu in a drawer',
  does: 'The menu slides in over the page, which holds still meanwhile.',
  places: 'narrow',
  placeLabel: 'A drawer at',
  settings: () => EDGES,
  whyNot: whyNoPanelHere,
  make: (work, id, wish) => foldMenu(work, id, wish, drawerWish(wish.at, edgeOf(wish))),
};

/** A part of the same elements under ids of their own. */
function copiedPart(project: Project, part: Page, newId: () => string, name: string): { part: Page; ids: Map<string, string> } {
  const ids = new Map(Object.keys(part.elements).map((id) => [id, `e${newId()}`]));
  const id = `m${newId()}`;
  const sets = new Map<string, string>();
  const elements = Object.values(part.elements).map((one) => {
    const set = one.alternate?.set;
    if (set !== undefined && !sets.has(set)) sets.set(set, `h${newId()}`);
    return {
      ...one,
      id: ids.get(one.id)!,
      children: renamedChildren(one.children, (child) => ids.get(child)!),
      ...(one.alternate && { alternate: { ...one.alternate, set: sets.get(one.alternate.set)! } }),
      ...(one.drops && {
        drops: {
          items: one.drops.items.map((item) => ({
            ...item,
            item: ids.get(item.item) ?? item.item,
            ...(item.copy && { copy: ids.get(item.copy) ?? item.copy }),
          })),
          ...(one.drops.more && { more: ids.get(one.drops.more) ?? one.drops.more }),
        },
      }),
    };
  });
  return {
    part: {
      ...{ id, name: freePageName(project.parts, name.slice(0, 70)), slug: id, root: ids.get(part.root)! },
      elements: Object.fromEntries(elements.map((one) => [one.id, one])),
    },
    ids,
  };
}

/** Another header for every use of a part: a part of its own, used beside it, of which exactly one shows. */
function anotherPart(work: Work, header: string, wish: Wish): string {
  const kept = partNamed(work.before, work.treeId)!;
  const uses = usesOf(work.project, kept.id).filter(({ tree }) => tree.id.startsWith('g'));
  if (uses.length === 0) throw new PlanError(`${kept.name} is used on no page, so there is nothing to show another in place of.`);
  const { part, ids } = copiedPart(work.project, keptTree(kept), work.newId, `${kept.name}, small`);
  work.do({ type: 'addPart', part });
  for (const { tree, id } of uses) {
    const use = tree.elements[id]!.kept ?? tree.elements[id]!;
    if (use.alternate) throw new PlanError(`${use.name} on ${tree.name} is one of several alternates already: change that one.`);
    const parent = parentOf(tree, id)!;
    const copy = `e${work.newId()}`;
    const set = `h${work.newId()}`;
    const edits: Edit[] = [
      {
        ...{ type: 'insertElement', page: tree.id, parent: parent.id, index: childIds(parent).indexOf(id) + 1 },
        elements: [
          {
            ...{ id: copy, tag: use.tag, name: part.name, attributes: use.attributes, children: [], shared: use.shared },
            ...{ styles: use.styles, use: { part: part.id, says: {} } },
          },
        ],
      },
      { type: 'setAlternate', node: id, alternate: { set, at: [BASE] } },
      { type: 'setAlternate', node: copy, alternate: { set, at: [wish.at] } },
    ];
    work.do(...edits);
  }
  work.notes.push(
    `${part.name} is a part of its own, and takes its place on ${uses.length === 1 ? 'one page' : `${uses.length} pages`} at ${describeTarget(work.project, wish.at)}.`,
  );
  return ids.get(header)!;
}

export const anotherHeader: Arrangement = {
  ...COMMON,
  id: 'another-header',
  name: 'Another header on small screens',
  does: 'A second header takes its place there, with its menu behind a button, and can be changed on its own.',
  places: 'narrow',
  placeLabel: 'The other at',
  whyNot: (_, tree, id) =>
    tree.elements[id]!.alternate ? `${tree.elements[id]!.name} is one of several alternates already.` : whyNoHeader(tree, id),
  make(work, id, wish) {
    const { menu } = wish.roles;
    const isTop = parentOf(work.tree, id)?.tag === 'body' && !work.treeId.startsWith('g');
    const order = subtreeOf(work.tree, id).map((one) => one.id);
    let copied: string;
    let tree: Page;
    if (isTop) {
      const top = anotherPart(work, id, wish);
      tree = work.project.parts.find(({ elements }) => top in elements)!;
      copied = top;
    } else {
      const plan = planSplit(work.project, work.tree, id, wish.at, work.newId);
      work.do(plan.edit);
      work.notes.push(...plan.details);
      const set = work.element(id).alternate!.set;
      copied = Object.values(work.tree.elements).find((one) => one.alternate?.set === set && one.id !== id)!.id;
      tree = work.tree;
    }
    const other = subtreeOf(tree, copied)[order.indexOf(menu!)]!;
    // A menu that is a panel there stays the panel that it is.
    if (!other.panel) work.do(planPanel(work.project, tree, other.id, drawerWish(BASE, edgeOf(wish)), work.newId).edit);
  },
};
