import type { At, Slice } from '../breakpoints';
import { BASE } from '../breakpoints';
import type { PageElement } from '../document/element';
import type { Project } from '../document/project';
import { requireElement } from '../edits/edit';
import type { StyleChange } from '../edits/restyle';
import { describeTarget } from '../edits/set-style';
import { listed, namedTogether } from './effect';
import type { Plan } from './plan';
import { PlanError, planValues, restyleEdit } from './plan';

const named = (properties: readonly string[]) => listed(namedTogether(properties));
const where = (project: Project, at: At) => (at === BASE ? 'the base' : describeTarget(project, at));

function elementsOf(project: Project, ids: readonly string[]): PageElement[] {
  return ids.map((id) => requireElement(project, id).element);
}

const whose = (elements: readonly PageElement[]) =>
  elements.length === 1 ? elements[0]!.name : `${elements.length} elements`;

function own(element: PageElement, at: At, properties: readonly string[] | undefined): [string, string][] {
  const declared = Object.entries(element.styles[at] ?? {});
  return properties ? declared.filter(([property]) => properties.includes(property)) : declared;
}

/** Clears own values at one place: the named properties, or all of them. */
export function planClear(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  at: At,
  properties?: readonly string[],
): Plan {
  const elements = elementsOf(project, ids);
  const changes = elements.flatMap((element) =>
    own(element, at, properties).map(([property]): StyleChange => ({ owner: element.id, at, property, value: null })),
  );
  if (changes.length === 0) throw new PlanError(`There is no own value at ${where(project, at)} to clear.`);
  const names = changes.map(({ property }) => property);
  const what = properties ? named(names) : `${changes.length === 1 ? 'the one value' : `all ${changes.length} values`}`;
  const sentence = `Clears ${what} of ${whose(elements)} at ${where(project, at)}.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}

/** Copies own values from one place to another: the named properties, or all of them. */
export function planCopy(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  from: At,
  to: At,
  properties?: readonly string[],
): Plan {
  const elements = elementsOf(project, ids);
  const changes = elements.flatMap((element) =>
    own(element, from, properties)
      .filter(([property, value]) => element.styles[to]?.[property] !== value)
      .map(([property, value]): StyleChange => ({ owner: element.id, at: to, property, value })),
  );
  if (changes.length === 0)
    throw new PlanError(`There is nothing at ${where(project, from)} that isn't at ${where(project, to)} already.`);
  const replaced = changes.filter(
    ({ owner, property }) => requireElement(project, owner).element.styles[to]?.[property] !== undefined,
  );
  const sentence = `Copies ${named(changes.map(({ property }) => property))} of ${whose(elements)} from ${where(project, from)} to ${where(project, to)}${replaced.length > 0 ? `, in place of ${replaced.length === 1 ? 'one value' : `${replaced.length} values`} there` : ''}.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}

/** Makes a breakpoint's own values the base's; other breakpoints keep theirs. */
export function planMakeBase(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  at: At,
  properties?: readonly string[],
): Plan {
  if (at === BASE) throw new PlanError('These are the values of the base already.');
  const elements = elementsOf(project, ids);
  const changes = elements.flatMap((element) =>
    own(element, at, properties).flatMap(([property, value]): StyleChange[] => [
      { owner: element.id, at: BASE, property, value },
      { owner: element.id, at, property, value: null },
    ]),
  );
  if (changes.length === 0) throw new PlanError(`There is no own value at ${where(project, at)}.`);
  const sentence = `Makes ${named(changes.map(({ property }) => property))} of ${whose(elements)} at ${where(project, at)} the base; other breakpoints keep what they have.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}

/** Writes a breakpoint's (or the base's) own values at every band: they become the base and nothing overrides them. */
export function planEverywhere(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  at: At,
  properties?: readonly string[],
): Plan {
  const elements = elementsOf(project, ids);
  const changes = elements.flatMap((element) =>
    own(element, at, properties).flatMap(([property, value]): StyleChange[] => [
      ...(element.styles[BASE]?.[property] === value
        ? []
        : [{ owner: element.id, at: BASE, property, value } as StyleChange]),
      ...Object.keys(element.styles)
        .filter((other) => other !== BASE && element.styles[other]![property] !== undefined)
        .map((other): StyleChange => ({ owner: element.id, at: other, property, value: null })),
    ]),
  );
  if (changes.length === 0) throw new PlanError('These values hold at every band already.');
  const sentence = `Writes ${named(changes.map(({ property }) => property))} of ${whose(elements)} as at ${where(project, at)} for every band, and takes away what other breakpoints say.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}

/** Clears, at all stronger places, what keeps a value written at one place from holding in all its bands. */
export function planClearStronger(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  at: At,
  properties: readonly string[],
): Plan {
  const place = (one: At) => project.breakpoints.findIndex(({ id }) => id === one);
  const elements = elementsOf(project, ids);
  const changes = elements.flatMap((element) =>
    Object.keys(element.styles)
      .filter((other) => place(other) > place(at))
      .flatMap((other) =>
        own(element, other, properties).map(([property]): StyleChange => ({
          owner: element.id,
          at: other,
          property,
          value: null,
        })),
      ),
  );
  if (changes.length === 0) throw new PlanError('Nothing stronger keeps a value of its own.');
  const places = listed([...new Set(changes.map((change) => where(project, change.at)))]);
  const sentence = `Clears ${named(changes.map(({ property }) => property))} of ${whose(elements)} at ${places}, so that ${where(project, at)} holds there too.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}
