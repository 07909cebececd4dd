import { childIds } from '../document/content';
import type { At, Slice } from '../breakpoints';
import type { Page, PageElement, Project } from '../document';
import { parentOf } from '../document';
import { specifiedValue } from '../cascade/resolve';
import type { ValueChange } from '../edits/value-writer';
import { describeTarget } from '../edits/set-style';
import { bandOfTarget } from '../grid/spans';
import { readTracks, writeTracks } from '../styles/tracks';
import { topmost } from '../structure/place';
import type { Plan } from './plan';
import { changesAt, PlanError, planValues, restyleEdit } from './plan';

interface Together {
  readonly items: readonly PageElement[];
  readonly parent: PageElement;
  readonly display: string;
  readonly direction: string;
  readonly value: (id: string, property: string) => string;
}

function together(project: Project, slice: Slice, page: Page, ids: readonly string[], at: At): Together {
  const items = topmost(page, ids).map((id) => page.elements[id]!);
  if (items.length < 2) throw new PlanError('Select two or more elements that stand beside each other.');
  const parent = parentOf(page, items[0]!.id)!;
  if (items.some(({ id }) => parentOf(page, id) !== parent))
    throw new PlanError('Elements of one parent can be made equal; these stand in several.');
  const band = bandOfTarget(project, at, slice);
  if (!band) throw new PlanError(`${describeTarget(project, at)} holds at no width of this height.`);
  const value = (id: string, property: string) => specifiedValue(project, page, id, property, { ...slice, width: band.from });
  return { items, parent, value, display: value(parent.id, 'display'), direction: value(parent.id, 'flex-direction') };
}

/** What a share of a row is in a flex box: its content can't make it wider. */
const flexShare = (share: number, axis: 'width' | 'height') => ({
  'flex-grow': String(share),
  'flex-shrink': '1',
  'flex-basis': '0px',
  [`min-${axis}`]: '0px',
  [axis]: 'auto',
});

/**
 * Widths in a ratio to each other, at one place: as shares of a flex row, or as tracks of a grid whose columns the
 * elements stand in one by one. Anything else becomes a flex row.
 * @param shares one a selected element, above 0; all alike makes them equal
 */
export function planWidths(
  project: Project,
  slice: Slice,
  page: Page,
  ids: readonly string[],
  at: At,
  shares: readonly number[],
): Plan {
  const { items, parent, display, direction, value } = together(project, slice, page, ids, at);
  if (shares.length !== items.length || shares.some((share) => !(share > 0) || share > 100))
    throw new PlanError(`Write ${items.length} shares above 0, such as ${items.map((_, i) => i + 1).join(' : ')}.`);
  const equal = new Set(shares).size === 1;
  const how = equal ? 'equally wide' : `as wide as ${shares.join(' : ')}`;
  const label = `${items.length} elements ${how} at ${describeTarget(project, at)}`;
  const changes: ValueChange[] = [];
  if (/grid$/.test(display)) {
    const tracks = readTracks(value(parent.id, 'grid-template-columns')) ?? [];
    const shown = childIds(parent).filter((id) => value(id, 'display') !== 'none');
    const alone = tracks.length >= shown.length || tracks.length <= 1;
    if (!equal && (!alone || shown.length !== items.length))
      throw new PlanError(`${parent.name} is a grid of several rows: select all that stand in it, in one row.`);
    const wanted = equal && tracks.length > 1 ? tracks.map(() => 1) : shares;
    changes.push(
      ...changesAt(parent.id, at, { 'grid-template-columns': writeTracks(wanted.map((share) => `minmax(0, ${share}fr)`)) }),
    );
    for (const { id } of items) changes.push(...changesAt(id, at, { width: 'auto', 'justify-self': 'stretch' }));
  } else {
    if (!/flex$/.test(display) || /column/.test(direction))
      changes.push(...changesAt(parent.id, at, { display: 'flex', 'flex-direction': 'row' }));
    items.forEach(({ id }, i) => changes.push(...changesAt(id, at, flexShare(shares[i]!, 'width'))));
  }
  const edit = restyleEdit(`Make ${label}`, changes);
  return planValues(project, slice, [parent.id, ...items.map(({ id }) => id)], edit, `Makes ${label}.`);
}

/** The same height for all, at one place: stretched in a row, equal rows in a grid, equal shares in a column. */
export function planHeights(project: Project, slice: Slice, page: Page, ids: readonly string[], at: At): Plan {
  const { items, parent, display, direction } = together(project, slice, page, ids, at);
  const label = `${items.length} elements equally high at ${describeTarget(project, at)}`;
  const changes: ValueChange[] = [];
  if (/flex$/.test(display) && /column/.test(direction))
    for (const { id } of items) changes.push(...changesAt(id, at, flexShare(1, 'height')));
  else {
    if (/grid$/.test(display)) changes.push(...changesAt(parent.id, at, { 'grid-auto-rows': '1fr' }));
    else if (!/flex$/.test(display)) changes.push(...changesAt(parent.id, at, { display: 'grid', 'grid-auto-rows': '1fr' }));
    for (const { id } of items) changes.push(...changesAt(id, at, { height: 'auto', 'align-self': 'stretch' }));
  }
  const edit = restyleEdit(`Make ${label}`, changes);
  return planValues(project, slice, [parent.id, ...items.map(({ id }) => id)], edit, `Makes ${label}.`);
}
