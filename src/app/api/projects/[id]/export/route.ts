import { zipSync } from 'fflate';
import { handedBack, NotHandedBack } from '@/core/bring-in';
import { rehearsalInWords } from '@/core/behaviour';
import { renderExport } from '@/core/render';
import { slugOf } from '@/core/document';
import { fontFor } from '@/server/fonts/subset';
import { fontBytes } from '@/server/browser/fonts';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { sizesOfPictures } from '@/server/pictures/picture-sizes';
import { rehearse } from '@/server/rehearsal/rehearse';
import { loadProject } from '@/server/store/documents';
import { filesBy } from '@/server/store/files';

export const dynamic = 'force-dynamic';

// The oldest time a ZIP can hold: same project, same bytes.
const STEADY_TIME = new Date(1980, 0, 1);

/** The hand-over: pages, sheet, pictures and fonts as a ZIP. */
export const GET = route<{ id: string }>(async (_, parameters) => {
  const { project } = await loadProject(database(), projectId(parameters));
  const unfit = (await rehearse(project)).find(({ faults }) => faults.length > 0);
  if (unfit) throw new HttpError(422, `${rehearsalInWords(unfit)} Nothing has been handed over.`);
  const hashes = [
    ...project.files.map(({ hash }) => hash),
    ...project.sheets.flatMap(({ source }) => source ?? []),
    ...project.pages.flatMap(({ brought }) => brought?.source ?? []),
    ...project.pictures.flatMap(({ photo }) => photo?.files.map((file) => file.hash) ?? []),
  ];
  const kept = await filesBy([...new Set(hashes)]);
  const text = new TextEncoder();
  const files: Record<string, Uint8Array> = {};
  for (const { path, content } of renderExport(project, await sizesOfPictures(project)))
    if ('text' in content) files[path] = text.encode(content.text);
    else if ('font' in content) files[path] = new Uint8Array(fontBytes(content.font));
    else if ('kept' in content) {
      const file = kept.get(content.kept);
      if (!file) throw new HttpError(422, `The file ${path} isn’t kept any more.`);
      files[path] = file.bytes;
    } else {
      const whole = kept.get(content.added.hash);
      if (!whole) throw new HttpError(422, `The file of the font ${content.added.font.family} isn’t kept any more.`);
      files[path] = await fontFor(content.characters, whole.bytes);
    }
  try {
    for (const { path, bytes } of handedBack(project, (hash) => kept.get(hash)?.bytes)) files[path] = bytes;
  } catch (error) {
    if (error instanceof NotHandedBack) throw new HttpError(422, error.message);
    throw error;
  }
  const zip = zipSync(files, { mtime: STEADY_TIME });
  return new Response(zip as BodyInit, {
    headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${slugOf(project.name)}.zip"` },
  });
});
