import { randomBytes } from 'node:crypto';
import type { Completed } from '@/core/bring-in';
import { addMissing, readZip, UnreadablePackage } from '@/core/bring-in';
import { EditError, makeEdit } from '@/core/edits';
import { database } from '../db/client';
import { HttpError } from '../http/errors';
import { loadProject } from '../store/documents';
import { filesBy, hashOf, putFiles } from '../store/files';

/**
 * Keeps files that were missing when pages came in, and says by which edit they come into the project.
 * @throws HttpError 422 with a sentence
 */
export async function completeProject(zip: Uint8Array, id: string): Promise<Omit<Completed, 'bytes'>> {
  try {
    const { files } = readZip(zip);
    const { project } = await loadProject(database(), id);
    const hashes = [
      ...project.files.map(({ hash }) => hash),
      ...project.sheets.flatMap(({ source }) => source ?? []),
      ...project.pages.flatMap(({ brought }) => brought?.source ?? []),
    ];
    const kept = await filesBy([...new Set(hashes)]);
    const key = randomBytes(4).readUInt32BE().toString(36);
    const { bytes, ...completed } = addMissing(project, files, { hash: hashOf, key, kept: (hash) => kept.get(hash)?.bytes });
    if (completed.edit) makeEdit(project, completed.edit);
    await putFiles(database(), bytes);
    return completed;
  } catch (error) {
    if (error instanceof UnreadablePackage || error instanceof EditError) throw new HttpError(422, error.message);
    throw error;
  }
}
