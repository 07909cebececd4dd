import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PhotoType } from '@/core/document';
import { PHOTO_TYPES } from '@/core/document';

interface File {
  readonly type: string;
  readonly bytes: Buffer;
}

const folder = () => join(process.cwd(), 'src/demo/photos');
const typeOf = (ending: string) => (Object.keys(PHOTO_TYPES) as PhotoType[]).find((type) => PHOTO_TYPES[type] === ending);

let listed: ReadonlyMap<string, PhotoType> | undefined;
const known = new Map<string, File>();

/** The files of the demo's pictures that come with the program, by hash. */
function shipped(): ReadonlyMap<string, PhotoType> {
  listed ??= new Map(
    readdirSync(folder()).flatMap((name) => {
      const [hash = '', ending = ''] = name.split('.');
      const type = typeOf(ending);
      return type ? [[hash, type] as const] : [];
    }),
  );
  return listed;
}

/** A file that comes with the program; undefined for all others. */
export function shippedFile(hash: string): File | undefined {
  const type = shipped().get(hash);
  if (!type) return undefined;
  let file = known.get(hash);
  if (!file) known.set(hash, (file = { type, bytes: readFileSync(join(folder(), `${hash}.${PHOTO_TYPES[type]}`)) }));
  return file;
}

/** All of them, to be kept with projects that show them: a later version of the program may ship others. */
export const shippedFiles = (): ReadonlyMap<string, File> =>
  new Map([...shipped().keys()].map((hash) => [hash, shippedFile(hash)!]));
