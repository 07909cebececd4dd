import { z } from 'zod';
import { BASE } from '../breakpoints/breakpoint';
import { elementIdSchema } from '../document/element';
import { pictureChoice, picturesSchema, whyNoPictures } from '../document/shown-pictures';
import type { PageElement } from '../document/element';
import type { Page } from '../document/project';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf } from './edit';
import { picturesFootprint } from './footprint';

const schema = z.strictObject({
  type: z.literal('setPictures'),
  node: elementIdSchema,
  /** Null for what shows the same picture everywhere. */
  pictures: picturesSchema.nullable(),
});
type SetPictures = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setPictures: SetPictures;
  }
}

/** Which pictures an image shows at breakpoints in place of its own. */
export const setPictures: EditKind<SetPictures> = {
  schema,
  ...changesElements<SetPictures>((writer, { node, pictures }) => {
    const { page, element } = writer.require(node);
    const why = pictures && whyNotHere(page, element);
    if (why) throw new EditError(why);
    requirePictures(writer.project, Object.values(pictures ?? {}));
    const { pictures: before, ...rest } = element;
    writer.put(page.id, pictures ? { ...rest, pictures } : rest);
    return { type: 'setPictures', node, pictures: before ?? null };
  }),
  footprint: (before, after, { node }) => picturesFootprint(before, after, [node]),
  describe: (project, { node, pictures }) =>
    pictures ? `Choose what ${nameOf(project, node)} shows` : `${nameOf(project, node)} shows one picture`,
  merge: laterWins('node'),
};

/** Why an image can't show other pictures at breakpoints where it stands; undefined where it can. */
export function whyNotHere(page: Page, element: PageElement): string | undefined {
  if (element.use) return `${element.name} is the use of a part: say it in the part.`;
  // Its own HTML is handed back as it is, with no place for other files.
  if (page.brought) return 'On a page that was brought in an image shows the same picture at all widths.';
  return whyNoPictures(element);
}

/** @throws EditError when one of the pictures isn't there */
export function requirePictures(
  project: { readonly pictures: readonly { readonly id: string }[] },
  ids: readonly string[],
): void {
  if (ids.some((id) => !project.pictures.some((picture) => picture.id === id))) throw new EditError("That picture isn't there.");
}

/** What an image shows by place, its base too; empty for what shows no picture of the project. */
export const wordsOf = (element: PageElement): Readonly<Record<string, string>> =>
  Object.fromEntries(pictureChoice(element) ?? [[BASE, '']]);
