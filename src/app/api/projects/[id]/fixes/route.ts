import { z } from 'zod';
import { treeIdSchema } from '@/core/document';
import { knownOf } from '@/server/browser/standing';
import { tryFixes } from '@/server/browser/try-fixes';
import { findingsOfOneCause } from '@/server/http/finding';
import { streamLines } from '@/server/http/lines';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { pageAtRevision } from '@/server/store/documents';

const fixesSchema = z.strictObject({ page: treeIdSchema, revision: z.number().int().min(0), findings: findingsOfOneCause });

/** Tries fixes for findings of one cause. Answers line by line (NDJSON), each fix with what it did. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: pageId, revision, findings } = await readBody(request, fixesSchema);
  const { project, page } = await pageAtRevision(projectId(parameters), revision, pageId, findings[0]?.sample);
  return streamLines(request.signal, (signal) => tryFixes(project, page, findings, signal, knownOf(project)));
});
