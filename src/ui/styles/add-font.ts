import { z } from 'zod';
import type { ProjectFile } from '@/core/document';
import { projectFileSchema } from '@/core/document';
import { loadFiles } from '../bring-in/files';
import { commit } from '../editing/edits';
import { postBytes } from '../requests/requests';
import { useSession } from '../state/store';

const answerSchema = z.object({ file: projectFileSchema });
/** Reads a font on the server, which keeps it, and takes it into the project. Returns what is wrong, in words. */
export async function addFont(chosen: Blob, name: string): Promise<string | undefined> {
  const { project } = useSession.getState();
  const path = `/api/projects/${project.id}/fonts?name=${encodeURIComponent(name)}`;
  const response = await postBytes(path, chosen, 'application/octet-stream', new AbortController().signal);
  const { file } = answerSchema.parse(await response.json());
  if (useSession.getState().project.files.some((one) => one.path === file.path)) return `${name} is in the project already.`;
  await loadFiles({ ...project, files: [file as ProjectFile] });
  return commit({ type: 'addFiles', files: [file as ProjectFile] });
}

/** Whether a file is a font by its name. */
export const isFontName = (name: string): boolean => /\.(woff2?|ttf|otf)$/i.test(name);
