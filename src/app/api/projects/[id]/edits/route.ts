import { projectId } from '@/server/http/parameters';
import { readBody, route } from '@/server/http/route';
import { editRequestSchema, makeEdits } from '@/server/store/edit-log';

/** Makes edits. 409 with the edits in between when the request was made on an older revision. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  const answer = await makeEdits(id, await readBody(request, editRequestSchema));
  return Response.json(answer, { status: answer.status === 'stale' ? 409 : 200 });
});
