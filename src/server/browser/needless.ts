import type { Finding } from '@/core/audit';
import { ALL_WIDTHS } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { addedBy } from '@/core/remedy';
import type { Standing } from './standing';

/** So many single values are left out once, to see whether they are needed. */
const LEFT_OUT_MOST = 24;

const flat = (edit: Edit): Edit[] => (edit.type === 'group' ? edit.edits.flatMap(flat) : [edit]);

/**
 * Each step is left out once, then each value of those that stay, and kept out where nothing returns.
 * @param last the page with all steps made
 */
export async function withoutNeedless<S extends { readonly edit: Edit }>(
  first: Standing,
  last: Standing,
  findingsOf: (standing: Standing) => Promise<readonly Finding[]>,
  steps: readonly S[],
  signal: AbortSignal,
): Promise<S[]> {
  const goal = await findingsOf(last);
  const isEnough = async (edits: readonly Edit[]) => {
    try {
      const { standing } = first.after({ type: 'group', label: 'Mend', edits: [...edits] });
      return addedBy(ALL_WIDTHS, goal, await findingsOf(standing)).length === 0;
    } catch {
      return false;
    }
  };
  let kept = [...steps];
  for (const one of steps) {
    const others = kept.filter((other) => other !== one);
    if (kept.length > 1 && (await isEnough(others.map(({ edit }) => edit)))) kept = others;
  }
  let left = LEFT_OUT_MOST;
  for (const one of kept) {
    let values = flat(one.edit);
    for (const value of [...values]) {
      if (values.length < 2 || left-- <= 0 || signal.aborted) continue;
      const fewer = values.filter((other) => other !== value);
      const edit: Edit = { type: 'group', label: one.edit.type === 'group' ? one.edit.label : 'Mend', edits: fewer };
      const all = kept.map((other) => (other === one ? edit : other.edit));
      if (!(await isEnough(all))) continue;
      values = fewer;
    }
    if (values.length < flat(one.edit).length) {
      const edit: Edit = { type: 'group', label: one.edit.type === 'group' ? one.edit.label : 'Mend', edits: values };
      kept = kept.map((other) => (other === one ? { ...one, edit } : other));
    }
  }
  return kept;
}
