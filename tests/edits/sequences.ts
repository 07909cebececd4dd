import type { Project } from '@/core/document';
import { childIds, kept, readProject, treesOf } from '@/core/document';
import { classNames } from '@/core/document/class-names';
import { parentsOf } from '@/core/document/tree';
import { changedIds } from '@/core/document/versions';
import type { Incoming, LogEntry, ServerState } from '@/core/edits';
import { applyEdit, describeEdit, EMPTY_HISTORY, makeEdit, readEdit, takeIn } from '@/core/edits';
import { sameJson } from '@/core/text';
import { Draw } from './draw';
import { randomEdit } from './random-edit';
import { START } from './start';

/** What PostgreSQL would keep and give back: JSON text without NUL, which JSONB refuses. */
export function stored<T>(value: T): T {
  const text = JSON.stringify(value);
  if (/\\u0000|\\ud[89a-f][0-9a-f]{2}/i.test(text)) throw new Error(`JSONB would refuse ${text.slice(0, 200)}`);
  return JSON.parse(text) as T;
}

export interface SequenceCounts {
  readonly taken: Map<string, number>;
  readonly refused: Map<string, number>;
}

export const newCounts = (): SequenceCounts => ({ taken: new Map(), refused: new Map() });

const differ = (what: string, seed: number, edit: unknown) =>
  new Error(`${what} after an edit from seed ${seed}: ${JSON.stringify(edit).slice(0, 1500)}`);

/** What is remembered of a page across edits and isn't what looking at all its elements says; undefined where all is. */
function wronglyRemembered(before: Project, after: Project): string | undefined {
  for (const page of treesOf(after)) {
    const was = treesOf(before).find(({ id }) => id === page.id)?.elements ?? {};
    const differing = Object.keys({ ...was, ...page.elements }).filter((id) => was[id] !== page.elements[id]);
    if (!sameJson([...changedIds(was, page.elements)].sort(), differing.sort())) return 'Changed elements';
    const parents = Object.values(page.elements).flatMap((one) =>
      childIds(one).map((child): [string, string] => [child, one.id]),
    );
    if (!sameJson([...parentsOf(page)].sort(), parents.sort())) return 'Parents';
  }
  return undefined;
}

function rarest(seeds: readonly number[], project: Project, { taken, refused }: SequenceCounts): number {
  const drawn = seeds.map((seed) => {
    const { type } = randomEdit(project, new Draw(seed));
    return { seed, times: Math.min(taken.get(type) ?? 0, refused.get(type) ?? 0) };
  });
  return drawn.sort((a, b) => a.times - b.times)[0]!.seed;
}

/**
 * A sequence of edits through the code of the server. After each the stored document loads and says the same, the entry as
 * stored leads there from the document before, and its inverse leads back.
 * @param seeds one an edit; of several the one whose kind of edit was taken, or refused, least so far
 * @throws Error that says which seed led to what
 */
export function runSequence(seeds: readonly (number | readonly number[])[], counts: SequenceCounts): void {
  let state: ServerState = { revision: 0, project: START, history: EMPTY_HISTORY };
  const log: LogEntry[] = [];
  for (const one of seeds) {
    const seed = typeof one === 'number' ? one : rarest(one, state.project, counts);
    const draw = new Draw(seed);
    const edit = randomEdit(state.project, draw);
    const incoming: Incoming = {
      id: `00000000-0000-4000-8000-${seed.toString(16).padStart(12, '0')}`,
      kind: 'do',
      edit: JSON.parse(JSON.stringify(edit)),
    };
    const { state: next, entries, refused } = takeIn(state, [incoming], log.slice(-5));
    const count = entries.length > 0 ? counts.taken : counts.refused;
    count.set(edit.type, (count.get(edit.type) ?? 0) + 1);
    if (refused.length > 0 && !sameJson(next.project, state.project)) throw differ('Changed though refused', seed, edit);
    const wrong = wronglyRemembered(state.project, next.project);
    if (wrong) throw differ(`${wrong} remembered wrongly`, seed, edit);
    for (const entry of entries) {
      let loaded: Project;
      try {
        loaded = readProject(stored(kept(next.project)));
      } catch (error) {
        throw differ(`Unreadable (${(error as Error).message})`, seed, edit);
      }
      // As uses of parts show it too: nothing that is remembered of earlier documents may be shown.
      if (!sameJson(loaded, next.project)) throw differ('Reads otherwise', seed, edit);
      if (!sameJson([...classNames(loaded)], [...classNames(next.project)]))
        throw differ('Class names remembered wrongly', seed, edit);
      const entryKept = stored(entry);
      if (!sameJson(applyEdit(state.project, entryKept.edit).document, next.project))
        throw differ('Replays otherwise', seed, edit);
      const back = makeEdit(next.project, readEdit(entryKept.inverse));
      if (describeEdit(state.project, entryKept.edit) === '' || Object.values(back.footprint).some(({ widths }) => !widths))
        throw differ('Says nothing', seed, edit);
      if (!sameJson(back.document, state.project)) throw differ('Inverse leads elsewhere', seed, edit);
      log.push(entryKept);
    }
    state = next;
  }
  const replayed = log.reduce((project, { edit }) => applyEdit(project, edit).document, START);
  if (!sameJson(replayed, state.project)) throw new Error(`The log leads elsewhere (seeds ${seeds.join()}).`);
  const undone = log.reduceRight((project, { inverse }) => makeEdit(project, inverse).document, state.project);
  if (!sameJson(undone, START)) throw new Error(`Undo leads elsewhere (seeds ${seeds.join()}).`);
}
