import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { editRequestSchema, makeEdits } from '@/server/store/edit-log';

/**
 * Makes edits on top of what is there by now. Answers with all that came since the window's revision and with what was
 * refused; 422 where that is all of it.
 */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  const asked = await readBody(request, editRequestSchema);
  const answer = await makeEdits(id, asked);
  const none = answer.refused.length === asked.edits.length;
  return Response.json(none ? { ...answer, error: answer.refused[0]!.why } : answer, { status: none ? 422 : 200 });
});
