import { z } from 'zod';
import { treeIdSchema } from '@/core/document';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { readBody } from '@/server/http/body';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { sizesOfPictures } from '@/server/pictures/picture-sizes';
import { loadProject } from '@/server/store/documents';

export const dynamic = 'force-dynamic';

const requestSchema = z.strictObject({ page: treeIdSchema, revision: z.number().int().min(0) });

/** How wide a page shows its pictures, measured over all widths that the project is audited at. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page, revision } = await readBody(request, requestSchema);
  const stored = await loadProject(database(), projectId(parameters));
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since.');
  const { images, behind } = await sizesOfPictures(stored.project, page);
  return Response.json({ images: Object.fromEntries(images.get(page) ?? []), behind: Object.fromEntries(behind) });
});
