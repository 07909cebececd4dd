import { kept, expanded } from '../document/expand';
import { rowless } from '../document/list-rows';
import type { PageElement } from '../document/element';
import { listsIn } from '../document/parts';
import type { Page, Project } from '../document/project';
import { tableOf } from '../document/row-count';
import { sampleOf } from '../document/table';
import { treesOf, withTrees } from '../document/tree';
import { withElements } from '../document/versions';

/** A set of rows other than the one that shows: the table and the set, by id. */
export interface Sample {
  readonly table: string;
  readonly set: string;
}

export const sampleKey = ({ table, set }: Sample): string => `${table} ${set}`;

export function sampleNamed(key: string): Sample {
  const [table = '', set = ''] = key.split(' ');
  return { table, set };
}

/** "Long of Tool cards". */
export function sampleInWords({ tables }: Pick<Project, 'tables'>, key: string): string {
  const { table, set } = sampleNamed(key);
  const found = tables.find(({ id }) => id === table);
  return `${found?.sets.find(({ id }) => id === set)?.name ?? 'a set that has gone'} of ${found?.name ?? 'a table that has gone'}`;
}

const lists = ({ elements }: Page): readonly PageElement[] => Object.values(elements).filter(({ list }) => list);

/** All sets that the lists of a page could show and don't. */
export function samplesOn(project: Project, page: Page): readonly Sample[] {
  const shown = new Set<string>();
  const all = new Map<string, Sample>();
  for (const { list } of lists(page)) {
    const table = tableOf(project, list!);
    if (!table) continue;
    shown.add(sampleKey({ table: table.id, set: sampleOf(table, list!.set).id }));
    for (const { id: set } of table.sets) all.set(sampleKey({ table: table.id, set }), { table: table.id, set });
  }
  return [...all].flatMap(([key, sample]) => (shown.has(key) ? [] : [sample]));
}

/** Whether any list of a project could show other rows than it does. */
export const hasSamples = (project: Project): boolean =>
  project.tables.some(({ sets }) => sets.length > 1) && treesOf(project).some(({ elements }) => listsIn(elements).length > 0);

/** The project with another set of a table in all lists that are fed from it. */
export function withSample(project: Project, { table, set }: Sample): Project {
  return expanded(
    withTrees(kept(project), (tree) => {
      const changed = lists(tree).flatMap((one) => (one.list!.table === table ? [{ ...one, list: { ...one.list!, set } }] : []));
      return changed.length === 0 ? tree : { ...tree, elements: withElements(tree.elements, changed) };
    }),
  );
}

/** Where a page that shows other rows has what was found in some row: in the first, or where there is none the list. */
export function foundIn(page: Page, id: string): string {
  const first = rowless(id, '1');
  for (let at = first; at !== ''; at = at.slice(0, Math.max(0, at.lastIndexOf('.')))) if (at in page.elements) return at;
  return page.root;
}
