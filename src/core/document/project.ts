import { z } from 'zod';
import type { Profile } from '../audit/profile';
import { profileSchema } from '../audit/profile';
import { atSchema, breakpointIdSchema, breakpointSchema, hasCycle } from '../breakpoints/breakpoint';
import type { Breakpoint } from '../breakpoints/breakpoint';
import type { Device } from '../devices/device';
import { deviceSchema } from '../devices/device';
import type { DeviceSet } from '../devices/device-set';
import { deviceSetSchema } from '../devices/device-set';
import { columnGridSchema, NAMED_GRID_ID } from '../grid/column-grid';
import type { ColumnGrid, ColumnGrids } from '../grid/column-grid';
import type { PageElement, StyleSet } from './element';
import { elementIdSchema, elementSchema, nameSchema, sharedIdSchema, styleSetSchema } from './element';
import { whyNotInside } from './html';
import { kindIdSchema } from './kinds';

/** Raised by one whenever the stored shape changes; `migrate.ts` leads older documents here. */
export const SCHEMA_VERSION = 5;

export const LIMITS = {
  elements: 5_000,
  pages: 60,
  breakpoints: 24,
  depth: 60,
  pictureBytes: 2_000_000,
  sheets: 20,
  sheetBytes: 500_000,
  blocks: 200,
  grids: 60,
  devices: 200,
  deviceSets: 60,
} as const;

export const pageIdSchema = z.string().regex(/^g[a-z0-9]{1,24}$/, 'Not a page id.');

export const sharedStyleSchema = z.strictObject({ id: sharedIdSchema, name: nameSchema, styles: styleSetSchema });
export interface SharedStyle {
  readonly id: string;
  readonly name: string;
  readonly styles: StyleSet;
}

/** A style sheet from elsewhere, kept as it was written. It stands below everything that is written here. */
export const sheetSchema = z.strictObject({
  id: z.string().regex(/^t[a-z0-9]{1,24}$/, 'Not a style sheet id.'),
  name: nameSchema,
  css: z.string().max(LIMITS.sheetBytes, `A style sheet has at most ${LIMITS.sheetBytes} characters.`),
});
export interface Sheet {
  readonly id: string;
  readonly name: string;
  readonly css: string;
}

export const pictureSchema = z.strictObject({
  id: z.string().regex(/^p[a-z0-9]{1,24}$/),
  fileName: z.string().regex(/^[a-z0-9][a-z0-9-]{0,60}\.svg$/, 'A picture file is named like "claw-hammer.svg".'),
  /** SVG source; scripts and outside references are refused. */
  svg: z
    .string()
    .max(LIMITS.pictureBytes)
    .regex(/^<svg[\s>]/, 'A picture is an SVG drawing.')
    .refine(
      (svg) => !/<script|<foreignObject|\son[a-z]+\s*=|(href|src)\s*=(?!\s*["']?\s*#)/i.test(svg),
      'A picture may hold no scripts and no links.',
    ),
});
export type Picture = z.infer<typeof pictureSchema>;

/** Elements kept to be put in again; the first is the top. What they name may have gone since. */
export const blockSchema = z
  .strictObject({
    id: z.string().regex(/^o[a-z0-9]{1,24}$/, 'Not a block id.'),
    name: nameSchema,
    elements: z.array(elementSchema).min(1).max(LIMITS.elements),
  })
  .superRefine(({ name, elements }, context) => {
    const problem = treesProblem(
      elements,
      elements.slice(0, 1).map(({ id }) => id),
    );
    if (problem) context.addIssue({ code: 'custom', message: `In block ${name}, ${problem}` });
  });
export interface Block {
  readonly id: string;
  readonly name: string;
  readonly elements: readonly PageElement[];
}

export const namedGridSchema = z.strictObject({
  id: z.string().regex(NAMED_GRID_ID, 'Not a grid id.'),
  name: nameSchema,
  grid: columnGridSchema,
});
export interface NamedGrid {
  readonly id: string;
  readonly name: string;
  readonly grid: ColumnGrid;
}

/** Places whose breakpoint has gone are kept and don't count. */
const columnGridsSchema = z.record(atSchema, columnGridSchema);

export const pageSchema = z
  .strictObject({
    id: pageIdSchema,
    name: nameSchema,
    /** File name without ending: `index` becomes `index.html`. */
    slug: z.string().regex(/^[a-z0-9][a-z0-9-]{0,60}$/, 'A page file is named in small letters, digits and hyphens.'),
    root: elementIdSchema,
    elements: z.record(elementIdSchema, elementSchema),
    /** Column grids of its own, in place of the project's. */
    columns: columnGridsSchema.optional(),
  })
  .superRefine((page, context) => {
    const problem = pageProblem(page);
    if (problem) context.addIssue({ code: 'custom', message: problem });
  });

export interface Page {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
  readonly root: string;
  readonly elements: Readonly<Record<string, PageElement>>;
  readonly columns?: ColumnGrids | undefined;
}

export const projectSchema = z
  .strictObject({
    schema: z.literal(SCHEMA_VERSION),
    id: z.uuid(),
    name: nameSchema,
    baseName: nameSchema,
    breakpoints: z.array(breakpointSchema).max(LIMITS.breakpoints),
    devices: z.array(deviceSchema).max(LIMITS.devices, `A project has at most ${LIMITS.devices} devices.`),
    deviceSets: z.array(deviceSetSchema).max(LIMITS.deviceSets),
    sheets: z.array(sheetSchema).max(LIMITS.sheets),
    kinds: z.record(kindIdSchema, styleSetSchema),
    shared: z.array(sharedStyleSchema).max(500),
    pictures: z.array(pictureSchema).max(500),
    blocks: z.array(blockSchema).max(LIMITS.blocks),
    columns: columnGridsSchema,
    grids: z.array(namedGridSchema).max(LIMITS.grids),
    /** What an audit asks of its pages. */
    audit: profileSchema,
    pages: z.array(pageSchema).min(1, 'A project has at least one page.').max(LIMITS.pages),
  })
  .superRefine((project, context) => {
    const problem = projectProblem(project);
    if (problem) context.addIssue({ code: 'custom', message: problem });
  });

export interface Project {
  readonly schema: typeof SCHEMA_VERSION;
  readonly id: string;
  readonly name: string;
  /** What the band is called in which no breakpoint holds. */
  readonly baseName: string;
  /** In the order of the CSS: later ones win. */
  readonly breakpoints: readonly Breakpoint[];
  readonly devices: readonly Device[];
  /** Devices to look at together. */
  readonly deviceSets: readonly DeviceSet[];
  readonly sheets: readonly Sheet[];
  /** Kind id to what all elements of the kind begin with. */
  readonly kinds: Readonly<Record<string, StyleSet>>;
  /** In the order of the CSS: later ones win. */
  readonly shared: readonly SharedStyle[];
  readonly pictures: readonly Picture[];
  readonly blocks: readonly Block[];
  /** The column grid at the base and under breakpoints. */
  readonly columns: ColumnGrids;
  /** Column grids kept under a name. */
  readonly grids: readonly NamedGrid[];
  /** What an audit asks of its pages. */
  readonly audit: Profile;
  readonly pages: readonly Page[];
}

/**
 * Why elements don't form whole trees with just these tops, or break a content model (HTML): a sentence that begins in
 * small letters where no element is named.
 */
export function treesProblem(elements: readonly PageElement[], tops: readonly string[]): string | undefined {
  const byId = new Map(elements.map((element) => [element.id, element]));
  if (byId.size !== elements.length) return 'two elements have the same id.';
  const seen = new Set<string>();
  const visit = (id: string, ancestors: readonly string[]): string | undefined => {
    const element = byId.get(id);
    if (!element) return `an element is named that isn't there (${id}).`;
    if (seen.has(id)) return `"${element.name}" stands in two places.`;
    if (ancestors.length > LIMITS.depth) return `elements are nested deeper than ${LIMITS.depth}.`;
    seen.add(id);
    const why = ancestors.length > 0 ? whyNotInside(element.tag, ancestors[0]!, ancestors.slice(1)) : undefined;
    if (why) return `"${element.name}": ${why}`;
    for (const child of element.children) {
      const problem = visit(child, [element.tag, ...ancestors]);
      if (problem) return problem;
    }
    return undefined;
  };
  for (const id of tops) {
    const problem = visit(id, []);
    if (problem) return problem;
  }
  return seen.size === elements.length ? undefined : 'some elements stand nowhere.';
}

function pageProblem(page: Page): string | undefined {
  const elements = Object.values(page.elements);
  for (const [id, element] of Object.entries(page.elements))
    if (element.id !== id) return `The element ${id} is filed under another id.`;
  if (page.elements[page.root]?.tag !== 'body') return 'A page begins with <body>.';
  const problem = treesProblem(elements, [page.root]);
  if (problem) return `On ${page.name}, ${problem}`;
  return elements.length > LIMITS.elements ? `A page has at most ${LIMITS.elements} elements.` : undefined;
}

function projectProblem(project: Project): string | undefined {
  const ids = new Set(project.breakpoints.map((breakpoint) => breakpointIdSchema.parse(breakpoint.id)));
  if (ids.size !== project.breakpoints.length) return 'Two breakpoints have the same id.';
  for (const { name, also = [] } of project.breakpoints)
    if (also.some((id) => !ids.has(id))) return `"${name}" takes over from a breakpoint that isn't there.`;
  if (hasCycle(project.breakpoints)) return 'Breakpoints take over from each other in a circle.';
  const lost = (styles: StyleSet) => Object.keys(styles).some((at) => at !== 'base' && !ids.has(at));
  for (const { name, styles } of project.shared)
    if (lost(styles)) return `The shared style "${name}" has values under a breakpoint that isn't there.`;
  if (Object.values(project.kinds).some(lost)) return "A kind has values under a breakpoint that isn't there.";
  for (const [what, list] of [
    ['devices', project.devices],
    ['sets of devices', project.deviceSets],
  ] as const) {
    if (new Set(list.map(({ id }) => id)).size !== list.length) return `Two ${what} have the same id.`;
    if (new Set(list.map(({ name }) => name)).size !== list.length) return `Two ${what} have the same name.`;
  }
  if (new Set(project.blocks.map(({ id }) => id)).size !== project.blocks.length) return 'Two blocks have the same id.';
  const slugs = new Set(project.pages.map((page) => page.slug));
  if (slugs.size !== project.pages.length) return 'Two pages have the same file name.';
  const shared = new Set(project.shared.map((style) => style.id));
  const pictures = new Set(project.pictures.map((picture) => `picture:${picture.id}`));
  for (const page of project.pages)
    for (const element of Object.values(page.elements)) {
      if (lost(element.styles)) return `"${element.name}" has values under a breakpoint that isn't there.`;
      if (element.shared.some((id) => !shared.has(id)))
        return `"${element.name}" carries a shared style that isn't there.`;
      if (element.attributes.src && !pictures.has(element.attributes.src))
        return `"${element.name}" shows a picture that isn't there.`;
    }
  return undefined;
}
