import { sql } from 'drizzle-orm';
import { database } from '@/server/db/client';
import { route } from '@/server/http/route';

export const dynamic = 'force-dynamic';

/** Whether the application and its database answer. */
export const GET = route(async () => {
  await database().execute(sql`select 1`);
  return Response.json({ ok: true });
});
