import { z } from 'zod';
import { LIMITS } from '../document/limits';
import type { Page } from '../document/project';
import { partSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { anchored, idsOf, indexIn, placeFields } from './list-place';

const schema = z.strictObject({ type: z.literal('addPart'), part: partSchema, ...placeFields });
type AddPart = Omit<z.infer<typeof schema>, 'part'> & { readonly part: Page };
declare module './edit' {
  interface EditTypes {
    readonly addPart: AddPart;
  }
}

/** Puts in a part, used nowhere yet. */
export const addPart: EditKind<AddPart> = {
  schema: schema as z.ZodType<AddPart>,
  apply(project, { part, ...place }) {
    if (project.parts.some(({ id }) => id === part.id)) throw new EditError('This part is there already.');
    if (project.parts.length >= LIMITS.parts) throw new EditError(`A project has at most ${LIMITS.parts} parts.`);
    return {
      document: { ...project, parts: project.parts.toSpliced(indexIn(idsOf(project.parts), place), 0, part) },
      inverse: { type: 'removePart', part: part.id },
    };
  },
  footprint: () => ({}),
  describe: (_, { part }) => `Make part ${part.name}`,
  anchor: ({ project }, edit) => anchored(idsOf(project.parts), edit),
};
