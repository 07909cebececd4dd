import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { filesBy } from '@/server/store/files';

export const dynamic = 'force-dynamic';

/** Files that came with pages, as data addresses by hash: whoever knows a hash knows the file, or has just brought it. */
export const GET = route<{ id: string }>(async (request, parameters) => {
  projectId(parameters);
  const wanted = (new URL(request.url).searchParams.get('hashes') ?? '').split(',');
  const files = await filesBy([...new Set(wanted)].filter((hash) => /^[0-9a-f]{64}$/.test(hash)).slice(0, 100));
  return Response.json({
    files: Object.fromEntries(
      [...files].map(([hash, { type, bytes }]) => [hash, `data:${type};base64,${bytes.toString('base64')}`]),
    ),
  });
});
