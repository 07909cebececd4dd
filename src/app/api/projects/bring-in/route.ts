import { nameSchema } from '@/core/document';
import { bringInPackage } from '@/server/bring-in/bring-in';
import { check } from '@/server/http/body';
import { streamLines } from '@/server/http/lines';
import { readPackage } from '@/server/http/package';
import { route } from '@/server/http/route';

/** Reads a ZIP of pages as a project of its own. Answers line by line; the last is the project's id. */
export const POST = route(async (request) => {
  const asked = new URL(request.url).searchParams.get('name')?.trim() ?? '';
  const name = asked === '' ? '' : check(nameSchema, asked);
  const zip = await readPackage(request);
  return streamLines(request.signal, (signal) => bringInPackage(zip, { name }, signal));
});
