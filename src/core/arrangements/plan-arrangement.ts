import type { At, Breakpoint, Slice } from '../breakpoints';
import { BASE } from '../breakpoints';
import type { Arranged } from '../document/arranged';
import { REMEMBERED_MOST } from '../document/arranged';
import { LIMITS } from '../document/limits';
import type { Page, Project } from '../document/project';
import { pageOf } from '../document/tree';
import { splitPseudo } from '../document/pseudo';
import { applyEdit } from '../edits/apply-edit';
import type { Edit } from '../edits/edit';
import { ownerName } from '../edits/owners';
import { describeEffect } from '../plans/effect';
import { freeName } from '../plans/lists';
import type { Plan } from '../plans/plan';
import { PlanError } from '../plans/plan';
import { plural } from '../text';
import type { Arrangement, Recognised, Wish } from './arrangement';
import { isForNarrow, isForWide } from './arrangement';
import { widestBelow, Work } from './work';

/** The places at which an arrangement can hold, the likeliest first; none where the project has no such breakpoint. */
export function placesFor(project: Project, { places }: Pick<Arrangement, 'places'>): readonly At[] {
  const { breakpoints } = project;
  const ids = (list: readonly Breakpoint[]) => list.map(({ id }) => id);
  if (places === 'everywhere') return [BASE];
  if (places === 'wide') return [...ids(breakpoints.filter(({ condition }) => isForWide(condition))), BASE];
  const narrow = breakpoints.filter(({ condition }) => isForNarrow(condition));
  const widest = widestBelow(project);
  // The one that reaches up furthest is usually not meant: what folds there folds on tablets too.
  return ids([...narrow].sort((a, b) => Number(a.id === widest) - Number(b.id === widest)));
}

/** What was recognised for each role, and which are still to be chosen by people. */
export function rolesOf(
  project: Project,
  tree: Page,
  id: string,
  arrangement: Arrangement,
): readonly { readonly id: string; readonly label: string; readonly needed: boolean; readonly is: Recognised }[] {
  const found = arrangement.recognise?.(project, tree, id) ?? {};
  return (arrangement.roles ?? []).map((role) => ({ ...role, is: found[role.id] ?? { among: [] } }));
}

/** A wish with what is usual where nothing was chosen. */
export function wholeWish(project: Project, tree: Page, id: string, arrangement: Arrangement, wish: Partial<Wish>): Wish {
  const roles = Object.fromEntries(
    rolesOf(project, tree, id, arrangement).flatMap((role) => {
      const is = wish.roles?.[role.id] ?? role.is.found;
      return is === undefined ? [] : [[role.id, is]];
    }),
  );
  const settings = Object.fromEntries(
    (arrangement.settings?.(project, tree, id) ?? []).map(({ id: one, choices }) => {
      const chosen = wish.settings?.[one];
      return [one, choices.some(([value]) => value === chosen) ? chosen! : (choices[0]?.[0] ?? '')];
    }),
  );
  return { at: wish.at ?? placesFor(project, arrangement)[0] ?? BASE, roles, settings, widths: wish.widths };
}

/**
 * Applies an arrangement to an element: ordinary elements and values, remembered with the way back.
 * @param treeId the page, or the part, in which it is kept
 * @param newId gives the rest of ids, up to 24 small letters and digits
 * @throws PlanError in words where it can't be applied, or where a role has to be chosen first
 */
export function planArrangement(
  project: Project,
  slice: Slice,
  treeId: string,
  id: string,
  arrangement: Arrangement,
  given: Partial<Wish>,
  newId: () => string,
): Plan {
  const tree = pageOf(project, treeId);
  const element = tree?.elements[id];
  if (!tree || !element) throw new PlanError('What was to be arranged has been removed.');
  const why = arrangement.whyNot(project, tree, id);
  if (why) throw new PlanError(why);
  const wish = wholeWish(project, tree, id, arrangement, given);
  const missing = rolesOf(project, tree, id, arrangement).find((role) => role.needed && wish.roles[role.id] === undefined);
  if (missing) throw new PlanError(`Choose which element is ${missing.label.toLowerCase()}: it can’t be told.`);
  if (!placesFor(project, arrangement).includes(wish.at))
    throw new PlanError(
      `It holds at a breakpoint for ${arrangement.places === 'wide' ? 'more' : 'less'} room, and there is none yet: add one first.`,
    );
  const work = new Work(project, treeId, newId);
  arrangement.make(work, id, wish);
  return remembered(project, slice, work, { id, name: element.name, kind: arrangement.id, title: arrangement.name }, newId);
}

interface About {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly title: string;
}

/** What was put together, as a plan that says what changes in which bands and that can be taken back whole. */
export function remembered(project: Project, slice: Slice, work: Work, about: About, newId: () => string): Plan {
  const label = `${about.title}: ${about.name}`.slice(0, 300);
  if (work.edits.length === 0) throw new PlanError(`${about.name} is arranged so already.`);
  const edit: Edit = { type: 'group', label, edits: work.edits };
  const { document, inverse } = applyEdit(project, edit);
  const back = JSON.stringify(inverse);
  const canBeKept = back.length <= REMEMBERED_MOST && project.arranged.length < LIMITS.arranged;
  const arranged: Arranged = {
    ...{ id: `v${newId()}`, kind: about.kind, node: about.id, back },
    name: freeName(
      project.arranged.map(({ name }) => name),
      label.slice(0, 70),
    ),
    ...(work.joins && { joins: work.joins }),
  };
  const { owners, properties, places } = work.written;
  const changed = [...owners].filter((owner) => holds(project, splitPseudo(owner).id));
  const made = countMade(project, document);
  return {
    edit: canBeKept ? { ...edit, edits: [...work.edits, { type: 'saveArranged', arranged }] } : edit,
    sentence: `${label}.`,
    details: [
      ...new Set([
        ...work.notes,
        ...(made > 0 ? [`${plural(made, 'element')} ${made === 1 ? 'is' : 'are'} added.`] : []),
        ...effects(project, document, changed, [...properties], slice, [...places]),
        ...(canBeKept ? [] : ['It is too much to be remembered: only undo takes it back.']),
      ]),
    ],
  };
}

/** What becomes of each element, those of which the same is to be said together. */
function effects(
  before: Project,
  after: Project,
  owners: readonly string[],
  properties: readonly string[],
  slice: Slice,
  places: readonly At[],
): readonly string[] {
  const said = new Map<string, string[]>();
  for (const owner of owners) {
    const lines = describeEffect(before, after, [owner], properties, slice, places);
    const name = ownerName(after, owner);
    for (const line of lines) if (line.includes(' becomes ')) said.set(line, [...(said.get(line) ?? []), name]);
  }
  return [...said].map(([line, names]) => `${namesOf(names)}, ${line}`);
}

const namesOf = ([first = '', second, ...rest]: readonly string[]): string =>
  second === undefined ? first : rest.length === 0 ? `${first} and ${second}` : `${first} and ${rest.length + 1} more`;

const holds = ({ pages, parts }: Project, id: string) => [...pages, ...parts].some(({ elements }) => id in elements);

const countMade = (before: Project, after: Project): number => {
  const count = ({ pages, parts }: Project) =>
    [...pages, ...parts].reduce((sum, { elements }) => sum + Object.keys(elements).filter((id) => !id.includes('.')).length, 0);
  return Math.max(0, count(after) - count(before));
};
