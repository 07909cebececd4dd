import { z } from 'zod';
import { nameSchema } from '@/core/document';
import { database } from '@/server/db/client';
import { projectId } from '@/server/http/parameters';
import { readBody, route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';
import { loadHistory } from '@/server/store/edit-log';
import { renameProject, setDeleted } from '@/server/store/projects';

export const dynamic = 'force-dynamic';

type Parameters = { id: string };

export const GET = route<Parameters>(async (_, parameters) => {
  const id = projectId(parameters);
  const [stored, history] = await Promise.all([loadProject(database(), id), loadHistory(id)]);
  return Response.json({ ...stored, history });
});

export const PATCH = route<Parameters>(async (request, parameters) => {
  const { name } = await readBody(request, z.strictObject({ name: nameSchema }));
  await renameProject(projectId(parameters), name);
  return Response.json({ ok: true });
});

export const DELETE = route<Parameters>(async (_, parameters) => {
  await setDeleted(projectId(parameters), true);
  return Response.json({ ok: true });
});
