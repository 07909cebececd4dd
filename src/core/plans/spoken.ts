import type { Candidate, Source } from '../cascade/sources';
import { declared, isHolding } from '../cascade/sources';
import type { Cell } from '../breakpoints/cells';
import type { Breakpoint } from '../breakpoints/breakpoint';
import type { StyleSet } from '../document/element';
import type { Page, Project } from '../document/project';
import { resolve } from '../cascade/resolve';
import { propertyNamed } from '../styles/properties';
import { checkValue } from '../styles/value';
import type { Wanted } from './fit';
import type { Carrier } from '../edits/owners';
import { carriersOf, withStyles } from '../edits/owners';

/** What one owner itself says of a property, cell by cell. */
export function spokenBy(breakpoints: readonly Breakpoint[], styles: StyleSet, property: string): Wanted {
  const sources: Source[] = declared(breakpoints, 'own', styles).filter(({ declarations }) => property in declarations);
  return ({ sample }) => sources.findLast((source) => isHolding(source, sample))?.declarations[property];
}

/** How a value that some winner gives is written down as a value of one's own. */
export function writtenOut(winner: Candidate | undefined, property: string): string {
  if (winner && !/^unset$/i.test(winner.value)) return winner.value;
  return propertyNamed(property).inherited ? 'inherit' : 'initial';
}

/**
 * What the layers below an owner say, cell by cell, written out; undefined where it isn't the same for all that carry
 * the owner's values.
 */
export function beneath(project: Project, ownerId: string, property: string): Wanted {
  let without: Project | undefined;
  let carriers: Carrier[] = [];
  return (cell) => {
    if (!without) {
      without = withStyles(project, new Map([[ownerId, {}]]));
      carriers = carriersOf(without, ownerId);
    }
    const now = without;
    const values = new Set(
      carriers.map(({ page, element }) => belowAt(now, page, element.id, ownerId, property, cell)),
    );
    const value = values.size === 1 ? [...values][0]! : undefined;
    return value !== undefined && isWritable(property, value) ? value : undefined;
  };
}

/** Some values that only browsers give can't be written by people. */
export function isWritable(property: string, value: string): boolean {
  const checked = checkValue(property, value);
  return checked.ok && checked.declarations[property] === value;
}

/** What an element would have without what stands at or above the owner's layer. */
function belowAt(
  project: Project,
  page: Page,
  elementId: string,
  ownerId: string,
  property: string,
  cell: Cell,
): string {
  const { origin, beaten } = resolve(project, page, elementId, property, cell.sample.width, cell.sample);
  const own = origin.kind === 'declared' && origin.element === elementId ? [origin.candidate] : [];
  const rank = rankOf(project, ownerId);
  const winner = [...own, ...beaten].find(
    (candidate) => !candidate.important && rankOfCandidate(project, candidate) < rank,
  );
  return writtenOut(winner, property);
}

/** Strength of a layer, and inside the shared styles of one of them. */
function rankOf(project: Project, ownerId: string): number {
  if (ownerId.startsWith('k')) return 3;
  if (ownerId.startsWith('s')) return 4 + project.shared.findIndex(({ id }) => id === ownerId);
  return Infinity;
}

function rankOfCandidate(project: Project, { layer, owner }: Candidate): number {
  if (layer === 'browser') return 0;
  if (layer === 'foundation') return 1;
  if (layer === 'imported') return 2;
  return layer === 'own' ? 1e9 : rankOf(project, owner ?? '');
}
