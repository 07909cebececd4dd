import type { Band, Slice } from '@/core/breakpoints';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { specifiedValue } from '@/core/cascade';
import type { Page, PageElement, Project } from '@/core/document';
import { carried, childIds, holdSame, parentOf } from '@/core/document';

export interface Row {
  readonly id: string;
  readonly level: number;
  readonly expanded: boolean | undefined;
  readonly position: number;
  readonly siblings: number;
}

/** What an element's row shows of a band. */
export interface RowMarks {
  /** Takes no room in the band, itself or with what it stands in. */
  readonly hidden: boolean;
  /** How many own values hold in the band through breakpoints. */
  readonly overrides: number;
}

/** The elements of a page, the same object for as long as nobody comes, goes or moves. */
export const treeOf = carried(
  (elements) => elements,
  (before, after) => !holdSame(before, after),
);

/** The tree as the rows that can be scrolled to. */
export function rowsOf(tree: Page['elements'], root: string, closed: ReadonlySet<string>): Row[] {
  const rows: Row[] = [];
  const visit = (id: string, level: number, position: number, siblings: number) => {
    const children = childIds(tree[id]!);
    const expanded = children.length > 0 ? !closed.has(id) : undefined;
    rows.push({ id, level, position, siblings, expanded });
    if (expanded) children.forEach((child, i) => visit(child, level + 1, i + 1, children.length));
  };
  visit(root, 1, 1, 1);
  return rows;
}

/** Each row's marks are found when it is drawn: of thousands it would take longer than a frame. */
export function marksIn(
  project: Project,
  page: Page,
  band: Band,
  slice: Slice = DEFAULT_SLICE,
): (element: PageElement) => RowMarks {
  const viewport = { ...slice, width: band.from };
  const known = new Map<string, boolean>();
  const isHidden = (id: string): boolean => {
    const before = known.get(id);
    if (before !== undefined) return before;
    const parent = parentOf(page, id);
    const hidden =
      specifiedValue(project, page, id, 'display', viewport) === 'none' || (parent !== undefined && isHidden(parent.id));
    known.set(id, hidden);
    return hidden;
  };
  return (element) => ({ hidden: isHidden(element.id), overrides: overridesIn(element, band) });
}

/** Own values, and those of the parts that show it, that hold in a band through breakpoints, counted by property. */
function overridesIn({ styles, layers = [] }: PageElement, { holds }: Band): number {
  const sets = [styles, ...layers.map((layer) => layer.styles)];
  const said = new Set<string>();
  for (const set of sets) for (const at of holds) for (const property in set[at]) said.add(property);
  return said.size;
}
