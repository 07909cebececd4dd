import { z } from 'zod';
import { treeIdSchema } from '@/core/document';
import { pictureFinding } from '@/server/browser/picture';
import { findingSchema } from '@/server/http/finding';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { pageAtRevision } from '@/server/store/documents';

const pictureSchema = z.strictObject({ page: treeIdSchema, revision: z.number().int().min(0), finding: findingSchema });

/** A picture of a finding where it is worst, with its element marked, as PNG. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: pageId, revision, finding } = await readBody(request, pictureSchema);
  const { project, page } = await pageAtRevision(projectId(parameters), revision, pageId, finding.sample);
  const png = await pictureFinding(project, page, finding, request.signal);
  return new Response(new Uint8Array(png), { headers: { 'content-type': 'image/png', 'cache-control': 'no-store' } });
});
