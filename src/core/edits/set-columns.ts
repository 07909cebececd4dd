import { z } from 'zod';
import { atSchema, BASE } from '../breakpoints/breakpoint';
import { cellsOf, widthsOfCells } from '../breakpoints/cells';
import { holdsAt } from '../breakpoints/condition';
import { ALL_WIDTHS } from '../breakpoints/interval';
import { pageIdSchema } from '../document/project';
import type { Project } from '../document/project';
import type { ColumnGrid } from '../document/column-grid';
import { columnGridSchema } from '../document/column-grid';
import type { EditKind, Footprint } from './edit';
import { EditError, laterWins, requirePage } from './edit';
import { describeTarget } from './set-style';

const schema = z.strictObject({
  type: z.literal('setColumns'),
  /** Null for the project's own grid, which pages use that have none. */
  page: pageIdSchema.nullable(),
  at: atSchema,
  /** Null takes it away. */
  grid: columnGridSchema.nullable(),
});
type SetColumns = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setColumns: SetColumns;
  }
}

type Grids = Readonly<Record<string, ColumnGrid>>;

function replaced(grids: Grids | undefined, at: string, grid: ColumnGrid | null): Grids {
  const { [at]: _, ...rest } = grids ?? {};
  return grid ? { ...rest, [at]: grid } : rest;
}

/** The column grid of the project or of one page, at the base or under a breakpoint. It is a measure, not CSS. */
export const setColumns: EditKind<SetColumns> = {
  schema,
  apply(project, { page: pageId, at, grid }) {
    if (at !== BASE && !project.breakpoints.some(({ id }) => id === at))
      throw new EditError('The breakpoint this grid is for has been removed.');
    const page = pageId === null ? undefined : requirePage(project, pageId);
    const before = (page ? page.columns : project.columns)?.[at] ?? null;
    let document: Project = { ...project, columns: page ? project.columns : replaced(project.columns, at, grid) };
    if (page) {
      const { columns: had, ...rest } = page;
      const columns = replaced(had, at, grid);
      const next = Object.keys(columns).length > 0 ? { ...rest, columns } : rest;
      document = { ...document, pages: project.pages.map((one) => (one === page ? next : one)) };
    }
    return { document, inverse: { type: 'setColumns', page: pageId, at, grid: before } };
  },
  /** No element looks different, but what is said of the grid does. */
  footprint(before, _, { page, at }): Footprint {
    const condition = before.breakpoints.find(({ id }) => id === at)?.condition;
    const widths = condition
      ? widthsOfCells(cellsOf([condition]).filter(({ sample }) => holdsAt(condition, sample)))
      : ALL_WIDTHS;
    const part = { elements: [], properties: [], widths, html: false };
    return Object.fromEntries(before.pages.filter(({ id }) => page === null || id === page).map(({ id }) => [id, part]));
  },
  describe: (project, { page, at, grid }) =>
    `${grid ? `Lay ${grid.columns} columns` : 'Take the columns away'} at ${describeTarget(project, at)}${page ? ` on ${requirePage(project, page).name}` : ''}`,
  merge: laterWins('page', 'at'),
};
