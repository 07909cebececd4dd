import { z } from 'zod';
import { planOf, VIEWS } from '@/core/audit';
import { DEFAULT_SLICE, POINTERS } from '@/core/breakpoints';
import { pageOf, treeIdSchema } from '@/core/document';
import { sweep } from '@/server/browser/sweep';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { streamLines } from '@/server/http/lines';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';

const WIDTH_MOST = 10_000;
const width = z.number().int().min(1, 'A width is at least 1 px.').max(WIDTH_MOST, `A width is at most ${WIDTH_MOST} px.`);

const sweepSchema = z.strictObject({
  page: treeIdSchema,
  /** The revision the caller shows; another one on the server is refused, so that results fit what is seen. */
  revision: z.number().int().min(0),
  widths: z
    .array(
      z
        .strictObject({ first: width, last: width })
        .refine(({ first, last }) => first <= last, 'A stretch of widths begins before it ends.'),
    )
    .min(1, 'There are no widths to measure.')
    .max(500),
  /** Measured first. */
  near: z.number().int().min(0).max(100_000),
  /** The viewport's height in px, and the pointer to stand in for. */
  height: z.number().int().min(100, 'A viewport is at least 100 px high.').max(10_000).default(DEFAULT_SLICE.height),
  pointer: z.enum(POINTERS).default(DEFAULT_SLICE.pointer),
  view: z.enum(VIEWS).default('widths'),
  /** The heights to look at, px; those of the view where none are named. */
  heights: z.array(z.number().min(100).max(10_000)).max(100).optional(),
});

/**
 * Measures what is asked for of the plan of a page. Answers line by line (NDJSON) while it works; ending the request ends
 * the work.
 */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const asked = await readBody(request, sweepSchema);
  const { page: pageId, revision, near, height, pointer, view } = asked;
  const stored = await loadProject(database(), projectId(parameters));
  if (stored.revision !== revision)
    throw new HttpError(409, 'The project has changed since; the measurement starts again with the newer one.');
  const page = pageOf(stored.project, pageId);
  if (!page) throw new HttpError(404, 'There is no such page.');
  const slice = { height, pointer };
  const widths = new Set(
    asked.widths.flatMap(({ first, last }) => Array.from({ length: last - first + 1 }, (_, i) => first + i)),
  );
  const heights = asked.heights && new Set(asked.heights);
  const lookings = planOf(stored.project, slice).filter((looking) => looking.view === view);
  const odd = [...widths].find((one) => !lookings.some((looking) => looking.widths.includes(one)));
  if (odd !== undefined) throw new HttpError(422, `No page is looked at ${odd} px wide.`);
  const wishes = lookings
    .map((looking) => ({
      ...looking,
      heights: looking.heights.filter((one) => !heights || heights.has(one)),
      widths: looking.widths.filter((one) => widths.has(one)),
    }))
    .filter((wish) => wish.heights.length > 0 && wish.widths.length > 0);
  if (wishes.length === 0) throw new HttpError(422, 'Nothing of that is among what is looked at of this page.');
  return streamLines(request.signal, (signal) => sweep(stored.project, page, slice, wishes, near, signal));
});
