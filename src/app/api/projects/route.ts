import { z } from 'zod';
import { nameSchema } from '@/core/document';
import { readBody } from '@/server/http/body';
import { HttpError } from '@/server/http/errors';
import { route } from '@/server/http/route';
import { createProject, duplicateProject, listProjects } from '@/server/store/projects';

export const dynamic = 'force-dynamic';

const createSchema = z.strictObject({
  name: nameSchema,
  from: z.enum(['empty', 'demo', 'copy'], 'Start from "empty", from the "demo", or as a "copy".'),
  /** The project that a copy is made of. */
  of: z.uuid('A copy needs the id of a project.').optional(),
});

export const GET = route(async () => Response.json({ projects: await listProjects() }));

export const POST = route(async (request) => {
  const { name, from, of } = await readBody(request, createSchema);
  if (from === 'copy' && of === undefined) throw new HttpError(400, 'A copy needs the id of a project.');
  const id = from === 'copy' ? await duplicateProject(of!, name) : await createProject(name, from);
  return Response.json({ id }, { status: 201 });
});
