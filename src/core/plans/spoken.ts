import type { Breakpoint } from '../breakpoints/breakpoint';
import type { Look } from '../cascade/look';
import { looksOf } from '../cascade/circumstances';
import { heldIn } from '../cascade/look';
import { elementOf } from '../cascade/root';
import { strengthOf, strengthOfSource } from '../cascade/strength';
import type { Source } from '../cascade/sources';
import { declared, isHolding, sourcesOf } from '../cascade/sources';
import type { StyleSet } from '../document/element';
import type { Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { carriersOf } from '../edits/owners';
import { propertyNamed } from '../styles/properties';
import { checkNewValue } from '../styles/value';
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
  const { pseudo } = splitPseudo(ownerId);
  let looks: readonly { readonly look: Look; readonly sources: readonly Source[] }[] | undefined;
  return ({ sample }) => {
    // Other states may hold as well: what is beneath has to be the same whichever do.
    looks ??= carriersOf(project, ownerId).flatMap(({ page, element }) =>
      looksOf(project, page, element.id, pseudo, property).map((look) => {
        const rank = strengthOf(project, ownerId, element.id);
        const sources = sourcesOf(look.project, look.page, elementOf(look.page, look.node), property).filter(
          (source) => !source.important && strengthOfSource(project, source) < rank && !(without && source.owner === without),
        );
        return { look, sources };
      }),
    );
    const values = new Set(
      looks.map(({ look, sources }) =>
        writtenOut(sources.findLast((source) => isHolding(source, heldIn(look, sample)))?.declarations[property], property),
      ),
    );
    const [value] = values;
    return values.size === 1 && isWritable(property, value!) ? value : undefined;
  };
}

/** Some values that only browsers give can't be written by people. */
export function isWritable(property: string, value: string): boolean {
  const checked = checkNewValue(property, value);
  return checked.ok && checked.declarations[property] === value;
}
