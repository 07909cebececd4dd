import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { setDeleted } from '@/server/store/projects';

/** Brings a deleted project back. */
export const POST = route<{ id: string }>(async (_, parameters) => {
  await setDeleted(projectId(parameters), false);
  return Response.json({ ok: true });
});
