import { bringInPackage } from '@/server/bring-in/bring-in';
import { streamLines } from '@/server/http/lines';
import { readPackage } from '@/server/http/package';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';

/** Reads a ZIP of pages for a project. Answers line by line; the last is the edit that brings them in. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  const zip = await readPackage(request);
  return streamLines(request.signal, (signal) => bringInPackage(zip, { id }, signal));
});
