import { slugOf } from '@/core/document';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { everythingOf } from '@/server/store/recovery';

export const dynamic = 'force-dynamic';

/** All that is stored of a project, for the case that it can't be read: document parts and edits as JSON. */
export const GET = route<{ id: string }>(async (_, parameters) => {
  const everything = await everythingOf(projectId(parameters));
  return new Response(JSON.stringify(everything, undefined, 1), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${slugOf(everything.project.name)}-everything.json"`,
    },
  });
});
