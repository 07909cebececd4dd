import { z } from 'zod';
import { database } from '@/server/db/client';
import { readBody } from '@/server/http/body';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { rehearse } from '@/server/rehearsal/rehearse';
import { loadProject } from '@/server/store/documents';

export const dynamic = 'force-dynamic';

const requestSchema = z.strictObject({ revision: z.number().int().min(0) });

/** What the pages that are handed over do as they are made wider and narrower, tried in a browser. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { revision } = await readBody(request, requestSchema);
  const stored = await loadProject(database(), projectId(parameters));
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since.');
  return Response.json({ pages: await rehearse(stored.project) });
});
