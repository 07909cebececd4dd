import { z } from 'zod';
import type { ReportForm } from '@/core/report';
import { REPORT_FORMS } from '@/core/report';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { listRuns, projectOfRun } from '@/server/store/audits';

export const dynamic = 'force-dynamic';

const askedSchema = z.object({
  form: z.enum(
    Object.keys(REPORT_FORMS) as [ReportForm, ...ReportForm[]],
    `A report comes as ${Object.keys(REPORT_FORMS).join(', ')}.`,
  ),
  run: z.uuid('Not an audit.').optional(),
});

/** The report of an audit, the last one that is done unless another is named, as a file. */
export const GET = route<{ id: string }>(async (request, parameters) => {
  const asked = askedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) throw new HttpError(400, asked.error.issues[0]!.message);
  const runs = await listRuns(projectId(parameters), 60);
  const finished = (run: (typeof runs)[number]) => run.pages.every(({ state }) => state === 'done' || state === 'failed');
  const run = asked.data.run ? runs.find(({ id }) => id === asked.data.run) : runs.find(finished);
  if (!run) throw new HttpError(404, asked.data.run ? 'There is no such audit.' : 'No audit of this project is done yet.');
  if (!finished(run)) throw new HttpError(409, 'This audit isn’t done yet.');
  const project = await projectOfRun(run.id);
  if (!project) throw new HttpError(404, 'There is no such audit.');
  const pages = project.pages.map((page) => {
    const audited = run.pages.find((one) => one.page === page.id);
    // What is only to be known of a page that was measured is no problem of its report.
    const problem = audited?.state === 'failed' ? (audited.problem ?? undefined) : undefined;
    return { page, findings: audited?.findings ?? [], problem };
  });
  const { type, ending, write } = REPORT_FORMS[asked.data.form];
  const text = write({ project, revision: run.revision, createdAt: run.createdAt, pages });
  const disposition = `attachment; filename="audit-${run.createdAt.slice(0, 10)}.${ending}"`;
  return new Response(text, {
    headers: { 'content-type': type, 'content-disposition': disposition, 'cache-control': 'no-store' },
  });
});
