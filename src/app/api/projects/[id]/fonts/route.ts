import { database } from '@/server/db/client';
import { FONT_BYTES_MOST, readFont, UnreadableFont } from '@/server/fonts/read-font';
import { arrived } from '@/server/http/body';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';
import { putFiles } from '@/server/store/files';

export const dynamic = 'force-dynamic';

/** How long a font may take to arrive, ms. */
const ARRIVAL_MOST_MS = 60_000;

/** Reads a font file and keeps it. Answers with what a project has of it; taking it into the project is an edit. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  await loadProject(database(), projectId(parameters));
  const name = (new URL(request.url).searchParams.get('name') ?? 'The file').slice(0, 200);
  const tooLarge = `${name} is larger than ${FONT_BYTES_MOST / 1_000_000} MB.`;
  const bytes = await arrived(request, ARRIVAL_MOST_MS, FONT_BYTES_MOST, tooLarge);
  try {
    const file = await readFont(bytes, name);
    await putFiles(database(), new Map([[file.hash, { type: file.type, bytes }]]));
    return Response.json({ file });
  } catch (error) {
    if (error instanceof UnreadableFont) throw new HttpError(422, error.message);
    throw error;
  }
});
