import { ComputedStyles, heldIn, lookOf, specifiedValue } from '@/core/cascade';
import { childIds, parentOf, readPseudo } from '@/core/document';
import type { Edit } from '@/core/edits';
import { inOrder, planOrder } from '@/core/plans';
import type { LengthContext } from '@/core/styles';
import { inUnit, lengthInPx, readLength } from '@/core/styles';
import { measuredLength } from './measured-length';
import { announce, commit, report } from '../editing/edits';
import { choosePseudo } from '../view/actions';
import { carryOut } from '../editing/proposal';
import { shownPage, shownPseudo, useSession, writeTarget } from '../state/store';
import { lockedAmong, together, tops } from '../arranging/tree';

/**
 * Moves what is selected by some px at the write target: by its offsets where it's placed freely, else by its margins.
 * Lengths keep their unit; `auto` becomes what is measured; to what can't be added to, px are added by `calc()`.
 */
export function nudge(dx: number, dy: number): void {
  const session = useSession.getState();
  const { project, slice, width } = session;
  const page = shownPage(session);
  const ids = tops();
  const locked = lockedAmong(ids);
  if (locked) return report(`${locked} is locked. Unlock it to move it.`);
  const pseudo = shownPseudo(session);
  if (readPseudo(pseudo).box) return announce('Elements are nudged, not their boxes.');
  const at = writeTarget(session);
  const viewport = { width, height: slice.height };
  const styles = new ComputedStyles(project, page, { ...slice, width });
  const edits = ids.flatMap((node): Edit[] => {
    const look = lookOf(project, page, node, pseudo);
    const value = (property: string) =>
      specifiedValue(look.project, look.page, node, property, heldIn(look, { ...slice, width }));
    const context = { em: styles.fontSize(node), rem: styles.rootSize, viewport };
    const free = value('position') !== 'static';
    const pairs = (
      [
        ['left', 'right', dx],
        ['top', 'bottom', dy],
      ] as const
    ).filter(([, , by]) => by !== 0);
    return pairs.map(([start, end, by]) => {
      const offEnd = free && value(start) === 'auto' && value(end) !== 'auto';
      const property = free ? (offEnd ? end : start) : `margin-${start}`;
      const next = lengthened(value(property), offEnd ? -by : by, context, measuredLength(property));
      return { type: 'setStyle', owner: node + pseudo, at, property, value: next };
    });
  });
  if (edits.length === 0) return announce('Select something to nudge.');
  const wrong = commit(together('Nudge', edits), `nudge ${dx !== 0} ${at} ${pseudo} ${ids.join()}`);
  if (wrong) report(wrong);
}

const ADDED = /^calc\((.+) \+ (-?[\d.]+)px\)$/;

/**
 * A length made longer by some px, in its own unit where that can be told.
 * @param measured what it comes to now, px, where that is known
 */
export function lengthened(value: string, px: number, context: LengthContext, measured?: number): string {
  const length = readLength(value);
  const before = length && lengthInPx(value, context);
  const said = length && before !== undefined ? inUnit(before + px, length.unit, context) : undefined;
  if (said) return said;
  if (/^[a-z-]+$/.test(value)) return `${Math.round(((measured ?? 0) + px) * 10) / 10}px`;
  // What was added before is added to, or each step would wrap one more calc() around.
  const [, inner = value, added = '0'] = ADDED.exec(value) ?? [];
  const sum = Number(added) + px;
  return sum === 0 ? inner : `calc(${inner} + ${sum}px)`;
}

/** Earlier or later among its siblings as it looks at the write target only. */
export function reorderHere(by: 1 | -1): void {
  const session = useSession.getState();
  const page = shownPage(session);
  const [id] = tops();
  const parent = id && parentOf(page, id);
  if (!id || !parent) return announce('Select something to move.');
  const { project, slice, width } = session;
  const orderOf = (one: string) => Number(specifiedValue(project, page, one, 'order', { ...slice, width })) || 0;
  // The order is one of rest; what is looked at must say where the edit goes.
  if (shownPseudo(session) !== '') choosePseudo('');
  const seen = inOrder(childIds(parent), orderOf);
  const at = seen.indexOf(id);
  const to = at + by;
  if (to < 0 || to >= seen.length) return announce('It already stands at the end.');
  const before = by < 0 ? seen[to] : seen[to + 1];
  carryOut((one, here, of) => planOrder(one, here, of, id, before, writeTarget(useSession.getState())));
}
