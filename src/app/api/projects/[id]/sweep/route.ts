import { z } from 'zod';
import { lookingsOf, SWEEP_RANGE, VIEWS } from '@/core/audit';
import { DEFAULT_SLICE, POINTERS } from '@/core/breakpoints';
import { pageIdSchema } from '@/core/document';
import { sweep } from '@/server/browser/sweep';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { streamLines } from '@/server/http/lines';
import { projectId } from '@/server/http/parameters';
import { readBody, route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';

const width = z
  .number()
  .int()
  .min(SWEEP_RANGE.first, 'A sweep begins at 320 px.')
  .max(SWEEP_RANGE.last, 'A sweep ends at 1920 px.');

const sweepSchema = z.strictObject({
  page: pageIdSchema,
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
});

/** Measures a page at widths. Answers line by line (NDJSON) while it works; ending the request ends the work. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: pageId, revision, widths, near, height, pointer, view } = await readBody(request, sweepSchema);
  const stored = await loadProject(database(), projectId(parameters));
  if (stored.revision !== revision)
    throw new HttpError(409, 'The project has changed since; the measurement starts again with the newer one.');
  const page = stored.project.pages.find((one) => one.id === pageId);
  if (!page) throw new HttpError(404, 'There is no such page.');
  const slice = { height, pointer };
  const asked = new Set(
    widths.flatMap(({ first, last }) => Array.from({ length: last - first + 1 }, (_, i) => first + i)),
  );
  const lookings =
    view === 'widths'
      ? [{ view, heights: [height], widths: [...asked].sort((a, b) => a - b) }]
      : lookingsOf(stored.project, slice).filter((looking) => looking.view === view);
  const wishes = lookings.map((looking) => ({
    ...looking,
    // The few viewports of devices are always looked at as a whole.
    widths: looking.widths.length > 1 ? looking.widths.filter((one) => asked.has(one)) : looking.widths,
    near,
  }));
  return streamLines(request.signal, (signal) => sweep(stored.project, page, slice, wishes, signal));
});
