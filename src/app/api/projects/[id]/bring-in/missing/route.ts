import { completeProject } from '@/server/bring-in/missing';
import { readPackage } from '@/server/http/package';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';

export const dynamic = 'force-dynamic';

/** Files that were missing when pages came in, as a ZIP. Answers with the edit that puts them where they are asked for. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  return Response.json(await completeProject(await readPackage(request), id));
});
