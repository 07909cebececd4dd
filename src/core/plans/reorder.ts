import { childIds } from '../document/content';
import type { At, Slice } from '../breakpoints';
import { specifiedValue } from '../cascade/resolve';
import type { Page, Project } from '../document';
import { parentOf } from '../document';
import type { ValueChange } from '../edits/value-writer';
import { describeTarget } from '../edits/set-style';
import { bandOfTarget, readSpan } from '../grid/spans';
import { trackCount } from '../styles/tracks';
import type { Plan } from './plan';
import { PlanError, planValues, restyleEdit } from './plan';
import { requireFree } from './rearrange';
import { spanEdit } from './spans';

/**
 * Moves an element among its siblings as it looks at one place only, by `order` (CSS Flexbox 1, 5.4); where it stands in
 * the document, and so the order of reading and of focus, stays.
 * @param before the sibling that it's to stand before; undefined for last
 */
export function planOrder(project: Project, slice: Slice, page: Page, id: string, before: string | undefined, at: At): Plan {
  const parent = parentOf(page, id);
  const { name } = requireFree(page, id);
  if (!parent) throw new PlanError("A page's body stands alone.");
  const band = bandOfTarget(project, at, slice);
  if (!band) throw new PlanError(`${describeTarget(project, at)} holds at no width of this height.`);
  const value = (one: string, property: string) => specifiedValue(project, page, one, property, { ...slice, width: band.from });
  if (!/(flex|grid)$/.test(value(parent.id, 'display')))
    throw new PlanError(
      `${parent.name} is neither a row nor a grid at ${describeTarget(project, at)}, so only the document's order counts there.`,
    );
  const orderOf = (one: string) => Number(value(one, 'order')) || 0;
  const wanted = inOrder(childIds(parent), orderOf).filter((child) => child !== id);
  const place = before === undefined ? wanted.length : wanted.indexOf(before);
  wanted.splice(place < 0 ? wanted.length : place, 0, id);
  // The smallest numbers that rise where the document's own order doesn't.
  let order = 0;
  let last = -1;
  const changes = wanted.flatMap((child): ValueChange[] => {
    const index = childIds(parent).indexOf(child);
    if (index < last) order++;
    last = index;
    return orderOf(child) === order ? [] : [{ owner: child, at, property: 'order', value: String(order) }];
  });
  const where = describeTarget(project, at);
  const edit = restyleEdit(`Move ${name} by order at ${where}`, changes);
  return planValues(project, slice, childIds(parent), edit, `Moves ${name} at ${where} only; the document's order stays.`);
}

/** Siblings as they are laid out: by their `order`, else as they stand in the document. */
export function inOrder(children: readonly string[], orderOf: (id: string) => number): string[] {
  return [...children].sort((a, b) => orderOf(a) - orderOf(b));
}

/** Lets an element of a grid begin at another column, at one place. It takes as many columns as before. */
export function planColumn(project: Project, slice: Slice, page: Page, id: string, column: number, at: At): Plan {
  const parent = parentOf(page, id);
  const band = bandOfTarget(project, at, slice);
  const { name } = requireFree(page, id);
  if (!parent || !band) throw new PlanError(`${name} stands in no grid at ${describeTarget(project, at)}.`);
  const value = (one: string, property: string) => specifiedValue(project, page, one, property, { ...slice, width: band.from });
  const columns = trackCount(value(parent.id, 'grid-template-columns')) ?? 1;
  const asked = readSpan(value(id, 'grid-column-start'), value(id, 'grid-column-end'), columns);
  if (!asked) throw new PlanError(`${name} stands between named lines; write them by hand.`);
  const start = Math.max(1, Math.min(column, columns - asked.span + 1));
  const where = describeTarget(project, at);
  return planValues(
    project,
    slice,
    [id],
    spanEdit(id, at, { start, span: asked.span }),
    `${name} begins at column ${start} at ${where}.`,
  );
}
