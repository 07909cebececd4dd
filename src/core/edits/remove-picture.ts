import { z } from 'zod';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { allOwners, ownerName } from './owners';

const schema = z.strictObject({ type: z.literal('removePicture'), id: z.string().max(30) });
export type RemovePicture = z.infer<typeof schema>;

/** Takes away a picture that no element and no value shows. */
export const removePicture: EditKind<RemovePicture> = {
  schema,
  apply(project, { id }) {
    const index = project.pictures.findIndex((picture) => picture.id === id);
    if (index < 0) throw new EditError('This picture has been removed already.');
    const shows = project.pages
      .flatMap((page) => Object.values(page.elements))
      .find(({ attributes }) => attributes.src === `picture:${id}`);
    if (shows) throw new EditError(`${shows.name} shows this picture.`);
    const names = allOwners(project).find(({ styles }) =>
      Object.values(styles).some((one) => Object.values(one).some((value) => value.includes(`picture:${id})`))),
    );
    if (names) throw new EditError(`A value of ${ownerName(project, names.id)} shows this picture.`);
    return {
      document: { ...project, pictures: project.pictures.toSpliced(index, 1) },
      inverse: { type: 'addPicture', picture: project.pictures[index]!, index },
    };
  },
  footprint: () => ({}),
  describe: (project, { id }) =>
    `Remove picture ${project.pictures.find((picture) => picture.id === id)?.fileName ?? ''}`,
};
