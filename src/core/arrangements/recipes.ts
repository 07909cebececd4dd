import type { Slice } from '../breakpoints';
import { childIds } from '../document/content';
import type { Recipe } from '../document/arranged';
import { htmlIdsOn, withHtmlIds } from '../document/html-ids';
import type { Page, Project } from '../document/project';
import { pageOf, parentOf } from '../document/tree';
import type { Edit } from '../edits/edit';
import { flattened } from '../edits/apply-edit';
import { readEdit } from '../edits/read-edit';
import type { Plan } from '../plans/plan';
import { PlanError } from '../plans/plan';
import { remembered } from './plan-arrangement';
import { Work } from './work';

/*
 * A recipe is what somebody did to one thing, with every element named by its way from that thing: "@0.2" is the third of its first,
 * "@" itself, "^" what it stands in, "+3" something new. Edits are data, so the same works for every kind of edit.
 */

type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json };

const SELF = '@';
const AROUND = '^';
const PAGE = '@page';

/** The way from an element to each in it, by id. */
function waysIn(tree: Page, top: string): ReadonlyMap<string, string> {
  const ways = new Map([[top, SELF]]);
  const visit = (id: string, way: string) => {
    childIds(tree.elements[id]!).forEach((child, i) => {
      if (child.includes('.')) return;
      const its = way === SELF ? `${SELF}${i}` : `${way}.${i}`;
      ways.set(child, its);
      visit(child, its);
    });
  };
  visit(top, SELF);
  return ways;
}

/** The same JSON with other strings, keys among them. */
function renamed(value: Json, rename: (text: string) => string): Json {
  if (typeof value === 'string') return rename(value);
  if (Array.isArray(value)) return value.map((one: Json) => renamed(one, rename));
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [rename(key), renamed(one, rename)]));
  return value;
}

/** An id of an element, whole or with what stands behind it: a state, a box, a place in a part. */
const PARTS = /^(e[a-z0-9]{1,24})((?:\.e[a-z0-9]{1,24})*)(:.*)?$/;

/** The ids that edits bring in: of elements, of sets of alternates. */
function broughtIn(edits: readonly Edit[]): readonly string[] {
  const fresh: string[] = [];
  for (const edit of edits) {
    if (edit.type === 'insertElement') fresh.push(...edit.elements.map(({ id }) => id));
    if (edit.type === 'duplicateElement') fresh.push(...Object.values(edit.ids));
    if (edit.type === 'setAlternate' && edit.alternate) fresh.push(edit.alternate.set);
  }
  return [...new Set(fresh)];
}

const htmlIdsIn = (edits: readonly Edit[]): readonly string[] =>
  edits.flatMap((edit) => {
    if (edit.type === 'setAttribute') return edit.name === 'id' && edit.value !== null ? [edit.value] : [];
    return edit.type === 'insertElement' ? edit.elements.flatMap(({ attributes }) => attributes.id ?? []) : [];
  });

/**
 * What was done to an element as a recipe. Edits of anything else than it, what stands in it and where it stands make none.
 * @param before the tree as it was before
 * @throws PlanError in words
 */
export function recipeOf(before: Page, top: string, done: readonly Edit[], name: string, id: string): Recipe {
  const element = before.elements[top];
  if (!element) throw new PlanError('What was recorded has been removed.');
  const edits = done.flatMap((edit) => (edit.type === 'group' ? flattened(edit) : [edit]));
  if (edits.length === 0) throw new PlanError(`Nothing was done to ${element.name} yet.`);
  const ways = new Map(waysIn(before, top));
  const around = parentOf(before, top)?.id;
  if (around !== undefined) ways.set(around, AROUND);
  broughtIn(edits).forEach((one, i) => ways.has(one) || ways.set(one, `+${i}`));
  const htmlIds = new Map([...new Set(htmlIdsIn(edits))].map((one, i) => [one, `+html${i}`]));
  const elsewhere = new Set<string>();
  const rename = (text: string): string => {
    if (text === before.id) return PAGE;
    const set = ways.get(text);
    if (set !== undefined) return set;
    const [, own = '', inside = '', rest = ''] = PARTS.exec(text) ?? [];
    const way = ways.get(own);
    if (way !== undefined) return `${way}${inside}${rest}`;
    if (own && own in before.elements) elsewhere.add(before.elements[own]!.name);
    return text;
  };
  const made = edits
    .map((edit) => relative(before, top, around, edit))
    .map((edit) => renamed(withNewHtmlIds(edit, htmlIds) as Json, rename));
  if (elsewhere.size > 0)
    throw new PlanError(
      `${[...elsewhere].slice(0, 3).join(', ')} was changed as well, which doesn’t stand in ${element.name}: a recipe is about one thing.`,
    );
  const text = JSON.stringify(made);
  const shape = Object.fromEntries(
    [...ways].flatMap(([one, way]) =>
      way.startsWith(SELF) && (way === SELF || text.includes(`"${way}`)) ? [[way, before.elements[one]!.tag]] : [],
    ),
  );
  return { id, name, shape, edits: text };
}

/** HTML ids that came in with edits, wherever they are spoken of, by a sign: each time they are others. */
function withNewHtmlIds(edit: Record<string, unknown>, ids: ReadonlyMap<string, string>): unknown {
  const single = edit as unknown as Edit;
  if (single.type === 'setAttribute' && single.value !== null)
    return { ...edit, value: withHtmlIds({ [single.name]: single.value }, ids)[single.name] };
  if (single.type !== 'insertElement') return edit;
  return { ...edit, elements: single.elements.map((one) => ({ ...one, attributes: withHtmlIds(one.attributes, ids) })) };
}

/** Places beside the thing are counted from it. */
function relative(before: Page, top: string, around: string | undefined, edit: Edit): Record<string, unknown> {
  if ((edit.type !== 'insertElement' && edit.type !== 'moveElement') || edit.parent !== around) return { ...edit };
  const { after: _, ...rest } = edit as typeof edit & { readonly after?: unknown };
  const siblings = childIds(before.elements[around]!);
  return { ...rest, index: `rel:${(edit.index ?? siblings.length) - siblings.indexOf(top)}` };
}

/** The element to which a way leads from another; undefined where there is none. */
function elementAt(tree: Page, top: string, way: string): string | undefined {
  return way
    .slice(1)
    .split('.')
    .filter((step) => step !== '')
    .reduce<string | undefined>((id, step) => id && childIds(tree.elements[id]!)[Number(step)], top);
}

/** Why a recipe can't be followed on an element; undefined where it can. */
export function whyNotLike(tree: Page, id: string, { shape, name }: Recipe): string | undefined {
  for (const [way, tag] of Object.entries(shape)) {
    const found = elementAt(tree, id, way);
    const is = found === undefined ? undefined : tree.elements[found];
    if (!is)
      return `${tree.elements[id]!.name} isn’t built like what ${name} was made on: it has no <${tag}> at ${inWords(way)}.`;
    if (is.tag !== tag) return `${is.name} is a <${is.tag}>, and ${name} was made on a <${tag}> there.`;
  }
  return undefined;
}

const inWords = (way: string) =>
  way === SELF
    ? 'the top'
    : `place ${way
        .slice(1)
        .split('.')
        .map((step) => Number(step) + 1)
        .join(', ')}`;

/**
 * Does what a recipe says to an element like the one that it was made on.
 * @throws PlanError where it isn't like it, EditError where something can't be done there
 */
export function planRecipe(
  project: Project,
  slice: Slice,
  treeId: string,
  id: string,
  recipe: Recipe,
  newId: () => string,
): Plan {
  const tree = pageOf(project, treeId);
  const element = tree?.elements[id];
  if (!tree || !element) throw new PlanError('What was to be arranged has been removed.');
  const why = whyNotLike(tree, id, recipe);
  if (why) throw new PlanError(why);
  const around = parentOf(tree, id);
  const fresh = new Map<string, string>();
  const taken = new Set(htmlIdsOn(tree));
  const freshFor = (sign: string): string => {
    let made = fresh.get(sign);
    if (made === undefined) {
      made = sign.startsWith('+html') ? freeHtmlId(taken) : `e${newId()}`;
      fresh.set(sign, made);
    }
    return made;
  };
  const place = around ? childIds(around).indexOf(id) : 0;
  const rename = (text: string): string => {
    if (text === PAGE) return tree.id;
    if (text === AROUND) return around?.id ?? text;
    const [, hash = '', sign = '', rest = ''] = /^(#?)(\+(?:html)?\d+)(.*)$/.exec(text) ?? [];
    if (sign) return `${hash}${freshFor(sign)}${rest}`;
    const [, way = '', inside = ''] = /^(@(?:\d+(?:\.\d+)*)?)((?:\.e|:).*)?$/.exec(text) ?? [];
    return way ? `${elementAt(tree, id, way) ?? text}${inside}` : text;
  };
  const work = new Work(project, treeId, newId);
  for (const raw of JSON.parse(recipe.edits) as Json[]) {
    const edit = readEdit(withSets(placedAt(renamed(raw, rename), place), newId, fresh));
    if (edit.type === 'addBreakpoint' && project.breakpoints.some((one) => one.id === edit.breakpoint.id)) continue;
    work.do(edit);
  }
  return remembered(project, slice, work, { id, name: element.name, kind: recipe.id, title: recipe.name }, newId);
}

/** A set of alternates is named otherwise than an element. */
function withSets(edit: Json, newId: () => string, fresh: Map<string, string>): Json {
  if (typeof edit !== 'object' || edit === null || Array.isArray(edit)) return edit;
  const { alternate } = edit as { readonly alternate?: Json };
  if (typeof alternate !== 'object' || alternate === null || Array.isArray(alternate)) return edit;
  const { set } = alternate as { readonly set: string };
  if (!set.startsWith('e')) return edit;
  const known = fresh.get(`set ${set}`) ?? `h${newId()}`;
  fresh.set(`set ${set}`, known);
  return { ...edit, alternate: { ...alternate, set: known } };
}

function placedAt(edit: Json, place: number): Json {
  if (typeof edit !== 'object' || edit === null || Array.isArray(edit)) return edit;
  const { index } = edit as { readonly index?: Json };
  return typeof index === 'string' && index.startsWith('rel:')
    ? { ...edit, index: Math.max(0, place + Number(index.slice(4))) }
    : edit;
}

function freeHtmlId(taken: Set<string>): string {
  for (let n = 1; ; n++) {
    const id = `arranged-${n}`;
    if (taken.has(id)) continue;
    taken.add(id);
    return id;
  }
}
