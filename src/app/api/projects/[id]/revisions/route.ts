import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { listRevisions } from '@/server/store/revisions';

export const dynamic = 'force-dynamic';

/** The last edits, newest first, each with the revision before it. */
export const GET = route<{ id: string }>(async (_, parameters) => Response.json(await listRevisions(projectId(parameters))));
