import { z } from 'zod';
import { ALL_WIDTHS, DEFAULT_SLICE, POINTERS } from '@/core/breakpoints';
import { pageOf, treeIdSchema } from '@/core/document';
import { compareVersions } from '@/server/browser/compare';
import { HttpError } from '@/server/http/errors';
import { streamLines } from '@/server/http/lines';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { earlierProject } from '@/server/store/revisions';

const compareSchema = z.strictObject({
  page: treeIdSchema,
  /** The earlier revision. */
  before: z.number().int().min(0),
  /** The revision the caller shows; another one on the server is refused. */
  revision: z.number().int().min(0),
  height: z.number().int().min(100).max(10_000).default(DEFAULT_SLICE.height),
  pointer: z.enum(POINTERS).default(DEFAULT_SLICE.pointer),
  /** Compare the widths too that the edits in between say they can't have changed, and looks besides places. */
  everywhere: z.boolean().default(false),
});

/** Compares a page with what it was, width by width. Answers line by line (NDJSON). */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: id, before, revision, height, pointer, everywhere } = await readBody(request, compareSchema);
  const earlier = await earlierProject(projectId(parameters), before);
  if (earlier.revision !== revision)
    throw new HttpError(409, 'The project has changed since; the comparison starts again with the newer one.');
  const [was, is] = [earlier.project, earlier.current].map((project) => pageOf(project, id));
  if (!is) throw new HttpError(404, 'There is no such page.');
  if (!was) throw new HttpError(422, 'This page was not there yet at that revision.');
  const touched = everywhere ? ALL_WIDTHS : (earlier.footprint[id]?.widths ?? []);
  return streamLines(request.signal, (signal) =>
    compareVersions(
      { project: earlier.project, page: was },
      { project: earlier.current, page: is },
      touched,
      { height, pointer },
      signal,
      everywhere,
    ),
  );
});
