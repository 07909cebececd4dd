import { z } from 'zod';
import { shownIdSchema } from '../document/use';
import type { Piece } from '../written';

const PIECES_MOST = 20_000;
const DEPTH_MOST = 60;
const TEXT_MOST = 2_000_000;

/** What frames say is checked as deep as a page may be, and no deeper. */
const pieceSchema = (depth: number): z.ZodType<Piece> =>
  z.union([
    // What is too long for a document is refused by its edit, with the reason.
    z.string().max(TEXT_MOST),
    z.strictObject({
      id: shownIdSchema,
      tag: z.string().max(40),
      of: shownIdSchema.optional(),
      attributes: z.record(z.string().max(60), z.string().max(2_000)).optional(),
      shared: z.array(z.string().max(30)).max(50).optional(),
      whole: z.literal(true).optional(),
      children: depth > 0 ? z.array(z.lazy(() => pieceAt(depth - 1))).max(PIECES_MOST) : z.array(z.never()),
    }),
  ]);
const schemas: z.ZodType<Piece>[] = [];
const pieceAt = (depth: number) => (schemas[depth] ??= pieceSchema(depth));

export const piecesSchema = z.array(z.lazy(() => pieceAt(DEPTH_MOST))).max(PIECES_MOST);
