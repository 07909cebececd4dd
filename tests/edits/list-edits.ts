import type { List, Project, Table } from '@/core/document';
import { listsIn, treesOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { EditError } from '@/core/edits';
import { PlanError, planMakeList, planNoList } from '@/core/plans';
import type { Draw } from './draw';

/* Edits of tables and of lists that are fed from them. Now and then what they name isn't there, and rows don't fit. */

type Make = (project: Project, draw: Draw, element: () => string) => Edit;

const CELLS = ['x', '', 'Opening hours', 'pa.svg', '#', 'a longer text, for one'];
const GONE: Table = { id: 'dgone', name: 'Gone', fields: [{ id: 'fgone', name: 'Gone' }], sets: [] };

const anyTable = ({ tables }: Project, draw: Draw): Table =>
  tables.length === 0 || draw.chance(0.05) ? GONE : draw.from(tables);
const anySet = ({ sets }: Table, draw: Draw) => (sets.length === 0 || draw.chance(0.05) ? 'rgone' : draw.from(sets).id);
const anyRow = ({ fields }: Table, draw: Draw) =>
  Array.from({ length: fields.length + (draw.chance(0.05) ? 1 : 0) }, () => draw.from(CELLS));

const anyList = (project: Project, draw: Draw, element: () => string): string => {
  const lists = treesOf(project).flatMap(({ elements }) => listsIn(elements));
  return lists.length > 0 && draw.chance(0.85) ? draw.from(lists) : element();
};

function tableOf(project: Project, draw: Draw): Table {
  const known = anyTable(project, draw);
  const fields = draw.chance(0.5)
    ? known.fields
    : Array.from({ length: 1 + draw.below(3) }, (_, i) => ({ id: `f${i}`, name: draw.chance(0.95) ? `Field ${i}` : 'Field' }));
  const width = { ...known, fields };
  const set = (i: number) => ({
    ...{ id: `r${i}`, name: `Set ${i}` },
    rows: Array.from({ length: draw.below(4) }, () => anyRow(width, draw)),
  });
  const sets =
    fields === known.fields && draw.chance(0.3) ? known.sets : Array.from({ length: 1 + draw.below(3) }, (_, i) => set(i));
  return {
    id: draw.chance(0.6) && known !== GONE ? known.id : draw.id('d'),
    name: draw.from(['Tools', 'Hours', 'x']),
    ...{ fields, sets },
  };
}

function listOf(project: Project, draw: Draw): List {
  const table = anyTable(project, draw);
  const part = project.parts.length === 0 || draw.chance(0.05) ? undefined : draw.from(project.parts);
  const places = part ? Object.keys(part.elements).filter((id) => id !== part.root) : [];
  const field = () => (table.fields.length === 0 || draw.chance(0.1) ? 'fgone' : draw.from(table.fields).id);
  return {
    ...{ table: table.id, part: part?.id ?? 'mgone' },
    ...(draw.chance(0.6) && { set: anySet(table, draw) }),
    ...(draw.chance(0.2) && { most: 1 + draw.below(3) }),
    binds: draw
      .some(['', ...places, 'egone'], 4)
      .map((place) => ({
        ...{ place, to: draw.from(['text', 'text', 'href', 'src', 'title', 'id']), field: field() },
        ...(draw.chance(0.3) && { hides: true as const }),
      })),
  };
}

const MAKES: readonly Make[] = [
  (project, draw) => ({ type: 'saveTable', table: tableOf(project, draw) }),
  (project, draw) => ({ type: 'removeTable', id: anyTable(project, draw).id }),
  (project, draw) => {
    const table = anyTable(project, draw);
    const field = () => (table.fields.length === 0 || draw.chance(0.05) ? 'fgone' : draw.from(table.fields).id);
    const cells = Array.from({ length: 1 + draw.below(3) }, () => ({
      ...{ row: draw.below(4), field: field(), value: draw.from(CELLS) },
    }));
    return { type: 'setCells', table: table.id, set: anySet(table, draw), cells };
  },
  (project, draw) => {
    const table = anyTable(project, draw);
    const insert = Array.from({ length: draw.below(3) }, () => anyRow(table, draw));
    return { type: 'spliceRows', table: table.id, set: anySet(table, draw), at: draw.below(4), remove: draw.below(3), insert };
  },
  (project, draw, element) => ({
    type: 'setList',
    node: anyList(project, draw, element),
    list: draw.chance(0.1) ? null : listOf(project, draw),
  }),
  (project, draw, element) => ({ type: 'setList', node: element(), list: listOf(project, draw) }),
  (project, draw, element) => planned(() => planMakeList(project, element(), () => draw.id('')).edit, draw),
  (project, draw, element) => planned(() => planNoList(project, anyList(project, draw, element), () => draw.id('')).edit, draw),
];

function planned(plan: () => Edit, draw: Draw): Edit {
  try {
    return plan();
  } catch (error) {
    if (error instanceof PlanError || error instanceof EditError) return { type: 'removeTable', id: draw.id('d') };
    throw error;
  }
}

export const aboutLists: Make = (project, draw, element) => draw.from(MAKES)(project, draw, element);
