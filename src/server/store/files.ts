import { createHash } from 'node:crypto';
import { inArray } from 'drizzle-orm';
import type { Project } from '@/core/document';
import { keepFile, lackingFiles } from '@/core/render';
import type { Connection } from '../db/client';
import { database } from '../db/client';
import { broughtFiles } from '../db/schema';
import { shippedFile } from './shipped-files';

export const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Keeps files by their hashes; those that are there already stay. */
export async function putFiles(
  connection: Connection,
  files: ReadonlyMap<string, { readonly type: string; readonly bytes: Uint8Array }>,
): Promise<void> {
  for (const [hash, { type, bytes }] of files)
    await connection
      .insert(broughtFiles)
      .values({ hash, type, bytes: Buffer.from(bytes) })
      .onConflictDoNothing();
}

/** The bytes of files, by hash; those that aren't kept are left out. */
export async function filesBy(
  hashes: readonly string[],
): Promise<Map<string, { readonly type: string; readonly bytes: Buffer }>> {
  const shipped = hashes.flatMap((hash) => {
    const file = shippedFile(hash);
    return file ? [[hash, file] as const] : [];
  });
  const others = hashes.filter((hash) => !shipped.some(([one]) => one === hash));
  if (others.length === 0) return new Map(shipped);
  const rows = await database().select().from(broughtFiles).where(inArray(broughtFiles.hash, others));
  return new Map([...shipped, ...rows.map(({ hash, type, bytes }) => [hash, { type, bytes }] as const)]);
}

/** Makes the files of a project known to what renders its pages. */
export async function loadFiles(project: Project): Promise<void> {
  const lacking = lackingFiles(project);
  for (const [hash, { type, bytes }] of await filesBy(lacking)) keepFile(hash, `data:${type};base64,${bytes.toString('base64')}`);
}
