import { z } from 'zod';
import { database } from '@/server/db/client';
import { projectId } from '@/server/http/parameters';
import { check } from '@/server/http/body';
import { route } from '@/server/http/route';
import { editStream } from '@/server/live/edit-stream';
import { projectRow } from '@/server/store/documents';

export const dynamic = 'force-dynamic';

const querySchema = z.object({ since: z.coerce.number('A revision is a whole number.').int().min(0) });

/** Edits as they are made, by whomever (server-sent events). */
export const GET = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  const { searchParams } = new URL(request.url);
  const query = check(querySchema, Object.fromEntries(searchParams));
  await projectRow(database(), id);
  // A browser that lost the connection says how far it had come.
  const last = Number(request.headers.get('last-event-id') ?? NaN);
  const since = Number.isInteger(last) ? Math.max(last, query.since) : query.since;
  return editStream(id, since, request.signal);
});
