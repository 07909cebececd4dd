import { BASE, hasCycle } from '../breakpoints/breakpoint';
import type { PageElement } from './element';
import { elementSchema } from './element';
import { picturesShown } from './html';
import { LIMITS } from './limits';
import type { Page, Project } from './project';
import { pageSchema, projectSchema } from './project';
import type { Styled } from './style-sets';
import { styleSetsOf } from './style-sets';
import { filedTreesProblem } from './trees';
import { changedIds, holdSame } from './versions';

/*
 * What a document must be besides having the right fields. Reading a stored document, and every edit before it counts,
 * ask the same functions; after an edit only what differs is looked at.
 */

/** A sentence, and where in the document. */
export interface Problem {
  readonly message: string;
  readonly path: readonly PropertyKey[];
}

const at = (message: string, ...path: PropertyKey[]): Problem => ({ message, path });

type Refused = { readonly issues: readonly { readonly message: string; readonly path: readonly PropertyKey[] }[] };

function firstOf({ issues }: Refused, ...before: PropertyKey[]): Problem {
  return { message: issues[0]!.message, path: [...before, ...issues[0]!.path] };
}

const LISTS = ['breakpoints', 'devices', 'deviceSets', 'sheets', 'shared', 'pictures', 'blocks', 'grids', 'pages'] as const;
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
  pages: 'pages',
};
/** Fields besides the id that no two entries of a list may share, and what the field is called. */
const UNIQUE: Readonly<Partial<Record<List, readonly (readonly [field: string, word: string])[]>>> = {
  devices: [['name', 'name']],
  deviceSets: [['name', 'name']],
  grids: [['name', 'name']],
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

/** What the parts of a project that aren't pages say of each other. */
function partsProblem(project: Project): Problem | undefined {
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
  return undefined;
}

/** The ids that elements may name. */
interface Names {
  readonly breakpoints: ReadonlySet<string>;
  readonly shared: ReadonlySet<string>;
  readonly pictures: ReadonlySet<string>;
}

const ids = (list: readonly { readonly id: string }[]) => new Set(list.map(({ id }) => id));

const namesIn = ({ breakpoints, shared, pictures }: Project): Names => ({
  breakpoints: ids(breakpoints).add(BASE),
  shared: ids(shared),
  pictures: ids(pictures),
});

const isLost = (styled: Styled, { breakpoints }: Names) =>
  styleSetsOf(styled).some(([, styles]) => Object.keys(styles).some((key) => !breakpoints.has(key)));

/** What an element names that isn't there. */
function referencesProblem(element: PageElement, names: Names): string | undefined {
  if (isLost(element, names)) return `"${element.name}" has values under a breakpoint that isn't there.`;
  if (element.shared.length > LIMITS.carried) return `An element carries at most ${LIMITS.carried} shared styles.`;
  if (element.shared.some((id) => !names.shared.has(id))) return `"${element.name}" carries a shared style that isn't there.`;
  for (const id of picturesShown(element.attributes).values())
    if (!names.pictures.has(id)) return `"${element.name}" shows a picture that isn't there.`;
  return undefined;
}

function structureProblem({ elements, root }: Page): Problem | undefined {
  let count = 0;
  for (const id in elements) {
    count++;
    if (elements[id]!.id !== id) return at(`The element ${id} is filed under another id.`, 'elements', id);
  }
  if (count > LIMITS.elements) return at(`A page has at most ${LIMITS.elements} elements.`, 'elements');
  if (elements[root]?.tag !== 'body') return at('A page begins with <body>.', 'root');
  const problem = filedTreesProblem(elements, count, [root]);
  return problem === undefined ? undefined : at(problem, 'elements');
}

/** The first element that stands on two pages. */
function sharedElement(project: Project): string | undefined {
  const seen = new Set<string>();
  for (const page of project.pages)
    for (const id in page.elements) {
      if (seen.has(id)) return id;
      seen.add(id);
    }
  return undefined;
}

/** What is wrong with a document whose fields are as the schemas want them; undefined when nothing is. */
export function projectProblem(project: Project): Problem | undefined {
  const problem = partsProblem(project);
  if (problem) return problem;
  const names = namesIn(project);
  for (const [index, page] of project.pages.entries()) {
    const structure = structureProblem(page);
    if (structure) return within(structure, page, index);
    for (const element of Object.values(page.elements)) {
      const message = referencesProblem(element, names);
      if (message) return at(message, 'pages', index, 'elements', element.id);
    }
  }
  const twice = project.pages.length > 1 ? sharedElement(project) : undefined;
  return twice === undefined ? undefined : at(`An element stands on two pages (${twice}).`, 'pages');
}

const within = ({ message, path }: Problem, page: Page, index: number) =>
  at(`On ${page.name}: ${message}`, 'pages', index, ...path);

/**
 * What is wrong with a document that came of one that was in order; undefined when nothing is. Looks only at what
 * differs (by identity), and says the same as reading the whole document would.
 */
export function changedProblem(before: Project, after: Project): Problem | undefined {
  const { pages: was, ...partsBefore } = before;
  const { pages: is, ...parts } = after;
  const changed = (Object.keys(parts) as (keyof typeof parts)[]).filter((key) => parts[key] !== partsBefore[key]);
  for (const key of changed) {
    const read = projectSchema.shape[key].safeParse(parts[key]);
    if (!read.success) return firstOf(read.error, key);
  }
  const problem = changed.length > 0 || was.length !== is.length ? partsProblem(after) : undefined;
  if (problem) return problem;
  // What elements name can have gone from under those that didn't change.
  const named = changed.some((key) => key === 'breakpoints' || key === 'shared' || key === 'pictures');
  const names = namesIn(after);
  const old = new Map(was.map((page) => [page.id, page]));
  for (const [index, page] of is.entries()) {
    const earlier = old.get(page.id);
    if (earlier === page && !named) continue;
    const differs = pageChange(earlier, page, names, named);
    if (differs) return within(differs, page, index);
  }
  const grown = is.some((page) => old.get(page.id)?.elements !== page.elements && hasNewIds(old.get(page.id), page));
  const twice = grown && is.length > 1 ? sharedElement(after) : undefined;
  return twice === undefined ? undefined : at('An element with this id is there already.', 'pages');
}

const NONE: Page['elements'] = {};

const hasNewIds = (before: Page | undefined, after: Page) =>
  changedIds(before?.elements ?? NONE, after.elements).some((id) => id in after.elements && !(id in (before?.elements ?? NONE)));

function pageChange(before: Page | undefined, after: Page, names: Names, named: boolean): Problem | undefined {
  if (before !== after) {
    const { elements: _, ...rest } = after;
    const read = pageSchema.omit({ elements: true }).safeParse(rest);
    if (!read.success) return firstOf(read.error);
  }
  const was = before?.elements ?? NONE;
  let moved = before?.root !== after.root;
  for (const id of changedIds(was, after.elements)) {
    const [earlier, element] = [was[id], after.elements[id]];
    moved ||= earlier?.tag !== element?.tag || earlier?.id !== element?.id || !holdSame(earlier, element);
    const read = element && elementSchema.safeParse(element);
    if (read && !read.success) return firstOf(read.error, 'elements', id);
    const message = element && !named ? referencesProblem(element, names) : undefined;
    if (message) return at(message, 'elements', id);
  }
  for (const id of named ? Object.keys(after.elements) : []) {
    const message = referencesProblem(after.elements[id]!, names);
    if (message) return at(message, 'elements', id);
  }
  return moved ? structureProblem(after) : undefined;
}
