import type { Page } from '@/core/document';
import { ancestorsOf, childIds, parentOf, shapeOf } from '@/core/document';
import type { Spot } from '@/core/structure';
import { mayStand } from '@/core/structure';

/** Where rows dragged in the outline would go. */
export interface Onto {
  readonly id: string;
  readonly how: 'before' | 'after' | 'into';
  readonly spot: Spot;
}

/** @param part how far down the row the pointer is, 0 to 1 */
export function spotOnRow(page: Page, ids: readonly string[], id: string, part: number): Onto | undefined {
  const moving = new Set(ids);
  if (moving.has(id) || ancestorsOf(page, id).some((one) => moving.has(one.id))) return undefined;
  const parent = parentOf(page, id);
  const shapes = ids.map((one) => shapeOf(page.elements, one));
  const fits = (into: string) => shapes.every((shape) => mayStand(page, into, shape));
  const beside = parent && fits(parent.id);
  const into = fits(id) && (!beside || (part > 0.3 && part < 0.7));
  if (into) return { id, how: 'into', spot: { parent: id, index: childIds(page.elements[id]!).length } };
  if (!beside) return undefined;
  const after = part >= 0.5;
  return {
    id,
    how: after ? 'after' : 'before',
    spot: { parent: parent.id, index: childIds(parent).indexOf(id) + (after ? 1 : 0) },
  };
}

/** The row of the outline at a place of the window, and what dropping there would mean. */
export function rowUnder(page: Page, ids: readonly string[], x: number, y: number): Onto | undefined {
  const row = document
    .elementsFromPoint(x, y)
    .find((one): one is HTMLElement => one instanceof HTMLElement && one.dataset.row !== undefined);
  if (!row) return undefined;
  const { top, height } = row.getBoundingClientRect();
  return spotOnRow(page, ids, row.dataset.row!, (y - top) / height);
}
