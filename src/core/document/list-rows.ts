import { childIds } from './content';
import type { PageElement } from './element';
import type { List } from './list';
import { ROWS_SHOWN } from './list';
import { topOf } from './parts';
import { tableOf } from './row-count';
import type { Page, Project } from './project';
import type { Table } from './table';
import { sampleOf } from './table';
import type { Use } from './use';
import { withSaying } from './use';

/*
 * A list shows its item, a part, once for each row: as uses that nobody keeps, under ids "<list>.e0row1", "<list>.e0row2". What is
 * fed comes from the row; everything else is the part's. So rows are what uses of parts are to everybody who lays out, audits or exports.
 */

const ROW = 'e0row';
const ROW_ID = new RegExp(`^(.+)\\.${ROW}([1-9][0-9]*)(?:\\.(.+))?$`);

/** What rows are made of besides the list itself. */
export type Fed = Pick<Project, 'tables' | 'pictures'>;

interface Made {
  readonly table: Table | undefined;
  readonly pictures: Fed['pictures'];
  readonly part: Page;
  readonly rows: readonly PageElement[];
}
const made = new WeakMap<PageElement, Made>();

/** The rows of a list as uses of its part. A table that has gone shows the item once, as the part has it. */
export function rowsOf(fed: Fed, element: PageElement, part: Page): readonly PageElement[] {
  const list = element.list!;
  const table = tableOf(fed, list);
  const known = made.get(element);
  if (known?.table === table && known?.part === part && known?.pictures === fed.pictures) return known.rows;
  const before = new Map(known?.rows.map((one) => [one.id, one]));
  const cells = table ? sampleOf(table, list.set).rows.slice(0, list.most ?? ROWS_SHOWN) : [[]];
  const rows = cells.map((row, i) => {
    const use = rowUse(fed, element.id, list, table, part, row, i);
    const earlier = before.get(use.id);
    // The same object for the same row, so that an edit of one cell makes one row anew.
    return earlier && JSON.stringify(earlier) === JSON.stringify(use) ? earlier : use;
  });
  made.set(element, { table, pictures: fed.pictures, part, rows });
  return rows;
}

function rowUse(
  { pictures }: Fed,
  listId: string,
  { binds, part: id }: List,
  table: Table | undefined,
  part: Page,
  row: readonly string[],
  index: number,
): PageElement {
  const top = topOf(part)!;
  const attributes: Record<string, string> = {};
  let use: Use = { part: id, says: {} };
  for (const { place, to, field, hides } of binds) {
    const of = place === '' ? top : part.elements[place];
    const at = table?.fields.findIndex((one) => one.id === field) ?? -1;
    const cell = row[at];
    if (!of || cell === undefined) continue;
    if (hides && cell === '' && place !== '') use = withSaying(use, place, { hidden: true });
    if (to === 'text') {
      if (childIds(of).length === 0) use = withSaying(use, place, { texts: [cell] });
      continue;
    }
    const value = to === 'src' ? pictureIn(pictures, cell) : cell;
    if (value === undefined) continue;
    if (place === '') attributes[to] = value;
    else use = withSaying(use, place, { attributes: { ...use.says[place]?.attributes, [to]: value } });
  }
  return {
    ...{ id: `${listId}.${ROW}${index + 1}`, tag: top.tag, name: `${top.name} ${index + 1}`, attributes },
    ...{ children: [], shared: [], styles: {}, use },
  };
}

/** Pictures are named in tables by their files, with the ending or without. */
function pictureIn(pictures: Fed['pictures'], cell: string): string | undefined {
  const wanted = cell.trim().toLowerCase();
  const found =
    wanted === ''
      ? undefined
      : (pictures.find(({ fileName }) => fileName === wanted) ??
        pictures.find(({ fileName }) => fileName.replace(/\.\w+$/, '') === wanted));
  return found && `picture:${found.id}`;
}

/** An id without the numbers of rows, or all rows as one. */
export const rowless = (id: string, row = ''): string => id.replace(/\.e0row[1-9][0-9]*/g, `.${ROW}${row}`);

export interface RowPlace {
  /** The list, as it is shown. */
  readonly list: string;
  /** From 0. */
  readonly row: number;
  /** Which element of the item; empty for its top. */
  readonly place: string;
}

/** Where in a list an element stands; undefined for one that stands in none. The innermost list. */
export function rowPlace(page: Page, id: string): RowPlace | undefined {
  for (let rest = id, place = ''; ;) {
    const parts = ROW_ID.exec(rest);
    if (!parts) return undefined;
    const [, list = '', row = '', below = ''] = parts;
    if (page.elements[list]?.list) return { list, row: Number(row) - 1, place: below + (below && place && '.') + place };
    rest = list;
    place = `${ROW}${row}${below && '.'}${below}${place && '.'}${place}`;
  }
}
