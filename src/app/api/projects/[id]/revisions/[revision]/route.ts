import { kept } from '@/core/document';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { earlierProject } from '@/server/store/revisions';

export const dynamic = 'force-dynamic';

/** The project as it was at a revision. */
export const GET = route<{ id: string; revision: string }>(async (_, parameters) => {
  if (!/^\d{1,9}$/.test(parameters.revision)) throw new HttpError(404, 'The project has no such revision.');
  const { project, revision } = await earlierProject(projectId(parameters), Number(parameters.revision));
  return Response.json({ project: kept(project), current: revision });
});
