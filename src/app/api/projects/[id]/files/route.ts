import { database } from '@/server/db/client';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';
import { filesBy } from '@/server/store/files';

export const dynamic = 'force-dynamic';

/** Files that came with pages, as data addresses by hash; those that are asked for and that the project has. */
export const GET = route<{ id: string }>(async (request, parameters) => {
  const { project } = await loadProject(database(), projectId(parameters));
  const wanted = new Set((new URL(request.url).searchParams.get('hashes') ?? '').split(','));
  const hashes = [...new Set(project.files.map(({ hash }) => hash))].filter((hash) => wanted.has(hash));
  const files = await filesBy(hashes);
  return Response.json({
    files: Object.fromEntries(
      [...files].map(([hash, { type, bytes }]) => [hash, `data:${type};base64,${bytes.toString('base64')}`]),
    ),
  });
});
