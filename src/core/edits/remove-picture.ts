import { z } from 'zod';
import { picturesNamed } from '../document/shown-pictures';
import type { PageElement } from '../document/element';
import { treesOf } from '../document/tree';
import type { EditKind } from './edit';
import { tablesFootprint } from './save-table';
import { EditError } from './edit';
import { idsOf, placeOf } from './list-place';

const schema = z.strictObject({ type: z.literal('removePicture'), id: z.string().max(30) });
type RemovePicture = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly removePicture: RemovePicture;
  }
}

/** Takes away a picture that no element shows. Values may name one that isn't there: they show nothing then. */
export const removePicture: EditKind<RemovePicture> = {
  schema,
  apply(project, { id }) {
    const index = project.pictures.findIndex((picture) => picture.id === id);
    if (index < 0) throw new EditError('This picture has been removed already.');
    const shows = treesOf(project)
      .flatMap(({ elements }) => Object.values(elements))
      .find((element) => showsOf(element).includes(id));
    if (shows) throw new EditError(`${shows.name} shows this picture.`);
    return {
      document: { ...project, pictures: project.pictures.toSpliced(index, 1) },
      inverse: { type: 'addPicture', picture: project.pictures[index]!, ...placeOf(idsOf(project.pictures), id) },
    };
  },
  // Tables name pictures that may come and go.
  footprint: tablesFootprint,
  describe: (project, { id }) => `Remove picture ${project.pictures.find((picture) => picture.id === id)?.fileName ?? ''}`,
};

/** The pictures that an element shows, and those that it shows as the use of a part. */
const showsOf = (element: PageElement): readonly string[] => [
  ...picturesNamed(element),
  ...Object.values(element.use?.says ?? {}).flatMap(({ attributes = {} }) => picturesNamed({ attributes })),
];
