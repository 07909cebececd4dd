import { desc, eq, inArray, lt } from 'drizzle-orm';
import { database } from '../db/client';
import { pagePictures } from '../db/schema';
import { HttpError } from '../http/errors';

/** Older ones than this many are let go of; they are made again when they are asked for. */
const KEPT = 4_000;

/** Those that are there, with how many faults each shows. */
export async function knownPictures(digests: readonly string[]): Promise<Map<string, number>> {
  if (digests.length === 0) return new Map();
  const rows = await database()
    .select({ digest: pagePictures.digest, findings: pagePictures.findings })
    .from(pagePictures)
    .where(inArray(pagePictures.digest, [...digests]));
  return new Map(rows.map(({ digest, findings }) => [digest, findings]));
}

/** @throws HttpError 404 when it hasn't been made, or was let go of */
export async function pictureBytes(digest: string): Promise<Buffer> {
  const [row] = await database().select().from(pagePictures).where(eq(pagePictures.digest, digest));
  if (!row) throw new HttpError(404, 'This picture is not there (any more). Ask for the overview again.');
  return row.png;
}

export async function keepPicture(digest: string, png: Buffer, findings: number): Promise<void> {
  await database().insert(pagePictures).values({ digest, png, findings }).onConflictDoNothing();
}

export async function letGoOfOld(): Promise<void> {
  const [oldest] = await database()
    .select({ madeAt: pagePictures.madeAt })
    .from(pagePictures)
    .orderBy(desc(pagePictures.madeAt))
    .offset(KEPT)
    .limit(1);
  if (oldest) await database().delete(pagePictures).where(lt(pagePictures.madeAt, oldest.madeAt));
}
