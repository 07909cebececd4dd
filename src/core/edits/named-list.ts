import type { z } from 'zod';
import type { Project } from '../document/project';
import type { Edit, EditKind, Footprint } from './edit';
import { EditError } from './edit';
import type { ListPlace } from './list-place';
import { anchored, idsOf, indexIn, placeOf } from './list-place';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** A list of the project whose entries people keep under a name and look up by id. */
export interface NamedList<T extends Named> {
  readonly of: (project: Project) => readonly T[];
  readonly put: (project: Project, list: readonly T[]) => Project;
  readonly most: number;
  /** What one is called: "device". */
  readonly word: string;
  readonly save: (entry: T, place: ListPlace) => Edit;
  readonly remove: (id: string) => Edit;
  /** What of pages another list reaches; nothing where it doesn't say. */
  readonly reaches?: (before: Project, after: Project) => Footprint;
}

/** Keeps an entry; one of the same id is replaced where it stands. Two can't have the same name. */
export function savesInto<T extends Named, E extends ListPlace>(
  list: NamedList<T>,
  schema: z.ZodType<E>,
  entryOf: (edit: E) => T,
): EditKind<E> {
  return {
    schema,
    apply(project, edit) {
      const entry = entryOf(edit);
      const all = list.of(project);
      const same = all.findIndex(({ id }) => id === entry.id);
      if (all.some(({ id, name }) => id !== entry.id && name === entry.name))
        throw new EditError(`There is a ${list.word} called ${entry.name} already.`);
      if (same < 0 && all.length >= list.most) throw new EditError(`A project has at most ${list.most} ${list.word}s.`);
      const ids = idsOf(all);
      return {
        document: list.put(project, all.toSpliced(same < 0 ? indexIn(ids, edit) : same, same < 0 ? 0 : 1, entry)),
        inverse: same < 0 ? list.remove(entry.id) : list.save(all[same]!, placeOf(ids, entry.id)),
      };
    },
    footprint: (before, after) => list.reaches?.(before, after) ?? {},
    describe: (_, edit) => `Keep ${list.word} ${entryOf(edit).name}`,
    merge: (earlier, later) => (entryOf(earlier).id === entryOf(later).id ? later : undefined),
    anchor: ({ project }, edit) => anchored(idsOf(list.of(project)), edit),
  };
}

/** Forgets an entry. */
export function removesFrom<T extends Named, E extends { readonly id: string }>(
  list: NamedList<T>,
  schema: z.ZodType<E>,
): EditKind<E> {
  return {
    schema,
    apply(project, { id }) {
      const all = list.of(project);
      const index = all.findIndex((one) => one.id === id);
      if (index < 0) throw new EditError(`This ${list.word} has been removed already.`);
      return { document: list.put(project, all.toSpliced(index, 1)), inverse: list.save(all[index]!, placeOf(idsOf(all), id)) };
    },
    footprint: (before, after) => list.reaches?.(before, after) ?? {},
    describe: (project, { id }) => `Forget ${list.word} ${list.of(project).find((one) => one.id === id)?.name ?? ''}`,
  };
}
