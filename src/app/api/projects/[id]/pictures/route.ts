import { z } from 'zod';
import { SCROLLBARS, SET_MOST } from '@/core/devices';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { digestsOf, orderPictures } from '@/server/jobs/picture-jobs';
import { viewportSchema } from '@/server/http/viewport';
import { loadProject } from '@/server/store/documents';
import { knownPictures } from '@/server/store/page-pictures';

export const dynamic = 'force-dynamic';

const requestSchema = z.strictObject({
  revision: z.number().int().min(0),
  shots: z
    .array(z.strictObject({ viewport: viewportSchema, scrollbar: z.enum(SCROLLBARS) }))
    .min(1, 'There is no device to show the pages on.')
    .max(SET_MOST, `At most ${SET_MOST} devices are shown at once.`),
});

/**
 * Small pictures of all pages on devices: which are there, by digest, and how many faults each shows. Those that are
 * missing are ordered; asking again tells when they have come.
 */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  const { revision, shots } = await readBody(request, requestSchema);
  const stored = await loadProject(database(), id);
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since.');
  const { project } = stored;
  const pages = project.pages.map((page) => {
    const digest = digestsOf(project, page);
    return { page: page.id, shots: shots.map((shot) => ({ ...shot, digest: digest(shot) })) };
  });
  const known = await knownPictures(pages.flatMap((one) => one.shots.map(({ digest }) => digest)));
  for (const one of pages) {
    const missing = one.shots.filter(
      ({ digest }, i) => !known.has(digest) && one.shots.findIndex((other) => other.digest === digest) === i,
    );
    if (missing.length > 0) await orderPictures(id, one.page, missing);
  }
  return Response.json({
    pages: pages.map((one) => ({
      page: one.page,
      pictures: one.shots.map(({ digest }) => ({ digest, findings: known.get(digest) ?? null })),
    })),
  });
});
