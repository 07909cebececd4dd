import { z } from 'zod';
import type { Arranged, Recipe } from '../document/arranged';
import { arrangedIdSchema, arrangedSchema, recipeIdSchema, recipeSchema } from '../document/arranged';
import { LIMITS } from '../document/limits';
import { placeFields } from './list-place';
import type { NamedList } from './named-list';
import { removesFrom, savesInto } from './named-list';

const saveArrangedSchema = z.strictObject({ type: z.literal('saveArranged'), arranged: arrangedSchema, ...placeFields });
type SaveArranged = z.infer<typeof saveArrangedSchema>;
const removeArrangedSchema = z.strictObject({ type: z.literal('removeArranged'), id: arrangedIdSchema });
type RemoveArranged = z.infer<typeof removeArrangedSchema>;
const saveRecipeSchema = z.strictObject({ type: z.literal('saveRecipe'), recipe: recipeSchema, ...placeFields });
type SaveRecipe = z.infer<typeof saveRecipeSchema>;
const removeRecipeSchema = z.strictObject({ type: z.literal('removeRecipe'), id: recipeIdSchema });
type RemoveRecipe = z.infer<typeof removeRecipeSchema>;
declare module './edit' {
  interface EditTypes {
    readonly saveArranged: SaveArranged;
    readonly removeArranged: RemoveArranged;
    readonly saveRecipe: SaveRecipe;
    readonly removeRecipe: RemoveRecipe;
  }
}

const applied: NamedList<Arranged> = {
  of: ({ arranged }) => arranged,
  put: (project, arranged) => ({ ...project, arranged }),
  most: LIMITS.arranged,
  word: 'applied arrangement',
  save: (arranged, place) => ({ type: 'saveArranged', arranged, ...place }),
  remove: (id) => ({ type: 'removeArranged', id }),
};

/** Remembers that an arrangement was applied, and the way back. */
export const saveArranged = savesInto(applied, saveArrangedSchema, ({ arranged }: SaveArranged) => arranged);

/** Forgets that it was; what it made stays. */
export const removeArranged = removesFrom(applied, removeArrangedSchema);

const own: NamedList<Recipe> = {
  of: ({ recipes }) => recipes,
  put: (project, recipes) => ({ ...project, recipes }),
  most: LIMITS.recipes,
  word: 'recipe',
  save: (recipe, place) => ({ type: 'saveRecipe', recipe, ...place }),
  remove: (id) => ({ type: 'removeRecipe', id }),
};

/** Keeps an arrangement of one's own. */
export const saveRecipe = savesInto(own, saveRecipeSchema, ({ recipe }: SaveRecipe) => recipe);

/** Forgets a recipe. What was arranged by it stays. */
export const removeRecipe = removesFrom(own, removeRecipeSchema);
