import type { Breakpoint } from '../breakpoints/breakpoint';
import type { Source } from '../cascade/sources';
import { declared, isHolding, sourcesOf } from '../cascade/sources';
import type { StyleSet } from '../document/element';
import { ownerKind } from '../document/owner';
import type { Project } from '../document/project';
import { carriersOf } from '../edits/owners';
import { propertyNamed } from '../styles/properties';
import { checkValue } from '../styles/value';
import type { Wanted } from './fit';

/** What one owner itself says of a property, cell by cell. */
export function spokenBy(breakpoints: readonly Breakpoint[], styles: StyleSet, property: string): Wanted {
  const sources: Source[] = declared(breakpoints, 'own', styles).filter(({ declarations }) => property in declarations);
  return ({ sample }) => sources.findLast((source) => isHolding(source, sample))?.declarations[property];
}

/** How a value that some winner gives is written down as a value of one's own. */
export function writtenOut(value: string | undefined, property: string): string {
  if (value !== undefined && !/^unset$/i.test(value)) return value;
  return propertyNamed(property).inherited ? 'inherit' : 'initial';
}

/**
 * What the layers below an owner say, cell by cell, written out; undefined where it isn't the same for all that carry
 * the owner's values, or can't be written by people.
 * @param without a shared style to leave aside as well
 */
export function beneath(project: Project, ownerId: string, property: string, without?: string): Wanted {
  const rank = rankOf(project, ownerId);
  let carriers: readonly (readonly Source[])[] | undefined;
  return ({ sample }) => {
    carriers ??= carriersOf(project, ownerId).map(({ page, element }) =>
      sourcesOf(project, page, element, property).filter(
        (source) => !source.important && rankOfSource(project, source) < rank && !(without && source.owner === without),
      ),
    );
    const values = new Set(
      carriers.map((sources) =>
        writtenOut(sources.findLast((source) => isHolding(source, sample))?.declarations[property], property),
      ),
    );
    const [value] = values;
    return values.size === 1 && isWritable(property, value!) ? value : undefined;
  };
}

/** Some values that only browsers give can't be written by people. */
export function isWritable(property: string, value: string): boolean {
  const checked = checkValue(property, value);
  return checked.ok && checked.declarations[property] === value;
}

/** Strength of a layer, and inside the shared styles of one of them. */
function rankOf(project: Project, ownerId: string): number {
  const kind = ownerKind(ownerId);
  if (kind === 'element') return Infinity;
  return kind === 'kind' ? 3 : 4 + project.shared.findIndex(({ id }) => id === ownerId);
}

function rankOfSource(project: Project, { layer, owner }: Source): number {
  if (layer === 'browser') return 0;
  if (layer === 'foundation') return 1;
  if (layer === 'imported') return 2;
  return layer === 'own' ? Infinity : rankOf(project, owner ?? '');
}
