import { z } from 'zod';
import { treeIdSchema } from '@/core/document';
import { PlanError } from '@/core/plans';
import { database } from '@/server/db/client';
import { measureDrops } from '@/server/drops/measure-drops';
import { HttpError } from '@/server/http/errors';
import { readBody } from '@/server/http/body';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';

export const dynamic = 'force-dynamic';

const idSchema = z.string().max(60);
const requestSchema = z.strictObject({
  /** The page or part that keeps the row. */
  tree: treeIdSchema,
  row: idSchema,
  revision: z.number().int().min(0),
  /** What is to drop; what drops already where it isn't given. */
  wish: z.strictObject({ items: z.array(idSchema).max(40), menu: z.boolean() }).optional(),
});

/** The widths under which items of a row no longer fit, one after the other. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { tree, row, revision, wish } = await readBody(request, requestSchema);
  const stored = await loadProject(database(), projectId(parameters));
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since.');
  try {
    return Response.json({ widths: await measureDrops(stored.project, tree, row, wish) });
  } catch (error) {
    if (error instanceof PlanError) throw new HttpError(422, error.message);
    throw error;
  }
});
