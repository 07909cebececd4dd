import type { Band, Slice, Viewport } from '@/core/breakpoints';
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
  const viewport: Viewport = { ...slice, width: band.from };
  const visit = (id: string, level: number, position: number, siblings: number, under: boolean) => {
    const element = page.elements[id]!;
    const hidden = under || specifiedValue(project, page, id, 'display', viewport) === 'none';
    const children = childIds(element);
    const expanded = children.length > 0 ? !closed.has(id) : undefined;
    rows.push({ element, level, position, siblings, hidden, expanded, overrides: overridesIn(element, band) });
    if (expanded) children.forEach((child, i) => visit(child, level + 1, i + 1, children.length, hidden));
  };
  visit(page.root, 1, 1, 1, false);
  return rows;
}

/** Own values that hold in a band through breakpoints, counted by property. */
function overridesIn({ styles }: PageElement, { holds }: Band): number {
  const said = holds.filter((at) => styles[at] !== undefined);
  return said.length === 0 ? 0 : new Set(said.flatMap((at) => Object.keys(styles[at]!))).size;
}
