import { z } from 'zod';
import { attributeNameSchema } from './attribute-fields';
import { LIMITS } from './limits';
import { fieldIdSchema, sampleIdSchema, tableIdSchema } from './table';
import { partIdSchema, placeSchema } from './use';

/** How many rows a list shows where nothing is said. */
export const ROWS_SHOWN = 40;

/** Which cell is shown by which element of the item. */
export interface Bind {
  /** Which element of the part; empty for its top. */
  readonly place: string;
  /** "text", or the name of an attribute. */
  readonly to: string;
  readonly field: string;
  /** Whether the element is left out where the cell is empty. */
  readonly hides?: true | undefined;
}

/** What makes an element show an item for each row of a table. */
export interface List {
  readonly table: string;
  /** The set of rows that shows; the table's first where it isn't said. */
  readonly set?: string | undefined;
  /** The item: a part. */
  readonly part: string;
  readonly binds: readonly Bind[];
  /** Rows shown at most. */
  readonly most?: number | undefined;
}

export const listSchema = z
  .strictObject({
    table: tableIdSchema,
    set: sampleIdSchema.optional(),
    part: partIdSchema,
    binds: z
      .array(
        z.strictObject({
          place: placeSchema,
          // Two elements can't have the same id, and classes are what shared styles are.
          to: attributeNameSchema.refine((name) => !['id', 'class', 'style'].includes(name), 'That can’t be fed from a table.'),
          field: fieldIdSchema,
          hides: z.literal(true).optional(),
        }),
      )
      .max(LIMITS.binds, `A list has at most ${LIMITS.binds} places that are fed.`)
      .readonly(),
    most: z.number().int().min(1).max(LIMITS.rowsShown, `A list shows at most ${LIMITS.rowsShown} rows.`).optional(),
  })
  .superRefine(({ binds }, context) => {
    const twice = binds.some(({ place, to }, i) => binds.findIndex((one) => one.place === place && one.to === to) < i);
    if (twice) context.addIssue({ code: 'custom', message: 'Two fields feed the same place of an item.' });
  })
  .transform(({ table, set, part, binds, most }): List => ({
    table,
    ...(set !== undefined && { set }),
    part,
    binds: binds.map(({ place, to, field, hides }) => ({ place, to, field, ...(hides && { hides }) })),
    ...(most !== undefined && { most }),
  }));
