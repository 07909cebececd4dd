import { z } from 'zod';
import { LIMITS } from '../document/limits';
import { pictureSchema } from '../document/project';
import type { EditKind } from './edit';
import { tablesFootprint } from './save-table';
import { EditError } from './edit';
import { anchored, idsOf, indexIn, placeFields } from './list-place';

const schema = z.strictObject({ type: z.literal('addPicture'), picture: pictureSchema, ...placeFields });
type AddPicture = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly addPicture: AddPicture;
  }
}

/** Puts a picture among the project's. Nothing shows it yet. */
export const addPicture: EditKind<AddPicture> = {
  schema,
  apply(project, { picture, ...place }) {
    if (project.pictures.some(({ id }) => id === picture.id)) throw new EditError('This picture is there already.');
    if (project.pictures.some(({ fileName }) => fileName === picture.fileName))
      throw new EditError(`There is a picture ${picture.fileName} already.`);
    if (project.pictures.length >= LIMITS.pictures) throw new EditError(`A project has at most ${LIMITS.pictures} pictures.`);
    return {
      document: { ...project, pictures: project.pictures.toSpliced(indexIn(idsOf(project.pictures), place), 0, picture) },
      inverse: { type: 'removePicture', id: picture.id },
    };
  },
  // Tables name pictures that may come and go.
  footprint: tablesFootprint,
  describe: (_, { picture }) => `Add picture ${picture.fileName}`,
  anchor: ({ project }, edit) => anchored(idsOf(project.pictures), edit),
};
