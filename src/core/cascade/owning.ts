import type { PageElement } from '../document/element';
import { kindOf } from '../document/kinds';
import type { Project } from '../document/project';
import type { Pseudo, State } from '../document/pseudo';
import { isUsed, pseudoOf, readPseudo, splitPseudo, STATES } from '../document/pseudo';
import type { Styled } from '../document/style-sets';
import type { Layer, Source } from './source';
import { declared } from './source';

/** One of those whose values an element has, weakest first: its kind, its shared styles, its parts, itself. */
export interface Owning extends Styled {
  readonly layer: Layer;
  readonly owner?: string;
}

const kindSets = new WeakMap<Project['kinds'], Map<string, Owning>>();

function kindOwning(project: Project, kind: string): Owning {
  let known = kindSets.get(project.kinds);
  if (!known) kindSets.set(project.kinds, (known = new Map()));
  let owning = known.get(kind);
  if (!owning) {
    const pseudo = Object.entries(project.kinds).flatMap(([key, styles]) => {
      const { id, pseudo } = splitPseudo(key);
      return id === kind && pseudo !== '' ? [[pseudo, styles] as const] : [];
    });
    const styles = project.kinds[kind] ?? {};
    owning = { layer: 'kind', owner: kind, styles, ...(pseudo.length > 0 && { pseudo: Object.fromEntries(pseudo) }) };
    known.set(kind, owning);
  }
  return owning;
}

/** Whether it is an owner that says something of an element: the element itself, or one of those whose values it has. */
export const isSaidBy = ({ layer, owner }: Pick<Source, 'layer' | 'owner'>, id: string, element: PageElement): boolean =>
  layer === 'own' ? element.id === id : owner === id;

export function ownersOf(project: Project, element: PageElement): Owning[] {
  const kind = kindOf(element);
  const owners = kind ? [kindOwning(project, kind.id)] : [];
  if (element.shared.length > 0)
    for (const { id, styles, pseudo } of project.shared)
      if (element.shared.includes(id)) owners.push({ layer: 'shared', owner: id, styles, ...(pseudo && { pseudo }) });
  for (const layer of element.layers ?? []) owners.push({ layer: 'part', ...layer });
  owners.push({ layer: 'own', styles: element.styles, ...(element.pseudo && { pseudo: element.pseudo }) });
  return owners;
}

/**
 * Adds what owners say of states, and of a box: it beats what they say of rest, since a state is as specific as a class
 * more (Selectors 4, 17). Among states the layers come first, then their order, then breakpoints.
 * @param at the box that is asked about, with its colons; empty for the element itself
 */
export function addStates(
  list: Source[],
  project: Project,
  owners: readonly Owning[],
  carrier: PageElement,
  at: Pseudo,
  states: readonly State[],
): void {
  const { box } = readPseudo(at);
  const said: Source[] = [];
  const of = (owning: Owning, state: State | undefined) => {
    const pseudo = pseudoOf({ ...(state && { state }), ...(box && { box }) });
    const styles = owning.pseudo?.[pseudo];
    if (!styles || (state && !isUsed(state) && !states.includes(state))) return;
    const held = state && isUsed(state) ? { held: { element: carrier.id, state } } : {};
    for (const source of declared(project.breakpoints, owning.layer, styles, owning.owner))
      said.push({ ...source, pseudo, ...held });
  };
  if (owners.every(({ pseudo }) => pseudo === undefined)) return;
  if (box) for (const owning of owners) of(owning, undefined);
  for (const owning of owners) for (const state of STATES) of(owning, state);
  const strongest = list.findIndex(({ important }) => important);
  list.splice(strongest < 0 ? list.length : strongest, 0, ...said);
}
