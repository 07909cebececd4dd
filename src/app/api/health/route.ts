import { sql } from 'drizzle-orm';
import '@/server/loaded';
import { database } from '@/server/db/client';
import { route } from '@/server/http/route';
import { longestBlock, watchLoop } from '@/server/logging/loop';

export const dynamic = 'force-dynamic';

/** Whether the application and its database answer; with `?blocked` the longest time that nobody was answered since, ms. */
export const GET = route(async (request) => {
  watchLoop();
  await database().execute(sql`select 1`);
  const asked = new URL(request.url).searchParams.has('blocked');
  return Response.json({ ok: true, ...(asked && { blockedMs: longestBlock() }) });
});
