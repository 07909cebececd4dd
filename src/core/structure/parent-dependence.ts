import { bandsOf } from '../breakpoints/bands';
import type { Slice } from '../breakpoints/viewport';
import { specifiedValue } from '../cascade/resolve';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { PROPERTIES } from '../styles/properties';

/** A value of an element that means something else, or nothing, in another parent. */
export interface Dependence {
  readonly property: string;
  readonly value: string;
  /** Where it's written: base or a breakpoint. */
  readonly at: string;
  readonly because: 'a cell of its grid' | 'a share of its size' | 'a part in its row or grid' | 'a distance from it';
}

const CELL = /^grid-(column|row)-(start|end)$/;
const ITEM = /^(order|flex-(grow|shrink|basis)|align-self|justify-self)$/;
const OFFSET = /^(top|right|bottom|left)$/;
const SHARE = /^((min-|max-)?(width|height)|padding-.*|margin-.*|flex-basis|text-indent)$/;

/** Own values of an element that were said with its parent in mind. `parent` is that it stands in. */
export function dependsOnParent(
  project: Project,
  page: Page,
  element: PageElement,
  parent: PageElement,
  slice: Slice,
): Dependence[] {
  const displays = new Set(
    bandsOf(project, slice).map(({ from }) => specifiedValue(project, page, parent.id, 'display', { ...slice, width: from })),
  );
  const among = (...kinds: readonly string[]) => kinds.some((kind) => displays.has(kind) || displays.has(`inline-${kind}`));
  return Object.entries(element.styles).flatMap(([at, declarations]) =>
    Object.entries(declarations).flatMap(([property, value]): Dependence[] => {
      const because = why(property, value, among('grid'), among('grid', 'flex'));
      return because ? [{ property, value, at, because }] : [];
    }),
  );
}

function why(property: string, value: string, grid: boolean, items: boolean): Dependence['because'] | undefined {
  if (CELL.test(property)) return grid && value !== 'auto' ? 'a cell of its grid' : undefined;
  if (OFFSET.test(property)) return value === 'auto' ? undefined : 'a distance from it';
  if (SHARE.test(property) && /\d%/.test(value)) return 'a share of its size';
  return ITEM.test(property) && items && value !== 'auto' ? 'a part in its row or grid' : undefined;
}

/** Inherited properties of an element that have another value in a second version of the page, in some band. */
export function inheritsOtherwise(before: Project, was: Page, after: Project, is: Page, id: string, slice: Slice): string[] {
  const bands = bandsOf(before, slice);
  return PROPERTIES.filter(({ inherited }) => inherited)
    .filter(({ name }) =>
      bands.some(({ from }) => {
        const viewport = { ...slice, width: from };
        return specifiedValue(before, was, id, name, viewport) !== specifiedValue(after, is, id, name, viewport);
      }),
    )
    .map(({ name }) => name);
}
