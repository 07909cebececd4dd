import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { damageOf, goBack } from '@/server/store/recovery';
import { HttpError } from '@/server/http/errors';

/** Takes a project that can't be read back to its newest revision that can. */
export const POST = route<{ id: string }>(async (_, parameters) => {
  const id = projectId(parameters);
  if (!(await damageOf(id))) throw new HttpError(409, 'This project can be read; there is nothing to go back from.');
  return Response.json(await goBack(id));
});
