import type { List, Page, Project } from '@/core/document';
import { childIds, rowPlace, tableOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { planMakeList, planNoList } from '@/core/plans';
import { sampleInWords, sampleNamed } from '@/core/tables';
import { inItsTree } from '../arranging/in-part';
import { commitOrReport, report } from '../editing/edits';
import { propose } from '../editing/proposal';
import { shownPage, useSession } from '../state/store';
import { key } from '../view/actions';

/** The list that an element is, or in whose rows it stands; undefined elsewhere. */
export function listAround(
  page: Page,
  id: string,
): { readonly id: string; readonly list: List; readonly row?: number } | undefined {
  const own = page.elements[id]?.list;
  if (own) return { id, list: own };
  const at = rowPlace(page, id);
  const list = at && page.elements[at.list]?.list;
  return list && { id: at.list, list, row: at.row };
}

/** Whether a list could be made of what an element holds. */
export const holdsUses = (page: Page, id: string): boolean => {
  const element = page.elements[id];
  if (!element || element.list || element.use) return false;
  const [first, second] = childIds(element)
    .map((child) => page.elements[child]?.use?.part)
    .filter((part) => part !== undefined);
  return first !== undefined && (second === undefined || second === first);
};

/** Makes a list of what is selected, or of what it stands in where that holds the uses. */
export function makeList(id = useSession.getState().selection[0]): void {
  if (id === undefined || !shownPage(useSession.getState()).elements[id])
    return report('Select what holds the items that are alike.');
  propose((project) => planMakeList(project, inItsTree(id), key));
}

export function noList(id: string): void {
  propose((project) => planNoList(project, inItsTree(id), key));
}

export const changeList = (id: string, list: List): boolean => commitOrReport({ type: 'setList', node: id, list }, 'part');

/** Opens the table of the list that is selected; else the first there is. */
export function openTable(): void {
  const session = useSession.getState();
  const [selected] = session.selection;
  const around = selected === undefined ? undefined : listAround(shownPage(session), selected);
  const { tables } = session.project;
  const table = (around && tableOf(session.project, around.list)) ?? tables[0];
  useSession.setState({ table: { id: table?.id ?? '', set: around?.list.set } });
}

/** The lists that are fed from a table, by name, with the page. */
export const listsFrom = ({ pages, parts }: Project, table: string): readonly string[] =>
  [...pages, ...parts].flatMap(({ name, elements }) =>
    Object.values(elements).flatMap((one) =>
      one.list?.table === table && !one.id.includes('.') ? [`${one.name} on ${name}`] : [],
    ),
  );

/** Has all lists of the page that are fed from a table show a set of its rows. */
export function showSample(sample: string): void {
  const session = useSession.getState();
  const { table, set } = sampleNamed(sample);
  const lists = Object.values(shownPage(session).elements).filter((one) => one.list?.table === table);
  const edits = lists.map((one): Edit => ({ type: 'setList', node: one.id, list: { ...one.list!, set } }));
  const label = `Show ${sampleInWords(session.project, sample)}`;
  if (edits.length > 0) commitOrReport(edits.length === 1 ? edits[0]! : { type: 'group', label, edits }, 'part');
}
