import { z } from 'zod';
import { cutSchema, rectangleFor } from '@/core/pictures';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { readBody } from '@/server/http/body';
import { newPictureId, projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { renditionsOf } from '@/server/pictures/renditions';
import { loadProject } from '@/server/store/documents';
import { filesBy, putFiles } from '@/server/store/files';

export const dynamic = 'force-dynamic';

const requestSchema = z.strictObject({ picture: z.string().max(30), cut: cutSchema });

/** Cuts a part out of a picture of the project, or another part where it is cut already, and keeps the files of it. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { project } = await loadProject(database(), projectId(parameters));
  const { picture: id, cut } = await readBody(request, requestSchema);
  const picture = project.pictures.find((one) => one.id === id);
  if (!picture?.photo) throw new HttpError(422, 'Only pictures made of pixels are cut.');
  const { hash, type, crop, width, height } = picture.photo;
  const original = (await filesBy([hash])).get(hash);
  if (!original) throw new HttpError(422, `The file of ${picture.fileName} isn’t kept any more.`);
  const of = crop?.of ?? ([width, height] as const);
  const { photo, files } = await renditionsOf(
    original.bytes,
    type,
    { width: of[0], height: of[1] },
    { ...rectangleFor(of, cut), of: [of[0], of[1]], focus: [cut.focus[0], cut.focus[1]] },
  );
  await putFiles(database(), files);
  const stem = picture.fileName.replace(/(-cut)?(-\d+)?\.\w+$/, '').slice(0, 52);
  return Response.json({
    picture: { id: newPictureId(), fileName: `${stem}-cut.${picture.fileName.split('.').pop()}`, photo },
    notes: [],
  });
});
