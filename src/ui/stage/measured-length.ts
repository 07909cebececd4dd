import { useSession } from '../state/store';
import { latestLayout } from './frame-link';
import { usedLength } from './handles';

/** What the property of the selected element measures now, px; undefined where nothing is measured. */
export function measuredLength(property: string): number | undefined {
  const layout = latestLayout();
  const { selection } = useSession.getState();
  const measured = layout?.measured;
  const rect = measured && layout.rects[measured.id];
  return measured && rect && selection.length === 1 && selection[0] === measured.id
    ? usedLength(property, measured, rect)
    : undefined;
}
