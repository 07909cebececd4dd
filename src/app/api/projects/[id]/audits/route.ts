import { z } from 'zod';
import { viewportsToDecide } from '@/server/browser/audit-page';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { orderAudit, workOnAudits } from '@/server/jobs/audit-jobs';
import { listRuns } from '@/server/store/audits';
import { loadProject } from '@/server/store/documents';

export const dynamic = 'force-dynamic';

const orderSchema = z.strictObject({
  /** The revision the caller shows; another one on the server is refused. */
  revision: z.number().int().min(0),
});

/** The project's audits, newest first. */
export const GET = route<{ id: string }>(async (_, parameters) => {
  const id = projectId(parameters);
  const { project } = await loadProject(database(), id);
  return Response.json({ runs: await listRuns(id), total: viewportsToDecide(project) });
});

/** Orders an audit of all pages; workers take it up. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const id = projectId(parameters);
  const { revision } = await readBody(request, orderSchema);
  const stored = await loadProject(database(), id);
  if (stored.revision !== revision) throw new HttpError(409, 'The project has changed since; order the audit again.');
  // This process works too, so that a machine without workers of its own gets its audits done.
  if (process.env.MILLPOND_WORK !== 'elsewhere') await workOnAudits();
  return Response.json({ run: await orderAudit(id, stored.project, revision) }, { status: 201 });
});
