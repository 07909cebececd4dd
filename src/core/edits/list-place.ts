import { z } from 'zod';

/**
 * A place in a list: an index, and the entry that it follows (null for none). While that entry is there it decides, so
 * that the place keeps its sense when others have put in, moved or taken away entries meanwhile.
 */
export interface ListPlace {
  readonly index?: number | undefined;
  readonly after?: string | null | undefined;
}

/** The fields of a place, for the schema of an edit. */
export const placeFields = {
  index: z.number('A place in a list is a whole number.').int('A place in a list is a whole number.').min(0).optional(),
  after: z.string().max(60).nullable().optional(),
};

/** The index that a place means among the ids of a list; its end where no place is given. */
export function indexIn(ids: readonly string[], { index, after }: ListPlace): number {
  if (after === null) return 0;
  const at = after === undefined ? -1 : ids.indexOf(after);
  if (at >= 0) return at + 1;
  return Math.min(index ?? ids.length, ids.length);
}

/** A place with its neighbour named; without an index it stays as it is. */
export function anchored<P extends ListPlace>(ids: readonly string[], place: P): P {
  if (place.index === undefined || place.after !== undefined) return place;
  return { ...place, after: ids[place.index - 1] ?? (place.index === 0 ? null : undefined) };
}

/** The place of an entry that stands in a list, so that it can be put there again. */
export function placeOf(ids: readonly string[], id: string): { readonly index: number; readonly after: string | null } {
  const index = ids.indexOf(id);
  return { index, after: ids[index - 1] ?? null };
}

export const idsOf = (list: readonly { readonly id: string }[]): string[] => list.map(({ id }) => id);
