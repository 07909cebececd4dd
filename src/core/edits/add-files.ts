import { z } from 'zod';
import { projectFileSchema } from '../document/brought';
import { LIMITS } from '../document/limits';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { wholeFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('addFiles'),
  files: z.array(projectFileSchema).min(1).max(LIMITS.files).readonly(),
});
type AddFiles = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly addFiles: AddFiles;
  }
}

/** Takes pictures and fonts that came with pages into the project, whose bytes are kept already. Files stand by path. */
export const addFiles: EditKind<AddFiles> = {
  schema,
  apply(project, { files }) {
    const paths = new Set(project.files.map(({ path }) => path));
    const twice = files.find(({ path }) => paths.size === paths.add(path).size);
    if (twice) throw new EditError(`There is a file ${twice.path} already.`);
    return {
      document: { ...project, files: [...project.files, ...files].sort((a, b) => (a.path < b.path ? -1 : 1)) },
      inverse: { type: 'removeFiles', paths: files.map(({ path }) => path) },
    };
  },
  footprint: (before) => wholeFootprint(before),
  describe: (_, { files }) => (files.length === 1 ? `Add file ${files[0]!.path}` : `Add ${files.length} files`),
};
