import { database } from '@/server/db/client';
import { arrived } from '@/server/http/body';
import { HttpError } from '@/server/http/errors';
import { newPictureId, projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { PICTURE_BYTES_MOST, readPicture, UnreadablePicture } from '@/server/pictures/read-picture';
import { loadProject } from '@/server/store/documents';
import { putFiles } from '@/server/store/files';

export const dynamic = 'force-dynamic';

/** How long a picture may take to arrive, ms. */
const ARRIVAL_MOST_MS = 120_000;

/** Reads a picture and keeps its files. Answers with what a project has of it; taking it into the project is an edit. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  await loadProject(database(), projectId(parameters));
  const name = (new URL(request.url).searchParams.get('name') ?? 'The file').slice(0, 200);
  const tooLarge = `${name} is larger than ${PICTURE_BYTES_MOST / 1_000_000} MB.`;
  const bytes = await arrived(request, ARRIVAL_MOST_MS, PICTURE_BYTES_MOST, tooLarge);
  try {
    const { picture, files, notes } = await readPicture(bytes, name, newPictureId());
    await putFiles(database(), files);
    return Response.json({ picture, notes });
  } catch (error) {
    if (error instanceof UnreadablePicture) throw new HttpError(422, error.message);
    throw error;
  }
});
