import { ownerKind } from '../document/owner';
import { partsInOrder } from '../document/parts';
import type { Project } from '../document/project';
import { readPseudo, splitPseudo, STATES } from '../document/pseudo';
import { splitShownId } from '../document/use';
import type { Source } from './sources';

/** More than there can be of layers at rest. */
const IN_STATE = 1e6;
const OWN = IN_STATE / 2;
/** More than there can be of shared styles. */
const PART = OWN / 2;

/**
 * How strong what an owner says is among all that an element can have: layers, and above all that is said of rest what is
 * said of states. Breakpoints decide inside of it.
 * @param of the element that has it; the owner itself where it isn't given
 */
export function strengthOf(project: Project, owner: string, of?: string): number {
  const { id, pseudo } = splitPseudo(owner);
  const kind = ownerKind(id);
  const inPart = kind === 'element' && of !== undefined && of !== id;
  const layer = inPart
    ? PART + placeOfPart(project, id)
    : kind === 'element'
      ? OWN
      : kind === 'kind'
        ? 3
        : 4 + project.shared.findIndex((one) => one.id === id);
  const { state } = readPseudo(pseudo);
  return state === undefined ? layer : IN_STATE + layer + (1 + STATES.indexOf(state)) / (1 + STATES.length);
}

/** A part is stronger than those that stand in it. */
const placeOfPart = (project: Project, owner: string) => {
  const { holder } = splitShownId(owner);
  return partsInOrder(project).findIndex(({ elements }) => holder in elements);
};

export function strengthOfSource(project: Project, source: Pick<Source, 'layer' | 'owner' | 'pseudo'>): number {
  const { layer, owner = '', pseudo = '' } = source;
  if (layer === 'browser') return 0;
  if (layer === 'foundation') return 1;
  if (layer === 'imported') return 2;
  if (layer === 'inline' || layer === 'alternates' || layer === 'panel') return Infinity;
  if (layer === 'part') return strengthOf(project, owner + pseudo, '');
  return strengthOf(project, (layer === 'own' ? 'e' : owner) + pseudo);
}
