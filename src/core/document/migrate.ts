import { z } from 'zod';
import { CATALOGUE, DEVICE_SETS } from '../devices/catalogue';
import { listOf, MALFORMED, malformedAt } from '../text';
import { cleanSvg } from './clean-svg';
import { withTextInside } from './content';
import { expanded } from './expand';
import { LIMITS } from './limits';
import { isReservedFileName } from './page-fields';
import { projectProblem } from './problems';
import { PLAIN_PROFILE } from './profile';
import { USUAL_ROOT_SIZE } from './root-size';
import type { Project } from './project';
import { pageSchema, projectSchema, SCHEMA_VERSION } from './project';

type Step = (document: Record<string, unknown>) => Record<string, unknown>;

/**
 * One step a version: `STEPS[n]` leads a document of version n to version n + 1.
 * Version 0 is the form before releases: it had no name for the base band and no devices. Version 1 knew neither
 * kind defaults nor style sheets from elsewhere. Version 2 knew neither column grids nor blocks. Version 3 had six
 * devices with a name and a size, which nobody could change, and no sets of them.
 * Version 4 asked the same of every project's pages. Version 5 kept pictures that were looked through less strictly.
 * In version 6 an element held either a text or elements. Version 7 knew neither states nor boxes before and after.
 * Version 8 had all pages in English, and took file names that some systems keep for themselves.
 * Version 9 knew no parts. Version 10 audited every project from 320 to 1920 px, and left the size of text on its root alone.
 * Version 11 knew no files that came in with pages, version 12 no fonts among them that were added by hand, version 13 neither
 * alternates nor panels, version 14 drawings alone as pictures, version 15 no
 * tables that lists are fed from, version 16 no arrangements.
 */
const STEPS: readonly Step[] = [
  (document) => ({ baseName: 'Base', devices: [], ...document, schema: 1 }),
  (document) => ({ kinds: {}, sheets: [], ...document, schema: 2 }),
  (document) => ({ blocks: [], columns: {}, grids: [], ...document, schema: 3 }),
  (document) => ({ ...document, devices: CATALOGUE, deviceSets: DEVICE_SETS, schema: 4 }),
  (document) => ({ audit: PLAIN_PROFILE, ...document, schema: 5 }),
  (document) => ({ ...document, pictures: Array.isArray(document.pictures) ? document.pictures.map(cleaned) : [], schema: 6 }),
  (document) => ({ ...withTextsInside(document), schema: 7 }),
  (document) => ({ ...document, schema: 8 }),
  (document) => ({ language: 'en', queries: 'range', ...document, pages: withFileNames(document.pages), schema: 9 }),
  (document) => ({ parts: [], ...document, schema: 10 }),
  (document) => ({
    rootSize: USUAL_ROOT_SIZE,
    ...document,
    audit: isObject(document.audit) ? { range: PLAIN_PROFILE.range, ...document.audit } : document.audit,
    schema: 11,
  }),
  (document) => ({ files: [], ...document, schema: 12 }),
  (document) => ({ ...document, schema: 13 }),
  (document) => ({ ...document, schema: 14 }),
  (document) => ({ ...document, schema: 15 }),
  (document) => ({ tables: [], ...document, schema: 16 }),
  (document) => ({ arranged: [], recipes: [], ...document, schema: 17 }),
];

function withFileNames(pages: unknown): unknown {
  const taken = new Set<unknown>();
  mapped(pages, ({ slug }) => taken.add(slug));
  return mapped(pages, (page) => {
    if (!isReservedFileName(String(page.slug))) return page;
    let slug = `${String(page.slug)}-page`;
    while (taken.has(slug)) slug += '-';
    taken.add(slug);
    return { ...page, slug };
  });
}

const cleaned = (picture: { svg?: unknown } | null) =>
  typeof picture?.svg === 'string' ? { ...picture, svg: cleanSvg(picture.svg).svg } : picture;

const isObject = (input: unknown): input is Record<string, unknown> => typeof input === 'object' && input !== null;

function withTextsInside(document: Record<string, unknown>): Record<string, unknown> {
  const { pages, blocks } = document;
  return {
    ...document,
    pages: mapped(pages, (page) =>
      isObject(page.elements)
        ? {
            ...page,
            elements: Object.fromEntries(
              Object.entries(page.elements).flatMap(([id, element]) => {
                const [first, ...put] = withCellAround(element);
                return [[id, first], ...put.map((one) => [(one as { id: string }).id, one])];
              }),
            ),
          }
        : page,
    ),
    blocks: mapped(blocks, (block) =>
      Array.isArray(block.elements) ? { ...block, elements: block.elements.flatMap(withCellAround) } : block,
    ),
  };
}

/** What has to be put between a part of a table and a text in it: parsers show the text outside of the table else. */
const AROUND_TEXT: Readonly<Record<string, readonly string[]>> = {
  ...{ table: ['caption'], thead: ['tr', 'td'], tbody: ['tr', 'td'], tfoot: ['tr', 'td'], tr: ['td'] },
};

function withCellAround(input: unknown): unknown[] {
  const element = withTextInside(input);
  const around = isObject(element) && isObject(input) && input.text ? AROUND_TEXT[String(element.tag)] : undefined;
  if (!around || !isObject(element)) return [element];
  const chain = around.map((tag, i) => ({
    ...{ id: `${String(element.id).slice(0, 22)}q${i}`, tag, name: tag === 'caption' ? 'Caption' : 'Cell', attributes: {} },
    ...{ children: [] as unknown, shared: [], styles: {} },
  }));
  const inside = element.children;
  chain.forEach((one, i) => (one.children = chain[i + 1] ? [chain[i + 1]!.id] : inside));
  return [{ ...element, children: [chain[0]!.id] }, ...chain];
}

/** Every object in a list; what is none is left to be refused. */
function mapped(list: unknown, change: (entry: Record<string, unknown>) => unknown): unknown {
  return Array.isArray(list) ? list.map((entry: unknown) => (isObject(entry) ? change(entry) : entry)) : list;
}

const wholeSchema = projectSchema.extend({
  pages: listOf(pageSchema, LIMITS.pages, `A project has at most ${LIMITS.pages} pages.`).pipe(
    z.array(z.custom<z.infer<typeof pageSchema>>()).min(1, 'A project has at least one page.'),
  ),
});

/** A document that can't be read, in a sentence, and where in it. */
export class UnreadableProject extends Error {
  override readonly name = 'UnreadableProject';

  constructor(
    readonly reason: string,
    /** The place in the document, such as `pages.0.elements.e1.tag`; empty where it is the whole. */
    readonly place = '',
  ) {
    super(place ? `${reason} (at ${place})` : reason);
  }
}

/**
 * A stored or given document as the current schema has it.
 * @throws UnreadableProject when the version is unknown or the document isn't in order
 */
export function readProject(input: unknown): Project {
  if (typeof input !== 'object' || input === null) throw new UnreadableProject("This isn't a project document.");
  let document = input as Record<string, unknown>;
  const version = document.schema ?? 0;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    throw new UnreadableProject('The project document has no readable schema version.');
  if (version > SCHEMA_VERSION)
    throw new UnreadableProject(
      `The project was written by a newer Mill Pond (schema ${version}; this one reads up to ${SCHEMA_VERSION}).`,
    );
  const malformed = malformedAt(input);
  if (malformed !== undefined) throw new UnreadableProject(MALFORMED, malformed);
  for (let at = version; at < SCHEMA_VERSION; at++) document = STEPS[at]!(document);
  const result = wholeSchema.safeParse(document);
  if (!result.success) {
    const issue = result.error.issues[0]!;
    throw new UnreadableProject(issue.message, issue.path.join('.'));
  }
  const project = result.data as Project;
  const problem = projectProblem(project);
  if (problem) throw new UnreadableProject(problem.message, problem.path.join('.'));
  return expanded(project);
}
