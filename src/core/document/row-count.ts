import type { List } from './list';
import { ROWS_SHOWN } from './list';
import type { Project } from './project';
import type { Table } from './table';
import { sampleOf } from './table';

export const tableOf = ({ tables }: Pick<Project, 'tables'>, list: List): Table | undefined =>
  tables.find(({ id }) => id === list.table);

/** How many rows a list shows: as many as its set has, and no more than it is to. */
export function rowCount(project: Pick<Project, 'tables'>, list: List): number {
  const table = tableOf(project, list);
  return table ? Math.min(sampleOf(table, list.set).rows.length, list.most ?? ROWS_SHOWN) : 1;
}
