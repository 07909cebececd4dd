import type { Page, Project } from '../document/project';
import type { Pseudo, State, UsedState } from '../document/pseudo';
import { isUsed, readPseudo, STATES } from '../document/pseudo';
import { CAN_BE_DISABLED } from '../document/states';
import { ancestorsOf } from '../document/tree';
import type { Look } from './look';
import { inDocumentState, lookOf } from './look';
import { ownersOf } from './owning';
import { elementOf } from './root';
import { sourcesOf } from './sources';

/** Further states that hold at the same time as the one that is asked about. */
export interface Circumstance {
  /** What the document says besides. */
  readonly document: State | undefined;
  readonly used: readonly UsedState[];
}

const TOGETHER: readonly (readonly UsedState[])[] = [
  [],
  ['hover'],
  ['focus-visible'],
  ['hover', 'focus-visible'],
  ['hover', 'active'],
  ['hover', 'focus-visible', 'active'],
];
const ALL: readonly Circumstance[] = [undefined, ...STATES.filter((state) => !isUsed(state))].flatMap((document) =>
  TOGETHER.map((used) => ({ document, used })),
);

/**
 * Under which circumstances has to be asked to learn what is written of a property for a state can come to: other states
 * may hold at the same time, and show what it hid. What is written for rest comes to something else only where it covers
 * what browsers or imported sheets say of states. The same object for the same circumstance, whatever is asked about.
 */
export function circumstancesOf(
  project: Project,
  page: Page,
  elementId: string,
  pseudo: Pseudo,
  property: string,
): readonly Circumstance[] {
  const { state } = readPseudo(pseudo);
  const element = page.elements[elementId]!;
  const said = new Set<State | undefined>(CAN_BE_DISABLED.has(element.tag) ? [undefined, 'disabled'] : [undefined]);
  if (state !== undefined)
    for (const { pseudo: own } of ownersOf(project, element)) for (const key in own) said.add(readPseudo(key as Pseudo).state);
  const covers = () =>
    sourcesOf(project, page, elementOf(page, elementId + pseudo), property).some(
      ({ layer, held, holds }) => (held ?? holds) && (layer === 'browser' || layer === 'imported'),
    );
  const together =
    state !== undefined
      ? TOGETHER.filter((used) => !isUsed(state) || used.includes(state))
      : covers()
        ? TOGETHER
        : [TOGETHER[0]!];
  return ALL.filter(
    ({ document, used }) => said.has(document) && (document === undefined || document !== state) && together.includes(used),
  );
}

/** @param pseudo what is asked about: a state, a box, both, or nothing for the element at rest */
export function lookUnder(
  project: Project,
  page: Page,
  elementId: string,
  pseudo: Pseudo,
  { document, used }: Circumstance,
): Look {
  const asked = lookOf(project, page, elementId, pseudo);
  const look = document === undefined ? asked : inDocumentState(project, page, asked, elementId, document);
  if (used.length === 0) return look;
  return { ...look, held: { element: elementId, states: used, around: ancestorsOf(page, elementId).map(({ id }) => id) } };
}

/** What has to be asked under all those circumstances. */
export const looksOf = (project: Project, page: Page, elementId: string, pseudo: Pseudo, property: string): readonly Look[] =>
  circumstancesOf(project, page, elementId, pseudo, property).map((one) => lookUnder(project, page, elementId, pseudo, one));
