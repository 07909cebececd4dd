import type { Breakpoint } from '../breakpoints/breakpoint';
import { BASE, defaultOrder, takenBy } from '../breakpoints/breakpoint';
import { bandsOf } from '../breakpoints/bands';
import { cellsOf } from '../breakpoints/cells';
import { edgesOf, isWidthOnly } from '../breakpoints/condition';
import { conditionsOf } from '../cascade/sources';
import type { Project } from '../document/project';
import { LIMITS } from '../document/limits';
import { EditError } from '../edits/edit';
import { choosings, speaksAt } from './choices';
import { fitDeclarations, fitOrWriteOut } from './fit';
import { allOwners } from '../edits/owners';
import type { Plan } from './plan';
import { changesTo } from './plan';
import { applyEdit } from '../edits/apply-edit';
import type { Chosen, Restyle } from '../edits/restyle';
import type { ValueChange } from '../edits/value-writer';
import { beneath, spokenBy } from './spoken';
import { columnsKept } from './turn-columns';

export type Direction = 'wide-first' | 'narrow-first';

/** Which way the width conditions of a set go; undefined for mixed and bounded ones and for none. */
export function directionOf(breakpoints: readonly Breakpoint[]): Direction | undefined {
  const bound = breakpoints.filter(({ condition }) => isWidthOnly(condition));
  if (bound.length === 0) return undefined;
  if (bound.every(({ condition }) => condition.from === undefined)) return 'wide-first';
  return bound.every(({ condition }) => condition.below === undefined) ? 'narrow-first' : undefined;
}

/**
 * The same design with its set the other way around: the base in the widest (or the narrowest) band, and one breakpoint
 * at each edge that holds from there inwards (or outwards). Every element keeps every value at every width, height and
 * pointer. Where one side must say that a value has ended, what lies beneath is written out; where that can't be said
 * in one word for all that carry it, the breakpoint it needs stays in the set as it was.
 * @param newId gives ids for the new breakpoints
 * @throws EditError when the set would grow beyond what a project may have
 */
export function planTurn(project: Project, direction: Direction, newId: () => string): Plan {
  const byWidth = project.breakpoints.filter(({ condition }) => isWidthOnly(condition));
  const edges = [...new Set(byWidth.flatMap(({ condition }) => edgesOf(condition).map(({ at }) => at)))].sort((a, b) => a - b);
  const bands = bandsOf({ breakpoints: byWidth, baseName: project.baseName });
  const nameAt = (inside: number) => bands.find(({ from, below }) => from <= inside && inside < below)!.name;
  const em = byWidth.length > 0 && byWidth.every(({ condition }) => condition.unit === 'em');
  const turned = edges.map((edge, i): Breakpoint => ({
    id: newId(),
    ...(direction === 'wide-first'
      ? { name: nameAt(i === 0 ? 0 : edges[i - 1]!).slice(0, 60), condition: { below: edge, ...(em && { unit: 'em' }) } }
      : { name: nameAt(edge).slice(0, 60), condition: { from: edge, ...(em && { unit: 'em' }) } }),
  }));
  turned.sort(defaultOrder);
  const across = project.breakpoints.filter(({ condition }) => !isWidthOnly(condition));
  const plain = across.map(({ also: _, ...rest }) => rest);
  const cells = cellsOf(conditionsOf(project));

  const changes: ValueChange[] = [];
  const needed = new Set<string>();
  for (const { id: owner, styles } of allOwners(project)) {
    const properties = new Set(Object.values(styles).flatMap(Object.keys));
    for (const property of properties) {
      const written = Object.keys(styles).filter((at) => styles[at]![property] !== undefined);
      if (written.every((at) => at === BASE)) continue;
      const speaks = ({ id }: Breakpoint) => takenBy(project.breakpoints, id).some((at) => written.includes(at));
      const kept = plain.filter((one) => speaks(project.breakpoints.find(({ id }) => id === one.id)!));
      const wanted = spokenBy(project.breakpoints, styles, property);
      const below = beneath(project, owner, property);
      const fitted = fitOrWriteOut(kept.length > 0 ? [...turned, ...kept] : turned, cells, wanted, below);
      if (fitted) changes.push(...changesTo(owner, styles, property, fitted));
      else {
        const own = project.breakpoints.filter(speaks);
        for (const { id } of own) for (const at of takenBy(project.breakpoints, id)) needed.add(at);
      }
    }
  }
  const chosen: Chosen[] = [];
  for (const one of choosings(project)) {
    if (Object.keys(one.words).every((at) => at === BASE)) continue;
    const speaks = ({ id }: Breakpoint) => takenBy(project.breakpoints, id).some((at) => speaksAt(one, at));
    const kept = plain.filter(({ id }) => speaks(project.breakpoints.find((other) => other.id === id)!));
    const fitted = fitDeclarations(kept.length > 0 ? [...turned, ...kept] : turned, cells, one.wanted);
    if (fitted) chosen.push(...one.written(fitted));
    else
      for (const { id } of project.breakpoints.filter(speaks)) for (const at of takenBy(project.breakpoints, id)) needed.add(at);
  }
  const staying = project.breakpoints.filter(({ id, condition }) => needed.has(id) || !isWidthOnly(condition));
  const breakpoints = [...turned, ...staying].map(({ also, ...one }) => {
    const taken = also?.filter((id) => staying.some((other) => other.id === id) && needed.has(one.id));
    return taken?.length ? { ...one, also: taken } : one;
  });
  if (breakpoints.length > LIMITS.breakpoints)
    throw new EditError(
      `Turned around, the set would have ${breakpoints.length} breakpoints; ${LIMITS.breakpoints} is the most.`,
    );
  const baseName = direction === 'wide-first' ? bands[bands.length - 1]!.name : bands[0]!.name;
  const label = `Turn the set around: ${direction === 'wide-first' ? 'wide first' : 'narrow first'}`;
  const edit: Restyle = {
    type: 'restyle',
    label,
    baseName: baseName.slice(0, 80),
    breakpoints,
    ...(chosen.length > 0 && { chosen }),
    changes,
  };
  const { document: after, footprint } = applyEdit(project, edit);
  if (Object.values(footprint).some(({ widths }) => widths.length > 0))
    throw new EditError(
      'Some values here depend on breakpoints that take over from each other; write those out first, then the set can be turned around.',
    );
  const columns = columnsKept(project, after);
  const stayed = staying.filter(({ condition }) => isWidthOnly(condition));
  return {
    edit: columns.length > 0 ? { type: 'group', label, edits: [edit, ...columns] } : edit,
    sentence: `The base becomes ${baseName}; ${turned.length} ${turned.length === 1 ? 'breakpoint goes' : 'breakpoints go'} ${direction === 'wide-first' ? 'narrower' : 'wider'} from there. Every element keeps every value at every width.`,
    details: [
      `${changes.length} values are rewritten.`,
      ...(stayed.length > 0
        ? [
            `${stayed.map(({ name }) => name).join(', ')} ${stayed.length === 1 ? 'stays' : 'stay'} as well: a shared style there ends where no other value can be named for all that carry it.`,
          ]
        : []),
    ],
  };
}
