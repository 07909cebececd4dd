import { ComputedStyles, specifiedValue } from '@/core/cascade';
import { parentOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { planOrder } from '@/core/plans';
import { inUnit, lengthInPx, readLength } from '@/core/styles';
import { announce, commit, report } from './edits';
import { planned, lockedAmong, together, tops } from './tree';
import { shownPage, useSession, writeTarget } from './store';

/**
 * Moves what is selected by some px at the write target: by its offsets where it's placed freely, else by its margins.
 * Lengths in px, em and rem keep their unit; what can't be added to becomes px.
 */
export function nudge(dx: number, dy: number): void {
  const session = useSession.getState();
  const { project, slice, width } = session;
  const page = shownPage(session);
  const ids = tops();
  const locked = lockedAmong(ids);
  if (locked) return report(`${locked} is locked. Unlock it to move it.`);
  const at = writeTarget(session);
  const viewport = { width, height: slice.height };
  const styles = new ComputedStyles(project, page, { ...slice, width });
  const edits = ids.flatMap((node): Edit[] => {
    const value = (property: string) => specifiedValue(project, page, node, property, { ...slice, width });
    const free = value('position') !== 'static';
    const pairs = ([['left', 'right', dx], ['top', 'bottom', dy]] as const).filter(([, , by]) => by !== 0); // prettier-ignore
    return pairs.map(([start, end, by]) => {
      const offEnd = free && value(start) === 'auto' && value(end) !== 'auto';
      const property = free ? (offEnd ? end : start) : `margin-${start}`;
      return {
        type: 'setStyle',
        node,
        at,
        property,
        value: added(value(property), offEnd ? -by : by, styles.fontSize(node), viewport),
      };
    });
  });
  if (edits.length === 0) return announce('Select something to nudge.');
  const wrong = commit(together('Nudge', edits), `nudge ${dx !== 0} ${at} ${ids.join()}`);
  if (wrong) report(wrong);
}

/** @param em the element's font size in px */
function added(value: string, px: number, em: number, viewport: { width: number; height: number }): string {
  const length = readLength(value);
  if (!length || length.unit === '%') return /^[a-z-]+$/.test(value) ? `${px}px` : `calc(${value} + ${px}px)`;
  const context = { em, rem: 16, viewport };
  const before = lengthInPx(value, context);
  return (before !== undefined && inUnit(before + px, length.unit, context)) || `calc(${value} + ${px}px)`;
}

/** Earlier or later among its siblings as it looks at the write target only. */
export function reorderHere(by: 1 | -1): void {
  const session = useSession.getState();
  const page = shownPage(session);
  const [id] = tops();
  const parent = id && parentOf(page, id);
  if (!id || !parent) return announce('Select something to move.');
  const { project, slice, width } = session;
  const order = (one: string) => Number(specifiedValue(project, page, one, 'order', { ...slice, width })) || 0;
  const seen = parent.children
    .map((child, i) => ({ child, i }))
    .sort((a, b) => order(a.child) - order(b.child) || a.i - b.i);
  const at = seen.findIndex(({ child }) => child === id);
  const before = by < 0 ? seen[at - 1] : seen[at + 2];
  if (by < 0 ? at === 0 : at === seen.length - 1) return announce('It already stands at the end.');
  planned((one, here, of) => ({
    ...planOrder(one, here, of, id, before?.child, writeTarget(useSession.getState())),
    details: [],
  }));
}
