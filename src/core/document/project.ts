import { z } from 'zod';
import type { Profile } from './profile';
import { profileSchema } from './profile';
import { atSchema, breakpointSchema } from '../breakpoints/breakpoint';
import type { QuerySyntax } from '../breakpoints/condition';
import { QUERY_SYNTAXES } from '../breakpoints/condition';
import type { Breakpoint } from '../breakpoints/breakpoint';
import type { Device } from '../devices/device';
import { deviceSchema } from '../devices/device';
import type { DeviceSet } from '../devices/device-set';
import { deviceSetSchema } from '../devices/device-set';
import { listOf, nameSchema } from '../text';
import { columnGridSchema, NAMED_GRID_ID } from './column-grid';
import type { ColumnGrid, ColumnGrids } from './column-grid';
import type { PageElement, StyleSet } from './element';
import { elementIdSchema, elementSchema, sharedIdSchema, styleSetSchema } from './element';
import type { PseudoStyles } from './style-sets';
import { kindStylesSchema, pseudoStylesSchema } from './style-sets';
import type { Brought, ProjectFile } from './brought';
import { broughtSchema, hashSchema, pathSchema, projectFileSchema } from './brought';
import { LIMITS } from './limits';
import type { PageFields } from './page-fields';
import type { Picture } from './picture';
import { pictureSchema } from './picture';
import { languageSchema, pageFieldsShape, slugSchema } from './page-fields';
import { rootSizeSchema } from './root-size';
import { treesProblem } from './trees';
import type { Arranged, Recipe } from './arranged';
import { arrangedSchema, recipeSchema } from './arranged';
import type { Table } from './table';
import { tableSchema } from './table';
import { partIdSchema } from './use';

/** Raised by one whenever the stored shape changes; `migrate.ts` leads older documents here. */
export const SCHEMA_VERSION = 17;

export const pageIdSchema = z.string().regex(/^g[a-z0-9]{1,24}$/, 'Not a page id.');

export const sharedStyleSchema = z
  .strictObject({ id: sharedIdSchema, name: nameSchema, styles: styleSetSchema, pseudo: pseudoStylesSchema })
  .transform(({ pseudo, ...style }): SharedStyle => (pseudo ? { ...style, pseudo } : style));
export interface SharedStyle {
  readonly id: string;
  readonly name: string;
  readonly styles: StyleSet;
  readonly pseudo?: PseudoStyles | undefined;
}

/** A style sheet from elsewhere, kept as it was written. It stands below everything that is written here. */
export const sheetSchema = z.strictObject({
  id: z.string().regex(/^t[a-z0-9]{1,24}$/, 'Not a style sheet id.'),
  name: nameSchema,
  css: z.string().max(LIMITS.sheetBytes, `A style sheet has at most ${LIMITS.sheetBytes} characters.`),
  /** The file that it came in with pages, on which alone it holds; in the whole project without. */
  file: pathSchema.optional(),
  /** The line on which it begins there, where it is only a part of the file. */
  line: z.number().int().min(1).optional(),
  /** The hash of the file's bytes, where it is a file of its own. */
  source: hashSchema.optional(),
});
export interface ImportedSheet {
  readonly id: string;
  readonly name: string;
  readonly css: string;
  readonly file?: string | undefined;
  readonly line?: number | undefined;
  readonly source?: string | undefined;
}

export { pictureSchema };
export type { Picture };

/** Elements kept to be put in again; the first is the top. What they name may have gone since. */
export const blockSchema = z
  .strictObject({
    id: z.string().regex(/^o[a-z0-9]{1,24}$/, 'Not a block id.'),
    name: nameSchema,
    elements: listOf(elementSchema, LIMITS.elements, `A block has at most ${LIMITS.elements} elements.`)
      .refine((elements) => elements.length > 0, 'A block holds at least one element.')
      .readonly(),
  })
  .superRefine(({ name, elements }, context) => {
    const problem = treesProblem(
      elements,
      elements.slice(0, 1).map(({ id }) => id),
    );
    if (problem) context.addIssue({ code: 'custom', message: `In block ${name}: ${problem}` });
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

export const pageSchema = z.strictObject({
  id: pageIdSchema,
  name: nameSchema,
  slug: slugSchema,
  ...pageFieldsShape,
  root: elementIdSchema,
  elements: z.record(elementIdSchema, elementSchema),
  /** Column grids of its own, in place of the project's. */
  columns: columnGridsSchema.optional(),
  brought: broughtSchema.optional(),
});

/** A page, or a part: whatever elements stand in. */
export const treeIdSchema = z.union([pageIdSchema, partIdSchema], 'Not a page id.');

export interface Page extends PageFields {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
  readonly root: string;
  /** Of a part whose top can't stand in a body: which element it is. What stands around it is there to show it. */
  readonly top?: string | undefined;
  readonly elements: Readonly<Record<string, PageElement>>;
  readonly columns?: ColumnGrids | undefined;
  /** Where somebody else wrote it: what it came with. */
  readonly brought?: Brought | undefined;
}

/**
 * Elements that are made once and used on many pages: kept like a page without a file, whose body holds nothing but the
 * part's top and is there to show it.
 */
const partObject = z.strictObject({
  id: partIdSchema,
  name: nameSchema,
  slug: z.string().optional(),
  root: elementIdSchema,
  top: elementIdSchema.optional(),
  elements: z.record(elementIdSchema, elementSchema),
});
export const partFieldsSchema = partObject.omit({ elements: true });
export const partSchema = partObject.transform((part): Page => ({ ...part, slug: part.id }));

/** All of a project but its pages. What they say of each other is read by `projectProblem`. */
export const projectSchema = z.strictObject({
  schema: z.literal(SCHEMA_VERSION),
  id: z.uuid(),
  name: nameSchema,
  baseName: nameSchema,
  language: languageSchema,
  rootSize: rootSizeSchema,
  queries: z.enum(QUERY_SYNTAXES, 'Media queries are written as ranges, or with min and max.'),
  breakpoints: z.array(breakpointSchema).max(LIMITS.breakpoints, `A project has at most ${LIMITS.breakpoints} breakpoints.`),
  devices: z.array(deviceSchema).max(LIMITS.devices, `A project has at most ${LIMITS.devices} devices.`),
  deviceSets: z.array(deviceSetSchema).max(LIMITS.deviceSets, `A project has at most ${LIMITS.deviceSets} sets of devices.`),
  sheets: z.array(sheetSchema).max(LIMITS.sheets, `A project has at most ${LIMITS.sheets} style sheets from elsewhere.`),
  kinds: kindStylesSchema,
  shared: z.array(sharedStyleSchema).max(LIMITS.shared, `A project has at most ${LIMITS.shared} shared styles.`),
  pictures: z.array(pictureSchema).max(LIMITS.pictures, `A project has at most ${LIMITS.pictures} pictures.`),
  blocks: z.array(blockSchema).max(LIMITS.blocks, `A project has at most ${LIMITS.blocks} blocks.`),
  files: z.array(projectFileSchema).max(LIMITS.files, `A project has at most ${LIMITS.files} files.`),
  parts: listOf(partSchema, LIMITS.parts, `A project has at most ${LIMITS.parts} parts.`),
  tables: listOf(tableSchema, LIMITS.tables, `A project has at most ${LIMITS.tables} tables.`),
  arranged: listOf(arrangedSchema, LIMITS.arranged, `At most ${LIMITS.arranged} arrangements are remembered.`),
  recipes: listOf(recipeSchema, LIMITS.recipes, `A project has at most ${LIMITS.recipes} recipes.`),
  columns: columnGridsSchema,
  grids: z.array(namedGridSchema).max(LIMITS.grids, `A project has at most ${LIMITS.grids} grids.`),
  /** What an audit asks of its pages. */
  audit: profileSchema,
});

export interface Project {
  readonly schema: typeof SCHEMA_VERSION;
  readonly id: string;
  readonly name: string;
  /** What the band is called in which no breakpoint holds. */
  readonly baseName: string;
  /** Of all pages that don't say another. */
  readonly language: string;
  /** The font size of `<html>` in percent of the reader's own. */
  readonly rootSize: number;
  /** How media queries are written in the export. */
  readonly queries: QuerySyntax;
  /** In the order of the CSS: later ones win. */
  readonly breakpoints: readonly Breakpoint[];
  readonly devices: readonly Device[];
  /** Devices to look at together. */
  readonly deviceSets: readonly DeviceSet[];
  readonly sheets: readonly ImportedSheet[];
  /** What all elements of a kind begin with, by its id; with a suffix behind it in a state or for another box. */
  readonly kinds: Readonly<Record<string, StyleSet>>;
  /** In the order of the CSS: later ones win. */
  readonly shared: readonly SharedStyle[];
  readonly pictures: readonly Picture[];
  readonly blocks: readonly Block[];
  /** Pictures and fonts that came in with pages, and fonts that were added by hand. */
  readonly files: readonly ProjectFile[];
  /** Each a tree like a page's; which elements are uses of them is said by the elements. */
  readonly parts: readonly Page[];
  /** What lists are fed from. */
  readonly tables: readonly Table[];
  /** Arrangements that were applied and can be taken back whole. */
  readonly arranged: readonly Arranged[];
  /** One's own arrangements. */
  readonly recipes: readonly Recipe[];
  /** The column grid at the base and under breakpoints. */
  readonly columns: ColumnGrids;
  /** Column grids kept under a name. */
  readonly grids: readonly NamedGrid[];
  /** What an audit asks of its pages. */
  readonly audit: Profile;
  readonly pages: readonly Page[];
}
