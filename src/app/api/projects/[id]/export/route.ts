import { zipSync } from 'fflate';
import { renderExport } from '@/core/render';
import { slugOf } from '@/core/document';
import { fontBytes } from '@/server/browser/fonts';
import { database } from '@/server/db/client';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { loadProject } from '@/server/store/documents';

export const dynamic = 'force-dynamic';

// The oldest time a ZIP can hold: same project, same bytes.
const STEADY_TIME = new Date(1980, 0, 1);

/** The hand-over: pages, sheet, pictures and fonts as a ZIP. */
export const GET = route<{ id: string }>(async (_, parameters) => {
  const { project } = await loadProject(database(), projectId(parameters));
  const text = new TextEncoder();
  const files = Object.fromEntries(
    renderExport(project).map(({ path, content }) => [
      path,
      'text' in content ? text.encode(content.text) : new Uint8Array(fontBytes(content.font)),
    ]),
  );
  const zip = zipSync(files, { mtime: STEADY_TIME });
  return new Response(zip as BodyInit, {
    headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${slugOf(project.name)}.zip"` },
  });
});
