import type { At, Slice } from '../breakpoints';
import { BASE } from '../breakpoints';
import type { StyleSet } from '../document/element';
import type { Project } from '../document/project';
import { ownerName, requireStyles } from '../edits/owners';
import type { ValueChange } from '../edits/value-writer';
import { describeTarget } from '../edits/set-style';
import { listed } from '../text';
import { namedTogether } from './effect';
import type { Plan } from './plan';
import { PlanError, planValues, restyleEdit } from './plan';

/** The own values of elements at one place: those of the named properties, or all of them. */
export interface OwnValues {
  readonly ids: readonly string[];
  readonly at: At;
  readonly properties?: readonly string[] | undefined;
}

/** An element, perhaps in a state or a box of it, with what is written there. */
interface Owned {
  readonly id: string;
  readonly name: string;
  readonly styles: StyleSet;
}

const ownValues = (project: Project, id: string): Owned => ({
  id,
  name: ownerName(project, id),
  styles: requireStyles(project, id),
});

interface Wish {
  /** What becomes of one value. */
  readonly change: (element: Owned, property: string, value: string) => readonly ValueChange[];
  /** Why nothing can be done where nothing changes. */
  readonly nothing: string;
  /** Of what (the properties), whose (the elements), and by which changes. */
  readonly sentence: (what: string, whose: string, changes: readonly ValueChange[]) => string;
}

const where = (project: Project, at: At) => (at === BASE ? 'the base' : describeTarget(project, at));

function planOwnValues(project: Project, slice: Slice, { ids, at, properties }: OwnValues, wish: Wish): Plan {
  const elements = ids.map((id) => ownValues(project, id));
  const changes = elements.flatMap((element) =>
    Object.entries(element.styles[at] ?? {}).flatMap(([property, value]) =>
      properties && !properties.includes(property) ? [] : wish.change(element, property, value),
    ),
  );
  if (changes.length === 0) throw new PlanError(wish.nothing);
  const what = listed(namedTogether(changes.map(({ property }) => property)));
  const whose = elements.length === 1 ? elements[0]!.name : `${elements.length} elements`;
  const sentence = wish.sentence(what, whose, changes);
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}

/** Clears the values. */
export function planClear(project: Project, slice: Slice, place: OwnValues): Plan {
  const { at, properties } = place;
  return planOwnValues(project, slice, place, {
    change: ({ id }, property) => [{ owner: id, at, property, value: null }],
    nothing: `There is no own value at ${where(project, at)} to clear.`,
    sentence: (what, whose, { length }) =>
      `Clears ${properties ? what : length === 1 ? 'the one value' : `all ${length} values`} of ${whose} at ${where(project, at)}.`,
  });
}

/** Copies the values to another place. */
export function planCopy(project: Project, slice: Slice, place: OwnValues, to: At): Plan {
  const from = where(project, place.at);
  return planOwnValues(project, slice, place, {
    change: ({ id, styles }, property, value) =>
      styles[to]?.[property] === value ? [] : [{ owner: id, at: to, property, value }],
    nothing: `There is nothing at ${from} that isn't at ${where(project, to)} already.`,
    sentence: (what, whose, changes) => {
      const there = changes.filter(({ owner, property }) => requireStyles(project, owner)[to]?.[property] !== undefined).length;
      const instead = there === 0 ? '' : `, in place of ${there === 1 ? 'one value' : `${there} values`} there`;
      return `Copies ${what} of ${whose} from ${from} to ${where(project, to)}${instead}.`;
    },
  });
}

/** Makes a breakpoint's values the base's; other breakpoints keep theirs. */
export function planMakeBase(project: Project, slice: Slice, place: OwnValues): Plan {
  const { at } = place;
  if (at === BASE) throw new PlanError('These are the values of the base already.');
  return planOwnValues(project, slice, place, {
    change: ({ id }, property, value) => [
      { owner: id, at: BASE, property, value },
      { owner: id, at, property, value: null },
    ],
    nothing: `There is no own value at ${where(project, at)}.`,
    sentence: (what, whose) =>
      `Makes ${what} of ${whose} at ${where(project, at)} the base; other breakpoints keep what they have.`,
  });
}

/** Writes the values at every band: they become the base and nothing overrides them. */
export function planEverywhere(project: Project, slice: Slice, place: OwnValues): Plan {
  return planOwnValues(project, slice, place, {
    change: ({ id, styles }, property, value) => [
      ...(styles[BASE]?.[property] === value ? [] : [{ owner: id, at: BASE, property, value }]),
      ...Object.keys(styles)
        .filter((other) => other !== BASE && styles[other]![property] !== undefined)
        .map((other) => ({ owner: id, at: other, property, value: null })),
    ],
    nothing: 'These values hold at every band already.',
    sentence: (what, whose) =>
      `Writes ${what} of ${whose} as at ${where(project, place.at)} for every band, and takes away what other breakpoints say.`,
  });
}

/** Clears, at all stronger places, what keeps a value written at one place from holding in all its bands. */
export function planClearStronger(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  at: At,
  properties: readonly string[],
): Plan {
  const rank = (one: At) => project.breakpoints.findIndex(({ id }) => id === one);
  const changes = ids.flatMap((owner) =>
    Object.entries(requireStyles(project, owner)).flatMap(([other, declarations]) =>
      rank(other) <= rank(at)
        ? []
        : Object.keys(declarations)
            .filter((property) => properties.includes(property))
            .map((property): ValueChange => ({ owner, at: other, property, value: null })),
    ),
  );
  if (changes.length === 0) throw new PlanError('Nothing stronger keeps a value of its own.');
  const places = listed([...new Set(changes.map((change) => where(project, change.at)))]);
  const whose = ids.length === 1 ? ownerName(project, ids[0]!) : `${ids.length} elements`;
  const sentence = `Clears ${listed(namedTogether(changes.map(({ property }) => property)))} of ${whose} at ${places}, so that ${where(project, at)} holds there too.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}
