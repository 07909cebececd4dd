import { z } from 'zod';
import { nameSchema } from '@/core/document';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { createProject, listProjects } from '@/server/store/projects';

export const dynamic = 'force-dynamic';

const createSchema = z.strictObject({
  name: nameSchema,
  from: z.enum(['empty', 'demo'], 'Start from "empty" or from the "demo".'),
});

export const GET = route(async () => Response.json({ projects: await listProjects() }));

export const POST = route(async (request) => {
  const { name, from } = await readBody(request, createSchema);
  return Response.json({ id: await createProject(name, from) }, { status: 201 });
});
