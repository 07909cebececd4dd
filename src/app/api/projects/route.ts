import { z } from 'zod';
import { READY_SETS } from '@/core/breakpoints';
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
  /** The ready set of breakpoints that an empty project begins with. */
  set: z
    .enum(
      READY_SETS.map(({ id }) => id),
      'There is no ready set of breakpoints of that name.',
    )
    .optional(),
});

export const GET = route(async () => Response.json({ projects: await listProjects() }));

export const POST = route(async (request) => {
  const { name, from, of, set } = await readBody(request, createSchema);
  if (from === 'copy' && of === undefined) throw new HttpError(400, 'A copy needs the id of a project.');
  if (set !== undefined && from !== 'empty') throw new HttpError(400, 'Only an empty project begins with a ready set.');
  const id = from === 'copy' ? await duplicateProject(of!, name) : await createProject(name, from, set);
  return Response.json({ id }, { status: 201 });
});
