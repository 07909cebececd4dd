import type { Band, Slice } from '@/core/breakpoints';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { specifiedValue } from '@/core/cascade';
import type { Page, PageElement, Project } from '@/core/document';
import { childIds } from '@/core/document';

export interface Row {
  readonly element: PageElement;
  readonly level: number;
  readonly expanded: boolean | undefined;
  readonly position: number;
  readonly siblings: number;
  /** Takes no room in the band that is looked at, itself or with what it stands in. */
  readonly hidden: boolean;
  /** How many own values hold in the band through breakpoints. */
  readonly overrides: number;
}

/** The page's tree as the rows that are to be seen, with what each of them is like in a band. */
export function rowsOf(
  project: Project,
  page: Page,
  band: Band,
  closed: ReadonlySet<string>,
  slice: Slice = DEFAULT_SLICE,
): Row[] {
  const rows: Row[] = [];
  const visit = (id: string, level: number, position: number, siblings: number, under: boolean) => {
    const element = page.elements[id]!;
    const hidden = under || specifiedValue(project, page, id, 'display', { ...slice, width: band.from }) === 'none';
    const names = new Set(band.holds.flatMap((at) => Object.keys(element.styles[at] ?? {})));
    const children = childIds(element);
    const expanded = children.length > 0 ? !closed.has(id) : undefined;
    rows.push({ element, level, position, siblings, hidden, expanded, overrides: names.size });
    if (expanded) children.forEach((child, i) => visit(child, level + 1, i + 1, children.length, hidden));
  };
  visit(page.root, 1, 1, 1, false);
  return rows;
}
