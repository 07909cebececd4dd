import { unzipSync } from 'fflate';
import type { PackageFile } from './bring-in';
import type { LeftOut } from '../document/brought';

/** What of a package is taken. */
export interface PackageLimits {
  /** All files of it unpacked, bytes. */
  readonly unpacked: number;
  readonly file: number;
  readonly files: number;
}

export const PACKAGE_LIMITS = {
  /** A package as it is sent, bytes. */
  sent: 60_000_000,
  unpacked: 120_000_000,
  file: 25_000_000,
  files: 3_000,
} as const;

/** Why a package can't be taken, in a sentence. */
export class UnreadablePackage extends Error {
  override readonly name = 'UnreadablePackage';
}

const MB = (bytes: number) => `${Math.round(bytes / 1_000_000)} MB`;

/** What an entry says of itself in the directory of a ZIP, where links are told from files. */
interface Entry {
  readonly name: string;
  readonly isLink: boolean;
  readonly isLocked: boolean;
}

/** The entries of a ZIP's directory (APPNOTE, 4.3.12). */
function entriesOf(bytes: Uint8Array): readonly Entry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - 22;
  while (end >= 0 && end > bytes.length - 66_000 && view.getUint32(end, true) !== 0x06054b50) end--;
  if (end < 0 || view.getUint32(end, true) !== 0x06054b50)
    throw new UnreadablePackage('This isn’t a ZIP file, or it is cut off.');
  const count = view.getUint16(end + 10, true);
  const entries: Entry[] = [];
  for (let at = view.getUint32(end + 16, true), n = 0; n < count && at + 46 <= bytes.length; n++) {
    if (view.getUint32(at, true) !== 0x02014b50) throw new UnreadablePackage('The directory of this ZIP file can’t be read.');
    const [nameLength, extra, comment] = [28, 30, 32].map((offset) => view.getUint16(at + offset, true)) as [
      number,
      number,
      number,
    ];
    entries.push({
      name: new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + nameLength)),
      isLink: view.getUint32(at + 38, true) >>> 28 === 0xa,
      isLocked: (view.getUint16(at + 8, true) & 1) === 1,
    });
    at += 46 + nameLength + extra + comment;
  }
  return entries;
}

/**
 * The files of a ZIP. What would be put outside of it, links and what is too large are left out and told.
 * @throws UnreadablePackage
 */
export function readZip(
  bytes: Uint8Array,
  limits: PackageLimits = PACKAGE_LIMITS,
): { readonly files: readonly PackageFile[]; readonly leftOut: readonly LeftOut[] } {
  const leftOut: LeftOut[] = [];
  const leave = (name: string, what: string) => void leftOut.push({ reason: 'file', file: name.slice(0, 300) || '?', what });
  const links = new Set<string>();
  for (const { name, isLink, isLocked } of entriesOf(bytes)) {
    if (isLocked) throw new UnreadablePackage('This ZIP file is locked with a password.');
    if (isLink) links.add(name);
  }
  let [total, count] = [0, 0];
  let unpacked: Record<string, Uint8Array>;
  try {
    unpacked = unzipSync(bytes, {
      filter: ({ name, originalSize, compression }) => {
        if (name.endsWith('/') || /(^|[\\/])(__MACOSX|\.git|\.DS_Store|Thumbs\.db)([\\/]|$)/.test(name)) return false;
        if (links.has(name)) return (leave(name, 'a link to another file'), false);
        if (pathIn(name) === undefined) return (leave(name, 'a file that would be put outside of the package'), false);
        if (compression !== 0 && compression !== 8) return (leave(name, 'a file packed in a way that isn’t known here'), false);
        if (originalSize > limits.file)
          return (leave(name, `a file of ${MB(originalSize)}; at most ${MB(limits.file)} can be`), false);
        total += originalSize;
        if (total > limits.unpacked)
          throw new UnreadablePackage(`Unpacked this is over ${MB(limits.unpacked)}; nothing was brought in.`);
        if (++count > limits.files)
          throw new UnreadablePackage(`A package has at most ${limits.files} files; nothing was brought in.`);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof UnreadablePackage) throw error;
    throw new UnreadablePackage(`This ZIP file can’t be unpacked: ${error instanceof Error ? error.message : String(error)}.`);
  }
  const files = Object.entries(unpacked).map(([name, one]) => ({ path: pathIn(name)!, bytes: one }));
  return { files: withoutCommonFolder(files), leftOut };
}

/** A name in a package as a path; undefined for one that leads out of it. */
function pathIn(name: string): string | undefined {
  const path = name.replaceAll('\\', '/');
  if (path.startsWith('/') || /^[a-z]:/i.test(path) || /[\u0000-\u001f]/.test(path) || path.length > 500) return undefined;
  const steps = path.split('/').filter((step) => step !== '' && step !== '.');
  return steps.length === 0 || steps.includes('..') ? undefined : steps.join('/');
}

/** The folder that all files stand in says nothing. */
function withoutCommonFolder(files: readonly PackageFile[]): readonly PackageFile[] {
  const first = files[0]?.path.split('/')[0];
  if (first === undefined || !files.every(({ path }) => path.startsWith(`${first}/`))) return files;
  return withoutCommonFolder(files.map(({ path, bytes }) => ({ path: path.slice(first.length + 1), bytes })));
}
