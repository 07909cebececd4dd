import { z } from 'zod';
import { treeIdSchema } from '@/core/document';
import { mendPage } from '@/server/browser/mend-page';
import { knownOf } from '@/server/browser/standing';
import { FINDINGS_MOST, findingSchema } from '@/server/http/finding';
import { streamLines } from '@/server/http/lines';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { pageAtRevision } from '@/server/store/documents';

const mendSchema = z.strictObject({
  page: treeIdSchema,
  revision: z.number().int().min(0),
  findings: z.array(findingSchema).max(FINDINGS_MOST, `At most ${FINDINGS_MOST} findings are mended at once.`),
});

/**
 * Finds safe fixes for findings of a page, those that are there with the rows that show. Answers line by line; the last is the edit that
 * makes them all.
 */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: pageId, revision, findings } = await readBody(request, mendSchema);
  const { project } = await pageAtRevision(projectId(parameters), revision, pageId);
  return streamLines(request.signal, (signal) =>
    mendPage(
      project,
      pageId,
      findings.filter(({ sample }) => sample === undefined),
      signal,
      knownOf(project),
    ),
  );
});
