import type { Project } from '../document/project';

/*
 * What files that came with pages hold, as data addresses by the hash of their bytes: whoever renders pages makes it known first.
 * A hash always means the same bytes, so nothing here can be out of date.
 */

/** How much stays known, in characters. */
const MOST = 300_000_000;

const known = new Map<string, string>();
let size = 0;

/** Makes the data of a file known. */
export function keepFile(hash: string, address: string): void {
  if (known.has(hash)) return;
  known.set(hash, address);
  size += address.length;
  for (const [oldest, { length }] of known) {
    if (size <= MOST || oldest === hash) break;
    known.delete(oldest);
    size -= length;
  }
}

/** The data address of a file; undefined where it isn't known. */
export const fileData = (hash: string): string | undefined => known.get(hash);

/** The hashes of what frames show of a project's files and pictures, as far as it isn't known. */
export const lackingFiles = ({ files, pictures }: Pick<Project, 'files' | 'pictures'>): readonly string[] => {
  const shown = [...files.map(({ hash }) => hash), ...pictures.flatMap(({ photo }) => photo?.small ?? [])];
  return [...new Set(shown.filter((hash) => !known.has(hash)))];
};
