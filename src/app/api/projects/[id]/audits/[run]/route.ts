import { z } from 'zod';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { stopRun } from '@/server/store/audits';

/** Ends what hasn't been done of an audit. */
export const DELETE = route<{ id: string; run: string }>(async (_, parameters) => {
  const run = z.uuid().safeParse(parameters.run);
  if (!run.success) throw new HttpError(404, 'There is no such audit.');
  await stopRun(projectId(parameters), run.data);
  return Response.json({ stopped: true });
});
