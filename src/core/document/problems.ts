import type { ZodType } from 'zod';
import { hasCycle } from '../breakpoints/breakpoint';
import { elementSchema } from './element';
import { expanded, kept } from './expand';
import { LIMITS } from './limits';
import { partsProblem } from './part-problems';
import type { Page, Project } from './project';
import { pageSchema, partFieldsSchema, projectSchema } from './project';
import { pageOf, treesOf } from './tree';
import type { Names, Problem } from './tree-problems';
import { at, isLost, namesIn, referencesProblem, shownProblem, structureProblem } from './tree-problems';
import { changedIds, holdSame } from './versions';

/*
 * What a document must be besides having the right fields. Reading a stored document, and every edit before it counts,
 * ask the same functions; after an edit only what differs is looked at.
 */

type Refused = { readonly issues: readonly { readonly message: string; readonly path: readonly PropertyKey[] }[] };

function firstOf({ issues }: Refused, ...before: PropertyKey[]): Problem {
  return { message: issues[0]!.message, path: [...before, ...issues[0]!.path] };
}

const LISTS = [
  'breakpoints',
  'devices',
  'deviceSets',
  'sheets',
  'shared',
  'pictures',
  'blocks',
  'grids',
  'parts',
  'tables',
  'arranged',
  'recipes',
  'pages',
] as const;
type List = (typeof LISTS)[number];
const LIST_WORDS: Readonly<Record<List, string>> = {
  breakpoints: 'breakpoints',
  devices: 'devices',
  deviceSets: 'sets of devices',
  sheets: 'style sheets',
  shared: 'shared styles',
  pictures: 'pictures',
  blocks: 'blocks',
  grids: 'grids',
  parts: 'parts',
  tables: 'tables',
  arranged: 'applied arrangements',
  recipes: 'recipes',
  pages: 'pages',
};
/** Fields besides the id that no two entries of a list may share, and what the field is called. */
const UNIQUE: Readonly<Partial<Record<List, readonly (readonly [field: string, word: string])[]>>> = {
  devices: [['name', 'name']],
  deviceSets: [['name', 'name']],
  grids: [['name', 'name']],
  tables: [['name', 'name']],
  arranged: [['name', 'name']],
  recipes: [['name', 'name']],
  pictures: [['fileName', 'file name']],
  pages: [['slug', 'file name']],
};

function listProblem(project: Project, list: List): Problem | undefined {
  const entries = project[list] as readonly object[];
  for (const [field, word] of [['id', 'id'], ...(UNIQUE[list] ?? [])] as const) {
    const values = entries.map((entry) => (entry as Record<string, unknown>)[field]);
    const twice = values.findIndex((value, index) => values.indexOf(value) !== index);
    if (twice >= 0) return at(`Two ${LIST_WORDS[list]} have the same ${word}: ${String(values[twice])}.`, list, twice);
  }
  return undefined;
}

/** What all of a project but its pages say of each other. */
function listsProblem(project: Project): Problem | undefined {
  for (const list of LISTS) {
    const problem = listProblem(project, list);
    if (problem) return problem;
  }
  const names = namesIn(project);
  for (const { name, also = [] } of project.breakpoints)
    if (also.some((id) => !names.breakpoints.has(id)))
      return at(`"${name}" takes over from a breakpoint that isn't there.`, 'breakpoints');
  if (hasCycle(project.breakpoints)) return at('Breakpoints take over from each other in a circle.', 'breakpoints');
  for (const { name, ...styled } of project.shared)
    if (isLost(styled, names)) return at(`The shared style "${name}" has values under a breakpoint that isn't there.`, 'shared');
  if (Object.values(project.kinds).some((styles) => isLost({ styles }, names)))
    return at("A kind has values under a breakpoint that isn't there.", 'kinds');
  return partsProblem(project);
}

/** The first element that stands on two pages. */
function sharedElement(project: Project): string | undefined {
  const seen = new Set<string>();
  for (const page of treesOf(project))
    for (const id in page.elements) {
      if (seen.has(id)) return id;
      seen.add(id);
    }
  return undefined;
}

/** What is wrong with a document whose fields are as the schemas want them; undefined when nothing is. */
export function projectProblem(project: Project): Problem | undefined {
  const problem = listsProblem(project);
  if (problem) return problem;
  const names = namesIn(project);
  const shown = expanded(project);
  for (const [index, page] of project.pages.entries()) {
    const structure = structureProblem(page) ?? shownProblem(project, page, shown.pages[index]!);
    if (structure) return within(structure, page, index);
    for (const element of Object.values(page.elements)) {
      const message = referencesProblem(element, names);
      if (message) return at(message, 'pages', index, 'elements', element.id);
    }
  }
  const twice = treesOf(project).length > 1 ? sharedElement(project) : undefined;
  return twice === undefined ? undefined : at(`An element stands on two pages (${twice}).`, 'pages');
}

const within = ({ message, path }: Problem, page: Page, index: number) =>
  at(`On ${page.name}: ${message}`, 'pages', index, ...path);

/**
 * What is wrong with a document that came of one that was in order; undefined when nothing is. Looks only at what
 * differs (by identity), and says the same as reading the whole document would.
 */
export function changedProblem(before: Project, after: Project): Problem | undefined {
  return keptProblem(kept(before), kept(after));
}

function keptProblem(before: Project, after: Project): Problem | undefined {
  const { pages: was, ...restBefore } = before;
  const { pages: is, ...rest } = after;
  const changed = (Object.keys(rest) as (keyof typeof rest)[]).filter((key) => rest[key] !== restBefore[key]);
  // Of parts only what differs is read, as of pages.
  for (const key of changed.filter((one) => one !== 'parts')) {
    const read = projectSchema.shape[key].safeParse(rest[key]);
    if (!read.success) return firstOf(read.error, key);
  }
  const tooMany = rest.parts.length > LIMITS.parts ? at(`A project has at most ${LIMITS.parts} parts.`, 'parts') : undefined;
  const problem =
    tooMany ??
    changedPart(restBefore.parts, rest.parts) ??
    (changed.length > 0 || was.length !== is.length ? listsProblem(after) : undefined);
  if (problem) return problem;
  // What elements name can have gone from under those that didn't change.
  const named =
    changed.some((key) => key === 'breakpoints' || key === 'shared' || key === 'pictures') || otherParts(before, after);
  // What lists show, and how much of it, can be otherwise under pages that didn't change.
  const fed = changed.includes('tables');
  const names = namesIn(after);
  const old = new Map(treesOf(before).map((tree) => [tree.id, tree]));
  const [shownBefore, shown] = [expanded(before), expanded(after)];
  for (const [index, page] of is.entries()) {
    const earlier = old.get(page.id);
    if (earlier === page && !named && !fed) continue;
    const isShown = shown.pages[index]!;
    const differs =
      pageChange(earlier, page, names, named) ??
      (hasMoved(pageOf(shownBefore, page.id), isShown) ? shownProblem(after, page, isShown) : undefined);
    if (differs) return within(differs, page, index);
  }
  const all = treesOf(after);
  const grown = all.some((tree) => old.get(tree.id)?.elements !== tree.elements && hasNewIds(old.get(tree.id), tree));
  const twice = grown && all.length > 1 ? sharedElement(after) : undefined;
  return twice === undefined ? undefined : at('An element with this id is there already.', 'pages');
}

const NONE: Page['elements'] = {};

function changedPart(before: Project['parts'], after: Project['parts']): Problem | undefined {
  if (before === after) return undefined;
  const old = new Map(before.map((part) => [part.id, part]));
  for (const [index, part] of after.entries()) {
    const earlier = old.get(part.id);
    if (earlier === part) continue;
    const problem = fieldsProblem(partFieldsSchema, part) ?? elementsProblem(earlier, part);
    if (problem) return at(`In part ${part.name}: ${problem.message}`, 'parts', index, ...problem.path);
  }
  return undefined;
}

function fieldsProblem(schema: ZodType, { elements: _, ...fields }: Page): Problem | undefined {
  const read = schema.safeParse(fields);
  return read.success ? undefined : firstOf(read.error);
}

function elementsProblem(before: Page | undefined, after: Page): Problem | undefined {
  for (const id of changedIds(before?.elements ?? NONE, after.elements)) {
    const element = after.elements[id];
    const read = element && elementSchema.safeParse(element);
    if (read && !read.success) return firstOf(read.error, 'elements', id);
  }
  return undefined;
}

const hasNewIds = (before: Page | undefined, after: Page) =>
  changedIds(before?.elements ?? NONE, after.elements).some((id) => id in after.elements && !(id in (before?.elements ?? NONE)));

/** Whether parts came, went, or have a top of another tag: what uses say of them may be wrong then. */
function otherParts(before: Project, after: Project): boolean {
  if (before.parts === after.parts) return false;
  const [was, is] = [namesIn(before).parts, namesIn(after).parts];
  return was.size !== is.size || [...was].some(([id, tag]) => !is.has(id) || is.get(id) !== tag);
}

/** Whether elements came, went or stand elsewhere. */
const hasMoved = (before: Page | undefined, after: Page) =>
  before !== after &&
  changedIds(before?.elements ?? NONE, after.elements).some((id) => !holdSame(before?.elements[id], after.elements[id]));

function pageChange(before: Page | undefined, after: Page, names: Names, named: boolean): Problem | undefined {
  const differs = before === after ? undefined : (fieldsProblem(pageFieldsSchema, after) ?? elementsProblem(before, after));
  if (differs) return differs;
  const was = before?.elements ?? NONE;
  let moved = before?.root !== after.root;
  const changed = changedIds(was, after.elements);
  for (const id of changed) {
    const [earlier, element] = [was[id], after.elements[id]];
    moved ||= earlier?.tag !== element?.tag || earlier?.id !== element?.id || !holdSame(earlier, element);
  }
  for (const id of named ? Object.keys(after.elements) : changed) {
    const element = after.elements[id];
    const message = element && referencesProblem(element, names);
    if (message) return at(message, 'elements', id);
  }
  return moved ? structureProblem(after) : undefined;
}

const pageFieldsSchema = pageSchema.omit({ elements: true });
