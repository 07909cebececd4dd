import { z } from 'zod';
import { kept, nameSchema } from '@/core/document';
import { EMPTY_HISTORY } from '@/core/edits';
import { database } from '@/server/db/client';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';
import { damageOf } from '@/server/store/recovery';
import { renameProject, setDeleted } from '@/server/store/projects';

export const dynamic = 'force-dynamic';

type Parameters = { id: string };

/** The project to work on; one that can't be read as it was when it last could, with what is wrong. */
export const GET = route<Parameters>(async (_, parameters) => {
  const id = projectId(parameters);
  const damage = await damageOf(id);
  if (!damage) {
    const { project, revision, history } = await loadProject(database(), id);
    return Response.json({ project: kept(project), revision, history });
  }
  const { readable, ...wrong } = damage;
  const shown = readable && { ...readable, project: kept(readable.project) };
  return Response.json({ ...shown, history: EMPTY_HISTORY, damage: wrong });
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
