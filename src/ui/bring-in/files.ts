import { z } from 'zod';
import type { Project } from '@/core/document';
import { keepFile, lackingFiles } from '@/core/render';
import { requestJson } from '../requests/requests';

const filesSchema = z.object({ files: z.record(z.string(), z.string()) });
/** So many are asked for at once: their names stand in an address. */
const AT_ONCE = 40;

/** Makes known what the files hold that came with a project's pages, before anything of them is shown. */
export async function loadFiles(project: Project): Promise<void> {
  const lacking = lackingFiles(project);
  for (let at = 0; at < lacking.length; at += AT_ONCE) {
    const hashes = lacking.slice(at, at + AT_ONCE).join(',');
    const { files } = filesSchema.parse(await requestJson(`/api/projects/${project.id}/files?hashes=${hashes}`));
    for (const [hash, address] of Object.entries(files)) keepFile(hash, address);
  }
}
