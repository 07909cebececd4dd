import type { PageElement } from '../document/element';
import { partNamed, topOf } from '../document/parts';
import { childIds, wordsOf } from '../document/content';
import type { Page, Project } from '../document/project';
import { parentOf, subtreeOf } from '../document/tree';
import { PlanError } from '../plans/plan';
import type { Arrangement } from './arrangement';
import { htmlIdFor, reachable } from './rows';
import type { Item } from './items';
import { itemsOf } from './items';
import type { Work } from './work';

const CELLS = new Set(['td', 'th']);

interface Rows {
  readonly head: PageElement | undefined;
  readonly body: readonly PageElement[];
}

/** The rows of a table: those of headings, and the rest. */
function rowsIn(tree: Page, table: string): Rows {
  const rows = subtreeOf(tree, table).filter(({ tag }) => tag === 'tr');
  const inHead = (row: PageElement) => parentOf(tree, row.id)?.tag === 'thead';
  const cells = (row: PageElement) => childIds(row).map((id) => tree.elements[id]!);
  const isHead = (row: PageElement) => inHead(row) || (row === rows[0] && cells(row).every(({ tag }) => tag === 'th'));
  return { head: rows.find(isHead), body: rows.filter((row) => !isHead(row)) };
}

const cellsOf = (tree: Page, row: PageElement): readonly PageElement[] =>
  childIds(row).flatMap((id) => (CELLS.has(tree.elements[id]!.tag) ? [tree.elements[id]!] : []));

function whyNoTable(_: Project, tree: Page, id: string): string | undefined {
  const element = tree.elements[id]!;
  if (element.tag !== 'table') return `${element.name} (<${element.tag}>) is no table.`;
  const { head, body } = rowsIn(tree, id);
  if (!head) return `${element.name} has no row of headings.`;
  if (body.length === 0) return `${element.name} has no rows besides its headings.`;
  const spans = subtreeOf(tree, id).find(({ attributes }) => attributes.colspan ?? attributes.rowspan);
  return spans && `${spans.name} spans several cells, so its column can’t be told.`;
}

/** The rows of a table but its headings; those that are fed from a table of data as one. */
function bodyOf(work: Work, id: string, head: string): readonly Item[] {
  const all = subtreeOf(work.tree, id);
  const fixed = all
    .filter((one) => one.tag === 'tr' && one.id !== head && !one.id.includes('.e0row'))
    .map((row) => ({ id: row.id, inside: cellsOf(work.tree, row).map((element) => ({ owner: element.id, element })) }));
  const fed = all.filter(({ list }) => list).map((one) => itemsOf(work, one.id).at(-1)!);
  return [...fixed, ...fed];
}

/** Why a list isn't one of rows under a row of headings; undefined where it is. */
function whyNoColumns(project: Project, tree: Page, id: string): string | undefined {
  const { name, list } = tree.elements[id]!;
  const [head] = childIds(tree.elements[id]!);
  const count = head === undefined || head.includes('.e0row') ? 0 : childIds(tree.elements[head]!).length;
  if (count < 2) return `${name} has no row of headings before its rows.`;
  const part = partNamed(project, list!.part);
  const top = part && topOf(part);
  return top && childIds(top).length === count ? undefined : `The rows of ${name} have other cells than its headings.`;
}

const SHOWN_AS_BLOCK = new Set(['table', 'thead', 'tbody', 'tfoot', 'tr']);

const ROLES: Readonly<Record<string, string>> = {
  ...{ table: 'table', thead: 'rowgroup', tbody: 'rowgroup', tfoot: 'rowgroup', tr: 'row', td: 'cell' },
};

function giveRole(work: Work, { id, tag, attributes }: PageElement): void {
  const role = tag === 'th' ? (attributes.scope === 'row' ? 'rowheader' : 'columnheader') : ROLES[tag];
  if (role !== undefined && attributes.role === undefined) work.attribute(id, 'role', role);
}

export const tableCards: Arrangement = {
  id: 'table-cards',
  name: 'Table as stacked cards',
  family: 'content',
  does: 'Each row becomes a card, each cell a line of it that begins with the heading of its column.',
  places: 'narrow',
  placeLabel: 'Cards at',
  on: 'part',
  whyNot: whyNoTable,
  make(work, id, { at }) {
    const { head } = rowsIn(work.tree, id);
    const headings = cellsOf(work.tree, head!).map(({ id: cell }) => wordsOf(work.tree.elements, cell).trim());
    // A table that isn't laid out as one is no table to assistive technology any more unless it says so (WAI-ARIA 1.2, "table").
    const own = subtreeOf(work.tree, id).filter((one) => !one.id.includes('.e0row'));
    for (const one of own) giveRole(work, one);
    const top = headOf(work.tree, id, head!);
    for (const one of own) if (SHOWN_AS_BLOCK.has(one.tag)) work.values(one.id, at, { display: 'block' });
    // Out of sight, and still there for those who hear the page: each cell says its column itself.
    work.values(top, at, {
      ...{ position: 'absolute', width: '1px', height: '1px', 'overflow-x': 'hidden', 'overflow-y': 'hidden' },
      'white-space': 'nowrap',
    });
    for (const { id: row, inside: cells } of bodyOf(work, id, head!.id)) {
      work.values(row, at, { display: 'block', 'padding-top': '12px', 'padding-bottom': '12px' });
      giveRole(work, work.element(row));
      cells.forEach(({ owner, element: cell }, i) => {
        giveRole(work, work.element(owner));
        work.values(owner, at, { display: 'block', 'padding-top': '2px', 'padding-bottom': '2px' });
        if (i < cells.length - 1) work.values(owner, at, { 'border-bottom-style': 'none' });
        if (cell.tag === 'th' || !headings[i]) return;
        work.attribute(owner, 'data-column', headings[i]!);
        work.values(`${owner}::before`, at, {
          ...{ content: 'attr(data-column)', display: 'inline-block', width: '40%', 'min-width': '96px' },
          ...{ 'font-weight': '600', 'vertical-align': 'top' },
        });
      });
    }
    work.notes.push(`Headings that are written otherwise later have to be given to the lines too: ${headings.join(', ')}.`);
  },
};

/** What is hidden with the headings: their group, or the row alone. */
const headOf = (tree: Page, table: string, head: PageElement): string => {
  const group = parentOf(tree, head.id)!;
  return group.id !== table && childIds(group).length === 1 ? group.id : head.id;
};

export const tableScrolls: Arrangement = {
  id: 'table-scrolls',
  name: 'Table or list that scrolls in its own box',
  family: 'content',
  does: 'Under a least width it scrolls sideways, with its headings and first column held and a line that says so.',
  places: 'narrow',
  placeLabel: 'Scrolls at',
  on: 'part',
  settings: () => [
    {
      ...{ id: 'height', label: 'As tall as' },
      choices: [
        ['70svh', '70% of the screen at most'],
        ['none', 'all its rows'],
      ],
    },
  ],
  whyNot(project, tree, id) {
    const { list } = tree.elements[id]!;
    const no = list && tree.elements[id]!.tag !== 'table' ? whyNoColumns(project, tree, id) : whyNoTable(project, tree, id);
    if (no) return no;
    const parent = parentOf(tree, id);
    return parent ? undefined : `${tree.elements[id]!.name} stands in nothing that a box could be put into.`;
  },
  make(work, id, { at, settings }) {
    const table = work.element(id);
    const isTable = table.tag === 'table';
    const head = isTable ? rowsIn(work.tree, id).head! : work.element(work.children(id)[0]!);
    const body = isTable ? bodyOf(work, id, head.id) : itemsOf(work, id).slice(1);
    const least = leastWidth(work, at);
    const box = `e${work.newId()}`;
    const hint = `e${work.newId()}`;
    const bare = { attributes: {}, shared: [], styles: {} };
    const parent = parentOf(work.tree, id)!;
    const index = work.children(parent.id).indexOf(id);
    const hintText = 'Scroll sideways to see all columns.';
    work.do(
      {
        ...{ type: 'insertElement', page: work.treeId, parent: parent.id, index },
        elements: [{ ...bare, id: box, tag: 'div', name: `${table.name}, scrolled`.slice(0, 80), children: [] }],
      },
      { type: 'moveElement', node: id, parent: box, index: 0 },
      {
        ...{ type: 'insertElement', page: work.treeId, parent: parent.id, index },
        elements: [
          {
            ...{ ...bare, id: hint, tag: 'p', name: `How to see all of ${table.name}`.slice(0, 80) },
            children: [{ text: hintText }],
            styles: { base: { display: 'none' }, [at]: { display: 'block' } },
          },
        ],
      },
    );
    work.attribute(box, 'role', 'region');
    work.attribute(box, 'aria-label', table.name);
    work.attribute(box, 'aria-describedby', htmlIdFor(work, hint));
    reachable(work, box);
    const held = settings.height !== 'none';
    work.values(box, at, { 'overflow-x': 'auto', ...(held && { 'overflow-y': 'auto', 'max-height': '70svh' }) });
    work.values(id, at, { 'min-width': `${least}px` });
    const ground = groundBehind(work, id, at);
    const heads = work.children(head.id);
    // In a table headings are held by the table; elsewhere only the row as a whole can leave its place.
    if (!isTable) work.values(head.id, at, { position: 'sticky', top: '0', 'background-color': ground, 'z-index': '2' });
    heads.forEach((cell, i) => {
      const isFirst = i === 0;
      if (isTable || isFirst)
        work.values(cell, at, {
          ...{ position: 'sticky', 'background-color': ground, 'z-index': isFirst ? '2' : '1' },
          ...(isTable && { top: '0' }),
          ...(isFirst && { left: '0' }),
        });
      shownAgain(work, cell, at, isTable);
    });
    for (const { inside } of body) {
      const [first, ...rest] = inside;
      if (first) work.values(first.owner, at, { position: 'sticky', left: '0', 'background-color': ground });
      rest.forEach(({ owner }) => shownAgain(work, owner, at, isTable));
    }
    work.notes.push(`A line over it says that it scrolls, there only. It is at least ${least} px wide there.`);
  },
};

/** A cell that was hidden at a place because there was no room for it, there as elsewhere. */
function shownAgain(work: Work, cell: string, at: string, isTable: boolean): void {
  if (work.valueAt(cell, 'display', at) !== 'none') return;
  const isOwn = work.element(cell).styles[at]?.display === 'none';
  work.values(cell, at, { display: isOwn ? null : isTable ? 'table-cell' : 'block' });
}

/** A least width that is more than any screen at the place has, so that the hint is right wherever it shows. */
function leastWidth(work: Work, at: string): number {
  const condition = work.project.breakpoints.find((one) => one.id === at)?.condition;
  if (condition?.below === undefined)
    throw new PlanError('Choose a place that ends at a width, so that it is known where it scrolls.');
  return Math.round(condition.below * (condition.unit === 'em' ? 16 : 1));
}

/** The colour that shows behind an element: what is held stands over what is scrolled. */
function groundBehind(work: Work, id: string, at: string): string {
  for (let one: PageElement | undefined = work.element(id); one; one = parentOf(work.tree, one.id)) {
    const colour = work.valueAt(one.id, 'background-color', at);
    if (!/^(transparent|rgba\(0, 0, 0, 0\))$/.test(colour)) return colour;
  }
  return '#ffffff';
}
