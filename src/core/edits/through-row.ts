import { isRun } from '../document/content';
import type { RowPlace } from '../document/list-rows';
import { rowPlace } from '../document/list-rows';
import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { rowCount, tableOf } from '../document/row-count';
import { sampleOf } from '../document/table';
import { pageHolding } from '../document/tree';
import { isInUse } from '../document/use';
import type { Edit, SingleEdit } from './edit';
import { EditError } from './edit-error';

/** What is said of a whole row, which is there because its table has it. */
const OF_ROWS: ReadonlySet<string> = new Set([
  ...['removeElement', 'renameElement', 'duplicateElement', 'moveElement', 'setLocked', 'setFirst', 'setAlternate', 'swapPart'],
]);

interface InRow extends RowPlace {
  readonly page: Page;
}

function placeOf(project: Project, id: string): InRow | undefined {
  if (!isInUse(id)) return undefined;
  const page = pageHolding(project, id);
  const place = page && rowPlace(page, id);
  return place && { ...place, page };
}

/** The elements that an edit is about. */
function aboutOf(edit: SingleEdit): readonly string[] {
  if (edit.type === 'restyle') return edit.changes.map(({ owner }) => splitPseudo(owner).id);
  if ('owner' in edit && typeof edit.owner === 'string') return [splitPseudo(edit.owner).id];
  return 'node' in edit && typeof edit.node === 'string' ? [edit.node] : [];
}

/**
 * An edit of what a row of a list shows: where it is fed the table is written, everything else goes to the item. Undefined for an edit
 * that is about no row, or that goes to the item as it is.
 * @throws EditError where a row alone can't be otherwise
 */
export function throughRow(project: Project, edit: SingleEdit, written: 'part' | 'here'): Edit | undefined {
  for (const id of aboutOf(edit)) {
    const at = placeOf(project, id);
    if (!at) continue;
    const fed = cellEdit(project, edit, at);
    if (fed) return fed;
    const list = at.page.elements[at.list]!;
    if (OF_ROWS.has(edit.type) && at.place === '')
      throw new EditError(
        `Row ${at.row + 1} of ${list.name} is there because its table has it: change the table, or the part for all rows.`,
      );
    if (written === 'here')
      throw new EditError(
        `All rows of ${list.name} look alike: let edits go to the part, or feed this from a column of the table.`,
      );
  }
  return undefined;
}

/** What is written into a place that is fed, as an edit of its cell. */
function cellEdit(project: Project, edit: SingleEdit, { page, list: id, row, place }: InRow): Edit | undefined {
  const list = page.elements[id]!.list!;
  const table = tableOf(project, list);
  const written = writtenIn(edit);
  const bind = written && list.binds.find((one) => one.place === place && one.to === written.to);
  if (!table || !bind || !table.fields.some((field) => field.id === bind.field) || row >= rowCount(project, list))
    return undefined;
  if (edit.type === 'setContent' && edit.elements.length > 0)
    throw new EditError('This text comes from a table, which keeps words alone: no marks, and no elements among them.');
  const value = bind.to === 'src' ? pictureName(project, written.value) : written.value;
  return { type: 'setCells', table: table.id, set: sampleOf(table, list.set).id, cells: [{ row, field: bind.field, value }] };
}

function writtenIn(edit: SingleEdit): { readonly to: string; readonly value: string } | undefined {
  if (edit.type === 'setText') return { to: 'text', value: edit.text ?? '' };
  if (edit.type === 'setAttribute') return { to: edit.name, value: edit.value ?? '' };
  if (edit.type !== 'setContent') return undefined;
  return { to: 'text', value: edit.children.map((child) => (isRun(child) ? child.text : '')).join('') };
}

const pictureName = ({ pictures }: Project, value: string): string =>
  pictures.find(({ id }) => value === `picture:${id}`)?.fileName ?? value;
