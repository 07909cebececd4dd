import { z } from 'zod';
import { pathSchema } from '../document/brought';
import { LIMITS } from '../document/limits';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { wholeFootprint } from './footprint';

const schema = z.strictObject({ type: z.literal('removeFiles'), paths: z.array(pathSchema).min(1).max(LIMITS.files).readonly() });
type RemoveFiles = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removeFiles: RemoveFiles;
  }
}

/** Takes files out of the project. Pages that show them show that they are missing. */
export const removeFiles: EditKind<RemoveFiles> = {
  schema,
  apply(project, { paths }) {
    const gone = project.files.filter(({ path }) => paths.includes(path));
    if (gone.length !== new Set(paths).size) throw new EditError('A file that this edit is about has been removed.');
    return {
      document: { ...project, files: project.files.filter((file) => !gone.includes(file)) },
      inverse: { type: 'addFiles', files: gone },
    };
  },
  footprint: (before) => wholeFootprint(before),
  describe: (_, { paths }) => (paths.length === 1 ? `Remove file ${paths[0]!}` : `Remove ${paths.length} files`),
};
