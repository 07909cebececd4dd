import type { At, Breakpoint, Cell, Slice } from '../breakpoints';
import { BASE, bandsOf, describeCondition, describeInterval, EDGE_MAX, isWidthOnly, sameCondition } from '../breakpoints';
import { heldIn, lookOf } from '../cascade/look';
import { resolve } from '../cascade/resolve';
import type { Project } from '../document/project';
import { pageOf } from '../document/tree';
import { applyEdit } from '../edits/apply-edit';
import { splitPseudo } from '../document/pseudo';
import { requireElement } from '../edits/edit';
import { ownerName, requireStyles } from '../edits/owners';
import type { Restyle } from '../edits/restyle';
import { describeTarget } from '../edits/set-style';
import { describeEffect } from './effect';
import { endsAt } from './ends';
import { fitOrWriteOut } from './fit';
import type { Plan } from './plan';
import { changesTo, PlanError, planValues, restyleEdit } from './plan';
import { beneath, isWritable, spokenBy, writtenOut } from './spoken';

/**
 * Keeps an own value from going on beyond the band at `width`: at the next breakpoint in the direction, what would hold
 * there without it is written out.
 */
export function planStop(
  project: Project,
  slice: Slice,
  id: string,
  property: string,
  width: number,
  direction: 'narrower' | 'wider',
): Plan {
  const { id: elementId, pseudo } = splitPseudo(id);
  const { page } = requireElement(project, elementId);
  const element = { name: ownerName(project, id) };
  const look = lookOf(project, page, elementId, pseudo);
  const bands = bandsOf(project, slice);
  const start = bands.findIndex((band) => width < band.below);
  const ownAt = (inside: number) => {
    const { origin } = resolve(look.project, look.page, look.node, property, inside, heldIn(look, slice));
    const isOwn = origin.kind === 'declared' && origin.candidate.layer === 'own' && (origin.candidate.pseudo ?? '') === pseudo;
    return isOwn ? origin.candidate : undefined;
  };
  const source = ownAt(bands[start]!.from);
  if (!source) throw new PlanError(`${element.name} has no own ${property} here.`);
  const step = direction === 'wider' ? 1 : -1;
  const next = [];
  for (let at = start + step; bands[at]; at += step) next.push(bands[at]!);
  const band = next.find((one) => one.home !== source.at);
  const there = band && ownAt(band.from);
  if (!band || band.home === BASE || there?.at !== source.at || there.via !== source.via)
    throw new PlanError(`${property} doesn't go on to ${direction === 'wider' ? 'wider' : 'narrower'} bands.`);
  const without = applyEdit(project, restyleEdit('', [{ owner: id, at: source.at, property, value: null }])).document;
  const left = lookOf(without, pageOf(without, page.id)!, elementId, pseudo);
  const { origin } = resolve(left.project, left.page, left.node, property, band.from, heldIn(left, slice));
  const value = writtenOut(
    origin.kind === 'declared' && origin.element === left.node ? origin.candidate.value : undefined,
    property,
  );
  if (!isWritable(property, value)) throw new PlanError(`What holds without it (${value}) can't be written down.`);
  const sentence = `Stops ${property} ${source.value} of ${element.name} at ${describeTarget(project, band.home)}: there it is ${value}, as without it.`;
  return planValues(
    project,
    slice,
    [id],
    restyleEdit(sentence.slice(0, -1), [{ owner: id, at: band.home, property, value }]),
    sentence,
  );
}

/**
 * Moves an end of the stretch on which one value holds. Between the old and the new place the value goes on, or the
 * neighbour's does; a new breakpoint is added where there is none at the new place.
 * @param edge the end's present width, exclusive above and inclusive below
 * @param to its new width
 * @param newId for a breakpoint that may be needed
 */
export function planMoveEnd(
  project: Project,
  slice: Slice,
  id: string,
  property: string,
  edge: number,
  to: number,
  value: string,
  newId: string,
): Plan {
  const element = { name: ownerName(project, id), styles: requireStyles(project, id) };
  if (edge === to) throw new PlanError('The end is there already.');
  const range = { from: Math.min(edge, to), below: to >= EDGE_MAX ? Infinity : Math.max(edge, to) };
  const across = (at: At) => {
    const breakpoint = project.breakpoints.find((one) => one.id === at);
    return breakpoint !== undefined && !isWidthOnly(breakpoint.condition);
  };
  const said = spokenBy(project.breakpoints, element.styles, property);
  const acrossOnly = spokenBy(
    project.breakpoints,
    Object.fromEntries(Object.entries(element.styles).filter(([at]) => across(at))),
    property,
  );
  const below = beneath(project, id, property);
  const inRange = ({ sample }: Cell) => sample.width >= range.from && sample.width < range.below;
  const wanted = (cell: Cell) => (inRange(cell) && acrossOnly(cell) === undefined ? value : said(cell));

  const { isEdge, sets, cells } = endsAt(project, to, newId);
  for (const breakpoints of sets) {
    const fitted = fitOrWriteOut(breakpoints, cells, wanted, below);
    if (!fitted) continue;
    const changes = changesTo(id, element.styles, property, fitted);
    const added = isEdge ? undefined : breakpoints.find((one) => one.id === newId)!;
    const sentence = `Lets ${property} ${value} of ${element.name} hold at ${describeInterval(range)} as well${added ? `, with a new breakpoint at ${describeCondition(added.condition)}` : ''}.`;
    const edit: Restyle = { ...restyleEdit(sentence.slice(0, -1), changes), ...(added && { breakpoints }) };
    if (changes.length === 0) throw new PlanError('Nothing would change.');
    const { document } = applyEdit(project, edit);
    return {
      edit,
      sentence,
      details: describeEffect(project, document, [id], [property], slice, [...new Set(changes.map(({ at }) => at))]),
    };
  }
  throw new PlanError("That can't be written with these breakpoints; add one at the place first.");
}

/** Where a value for one band alone is written: a breakpoint that holds just there, or one to be added. */
export function bandTarget(
  project: Project,
  slice: Slice,
  width: number,
  newId: string,
): { readonly at: At; readonly add?: Breakpoint } {
  const band = bandsOf(project, slice).find((one) => width < one.below)!;
  // The band's own end may come from an orientation; only edges of widths can be written.
  const condition = {
    ...(band.from > 0 && { from: Math.ceil(band.from) }),
    ...(band.below < Infinity && { below: Math.ceil(band.below) }),
  };
  if (Object.keys(condition).length === 0) return { at: BASE };
  const there = project.breakpoints.find((one) => sameCondition(one.condition, condition));
  if (there) return { at: there.id };
  return { at: newId, add: { id: newId, name: `Only ${band.name}`.slice(0, 60), condition } };
}
