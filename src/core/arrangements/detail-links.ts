import { partNamed, partsIn } from '../document/parts';
import { tableOf } from '../document/row-count';
import type { Page } from '../document/project';
import type { Edit } from '../edits/edit';
import { keptTree } from '../document/expand';
import { pageOf } from '../document/tree';
import { PlanError } from '../plans/plan';
import type { Work } from './work';

/** The trees that a part shows: itself, and those of the parts in it. */
function treesIn(work: Work, part: string, seen = new Set<string>()): readonly Page[] {
  if (seen.has(part)) return [];
  seen.add(part);
  const shown = partNamed(work.project, part);
  if (!shown) return [];
  const tree = keptTree(shown);
  return [tree, ...[...partsIn(tree)].flatMap((inner) => treesIn(work, inner, seen))];
}

/**
 * Has the links of a list that lead to a page lead to the detail on it: an address of its own, so that browsers go there and back by
 * themselves and give it the focus.
 * @throws PlanError where nothing leads there
 */
export function leadIn(work: Work, list: string, page: string, htmlId: string, name: string): void {
  const plain = `page:${page}`;
  const wanted = `${plain}#${htmlId}`;
  const edits: Edit[] = [];
  let leading = 0;
  const found = (href: string | undefined): boolean => {
    if (href !== plain && !href?.startsWith(`${plain}#`)) return false;
    leading++;
    return href !== wanted;
  };
  for (const tree of treesIn(work, list)) {
    for (const element of Object.values(tree.elements)) {
      const { id, attributes, use } = element;
      if (found(attributes.href)) edits.push({ type: 'setAttribute', node: id, name: 'href', value: wanted });
      for (const [place, says] of Object.entries(use?.says ?? {}))
        if (found(says.attributes?.href))
          edits.push({ type: 'setAttribute', node: `${id}.${place}`, name: 'href', value: wanted });
      const table = element.list && tableOf(work.project, element.list);
      const fields = element.list?.binds.filter(({ to }) => to === 'href').map(({ field }) => field) ?? [];
      for (const field of fields) {
        const at = table?.fields.findIndex((one) => one.id === field) ?? -1;
        for (const set of at < 0 ? [] : table!.sets) {
          const cells = set.rows.flatMap((row, i) => (found(row[at]) ? [{ row: i, field, value: wanted }] : []));
          if (cells.length > 0) edits.push({ type: 'setCells', table: table!.id, set: set.id, cells });
        }
      }
    }
  }
  const where = pageOf(work.project, page)!.name;
  if (leading === 0)
    throw new PlanError(`Nothing in ${name} leads to ${where}: make a link of at least one of its items, to that page.`);
  work.do(...edits);
}
