import { z } from 'zod';
import { textSchema } from '../document/content';
import { fits } from '../document/expand';
import { shownIdSchema, splitShownId } from '../document/use';
import type { EditKind } from './edit';
import { changesElements, EditError, laterWins, nameOf, requireElement } from './edit';
import { structureFootprint } from './footprint';
import type { InUse } from './in-use';
import { inUse, say } from './in-use';
import type { DocumentWriter } from './document-writer';

const schema = z.strictObject({
  type: z.literal('sayTexts'),
  node: shownIdSchema,
  /** One for every gap between the elements in it, the ends included; null for those of the part again. */
  texts: z.array(textSchema).readonly().nullable(),
});
export type SayTexts = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly sayTexts: SayTexts;
  }
}

/** The same, where the use is known already. Returns the way back. */
export function putTexts(writer: DocumentWriter, node: string, shown: InUse, texts: readonly string[] | null): SayTexts {
  if (texts && !fits(texts, shown.of)) throw new EditError(`In "${shown.of.name}" the part has other elements than these texts.`);
  say(writer, shown, { texts: texts ?? undefined });
  return { type: 'sayTexts', node, texts: shown.said?.texts ?? null };
}

/** Gives an element of a part other words in one use of it, at all widths. */
export const sayTexts: EditKind<SayTexts> = {
  schema,
  ...changesElements<SayTexts>((writer, { node, texts }) => {
    const shown = inUse(writer, node);
    if (!shown) throw new EditError('Only in the use of a part can an element have other texts than it has.');
    return putTexts(writer, node, shown, texts);
  }),
  footprint: (_, after, { node }) => structureFootprint(requireElement(after, splitShownId(node).holder).page.id, [node]),
  describe: (project, { node, texts }) =>
    texts ? `Change the text of ${nameOf(project, node)}, here only` : `Give ${nameOf(project, node)} the text of its part again`,
  merge: laterWins('node'),
};
