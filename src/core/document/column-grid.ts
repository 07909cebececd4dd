import { z } from 'zod';

/** The widest viewport that column grids are worked out for, CSS px. */
const GRID_WIDTH_MAX = 10_000;

const length = (what: string, most: number) =>
  z.number(`${what} is a number of px.`).min(0, `${what} can't be negative.`).max(most, `${what} is at most ${most} px.`);

/** Columns to lay a page out by. All lengths in CSS px. */
export const columnGridSchema = z
  .strictObject({
    columns: z
      .number('How many columns is a whole number.')
      .int('How many columns is a whole number.')
      .min(1, 'A grid has at least one column.')
      .max(48, 'A grid has at most 48 columns.'),
    gutter: length('The gutter', 2_000),
    margin: length('The margin', 2_000),
    /** Where given, columns are this wide and the body stands as `align` says; else they stretch with the page. */
    columnWidth: z
      .number('The width of a column is a number of px.')
      .gt(0, 'A column is wider than 0 px.')
      .max(2_000, 'A column is at most 2000 px wide.')
      .optional(),
    /** Where a body that is narrower than the page stands. */
    align: z.enum(['left', 'centre'], 'A body stands left or centred.'),
    /** The body, margins not counted, grows no wider than this. */
    bodyMost: z
      .number('The greatest body width is a number of px.')
      .min(50, 'A body is at least 50 px wide.')
      .max(GRID_WIDTH_MAX, `A body is at most ${GRID_WIDTH_MAX} px wide.`)
      .optional(),
    /** Columns thinner than this are too tight. */
    columnLeast: length('The least column width', 1_000),
  })
  .superRefine((grid, context) => {
    const gutters = (grid.columns - 1) * grid.gutter;
    if (grid.columnWidth !== undefined) return;
    const room = Math.min(grid.bodyMost ?? Infinity, GRID_WIDTH_MAX - 2 * grid.margin);
    if (gutters >= room)
      context.addIssue({
        code: 'custom',
        message:
          grid.bodyMost !== undefined && gutters >= grid.bodyMost
            ? `${grid.columns - 1} gutters of ${grid.gutter} px leave no room for columns in a body of ${grid.bodyMost} px.`
            : `${grid.columns - 1} gutters of ${grid.gutter} px leave no room for columns on any page.`,
      });
  });

export interface ColumnGrid {
  readonly columns: number;
  readonly gutter: number;
  readonly margin: number;
  readonly columnWidth?: number | undefined;
  readonly align: 'left' | 'centre';
  readonly bodyMost?: number | undefined;
  readonly columnLeast: number;
}

/** Grids at the base and under breakpoints. */
export type ColumnGrids = Readonly<Record<string, ColumnGrid>>;

export const NAMED_GRID_ID = /^n[a-z0-9]{1,24}$/;

/** What a column grid begins with. */
export const FIRST_GRID: ColumnGrid = { columns: 12, gutter: 24, margin: 32, align: 'centre', columnLeast: 40 };
