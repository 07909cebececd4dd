import { childIds } from '../document/content';
import type { At, Slice } from '../breakpoints';
import { BASE } from '../breakpoints';
import type { Page, Project } from '../document';
import type { Restyle } from '../edits/restyle';
import { describeTarget } from '../edits/set-style';
import type { ColumnGrid } from '../document/column-grid';
import { gridAt } from '../grid/columns';
import type { Span } from '../grid/placement';
import { bandOfTarget, formatSpan, spanDeclarations, spanTable } from '../grid/spans';
import { EVEN_TRACK, writeTracks } from '../styles/tracks';
import type { Plan } from './plan';
import { changesAt, PlanError, planValues, restyleEdit } from './plan';

function rowValues({ columns, gutter }: Pick<ColumnGrid, 'columns' | 'gutter'>): Record<string, string> {
  return {
    display: 'grid',
    'grid-template-columns': writeTracks(Array<string>(columns).fill(EVEN_TRACK)),
    'column-gap': `${gutter}px`,
  };
}

/** Lays a row on the page's column grid at every place that has one: as many columns, the same gutter. */
export function planLayOnColumns(project: Project, slice: Slice, page: Page, row: string): Plan {
  const element = page.elements[row];
  if (!element) throw new PlanError('The row has been removed.');
  const laid = [BASE, ...project.breakpoints.map(({ id }) => id)].flatMap((at): [At, ColumnGrid][] => {
    const band = page.columns?.[at] || project.columns[at] ? bandOfTarget(project, at, slice) : undefined;
    // What holds in the band that a place is meant for: a page's own grid comes before the project's.
    const chosen = band && gridAt(project, page, { ...slice, width: band.from });
    return chosen ? [[at, chosen.grid]] : [];
  });
  if (laid.length === 0) throw new PlanError('This page has no column grid yet. Choose its columns first.');
  const edit = restyleEdit(
    `Lay ${element.name} on the columns`,
    laid.flatMap(([at, grid]) => changesAt(row, at, rowValues(grid))),
  );
  const words = laid.map(([at, { columns }]) => `${columns} at ${describeTarget(project, at)}`).join(', ');
  return planValues(project, slice, [row], edit, `Lays ${element.name} on the column grid: ${words}.`);
}

/** Lets an item take some columns at one place. */
export function spanEdit(item: string, at: At, span: Span): Restyle {
  return restyleEdit(`Span ${formatSpan(span)}`, changesAt(item, at, spanDeclarations(span)));
}

const SHARES: Readonly<Record<number, string>> = { 1: 'the full width', 2: 'halves', 3: 'thirds', 4: 'quarters', 6: 'sixths' };

/**
 * Gives all children of a row the same share at one place: full, halves, thirds, quarters. A row that is no grid there
 * is laid on the page's columns, or on as many as there are shares.
 */
export function planShares(project: Project, slice: Slice, page: Page, row: string, at: At, parts: number): Plan {
  const element = page.elements[row];
  if (!element || childIds(element).length === 0) throw new PlanError('Select a row that holds elements.');
  const band = bandOfTarget(project, at, slice);
  if (!band) throw new PlanError(`${describeTarget(project, at)} holds at no width of this height.`);
  const column = spanTable(project, page, element, slice).find((one) => one.band.from === band.from)!;
  const grid = gridAt(project, page, { ...slice, width: band.from })?.grid;
  const laysOut = column.columns === undefined || column.columns % parts !== 0;
  const columns = !laysOut ? column.columns! : grid && grid.columns % parts === 0 ? grid.columns : parts;
  const label = `${element.name} in ${SHARES[parts] ?? `${parts} parts`} at ${describeTarget(project, at)}`;
  const { 'column-gap': gap, ...values } = laysOut ? rowValues({ columns, gutter: grid?.gutter ?? 0 }) : {};
  // A row that was no grid takes the page's gutter; what has a gap already keeps it.
  if (gap && grid && !/(flex|grid)$/.test(column.display)) values['column-gap'] = gap;
  const edit = restyleEdit(label, [
    ...changesAt(row, at, values),
    ...childIds(element).flatMap((child) => changesAt(child, at, spanDeclarations({ span: columns / parts }))),
  ]);
  return planValues(project, slice, [row, ...childIds(element)], edit, `Puts the items of ${label}.`);
}
