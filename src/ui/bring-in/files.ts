import { z } from 'zod';
import type { Project } from '@/core/document';
import { keepFile, lackingFiles } from '@/core/render';
import { requestJson } from '../requests/requests';
import { useSession } from '../state/store';

const filesSchema = z.object({ files: z.record(z.string(), z.string()) });
/** The same for what came by somebody else's edit: what is shown already is shown anew with them. */
export async function followFiles(project: Project): Promise<void> {
  if (lackingFiles(project).length === 0) return;
  await loadFiles(project);
  // Another list of the same files: frames go by what is another object.
  useSession.setState((session) => ({
    project: { ...session.project, files: [...session.project.files], pictures: [...session.project.pictures] },
  }));
}

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
