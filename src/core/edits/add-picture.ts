import { z } from 'zod';
import { pictureSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';

const schema = z.strictObject({
  type: z.literal('addPicture'),
  picture: pictureSchema,
  index: z.number().int().min(0).max(500).optional(),
});
export type AddPicture = z.infer<typeof schema>;

/** Puts a picture among the project's. Nothing shows it yet. */
export const addPicture: EditKind<AddPicture> = {
  schema,
  apply(project, { picture, index = project.pictures.length }) {
    if (project.pictures.some(({ id }) => id === picture.id)) throw new EditError('This picture is there already.');
    if (project.pictures.some(({ fileName }) => fileName === picture.fileName))
      throw new EditError(`There is a picture ${picture.fileName} already.`);
    if (project.pictures.length >= 500) throw new EditError('A project has at most 500 pictures.');
    return {
      document: { ...project, pictures: project.pictures.toSpliced(index, 0, picture) },
      inverse: { type: 'removePicture', id: picture.id },
    };
  },
  footprint: () => ({}),
  describe: (_, { picture }) => `Add picture ${picture.fileName}`,
};
