import { z } from 'zod';
import { nameSchema } from '../text';
import { elementIdSchema } from './content';

/** Characters of JSON that an arrangement is remembered with at most. */
export const REMEMBERED_MOST = 400_000;

const jsonText = z
  .string()
  .max(REMEMBERED_MOST, `What is remembered of an arrangement has at most ${REMEMBERED_MOST} characters.`);

export const arrangedIdSchema = z.string().regex(/^v[a-z0-9]{1,24}$/, 'Not an id of an arrangement.');

/** An arrangement that was applied: what it is about, and the way back, so that it can be taken away whole later. */
export const arrangedSchema = z.strictObject({
  id: arrangedIdSchema,
  name: nameSchema,
  /** Which of the ready arrangements, or the id of one's own recipe. */
  kind: z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'Not a kind of arrangement.'),
  /** The element that it was applied to. */
  node: elementIdSchema,
  /** Where it joins a list and its detail. */
  joins: z
    .strictObject({
      /** The page that was the list's, and the one that was the detail's. */
      pages: z.tuple([z.string().max(30), z.string().max(30)]).readonly(),
      /** Elements that are a pane, and the page on which all of it can be reached where the pane isn't shown. */
      panes: z.record(elementIdSchema, z.string().max(30)),
    })
    .optional(),
  /** The edit that leads back, as JSON; read as any edit from outside before it is made. */
  back: jsonText,
});
export type Arranged = Readonly<z.infer<typeof arrangedSchema>>;

export const recipeIdSchema = z.string().regex(/^y[a-z0-9]{1,24}$/, 'Not an id of a recipe.');

/** What somebody did to one thing, to be done to others like it. */
export const recipeSchema = z.strictObject({
  id: recipeIdSchema,
  name: nameSchema,
  /** The tag of what it was done to, and of each element in it that takes part, by its way from there: "0.2". */
  shape: z.record(z.string().max(400), z.string().max(40)),
  /** Edits as JSON, in which elements are named by their way from the top. */
  edits: jsonText,
});
export type Recipe = Readonly<z.infer<typeof recipeSchema>>;
