'use client';

import { rootPx } from '@/core/document';
import { inUnit, LENGTH_UNITS, readFluid, readLength, wholeOf } from '@/core/styles';
import { useSession } from '../state/store';
import { freshLayout } from '../stage/frame-link';
import { unitContext } from '../stage/handles';
import { measuredLength } from '../stage/measured-length';

interface Props {
  readonly property: string;
  readonly label: string;
  readonly value: string;
  readonly write: (value: string) => string | undefined;
  readonly grow: () => void;
}

/** What is measured once all that was written has been laid out, in another unit. */
async function converted(property: string, unit: string): Promise<string | undefined> {
  const layout = await freshLayout();
  const px = measuredLength(property);
  if (px === undefined || !layout.measured) return undefined;
  const { slice, width } = useSession.getState();
  // Browsers lay out in parts of a px; nobody means them.
  if (unit === 'px') return `${Math.round(px * 10) / 10}px`;
  return inUnit(px, unit, unitContext(layout.measured, property, { width, height: slice.height }));
}

/** The unit of a length; choosing another says the measured length in it. */
export function UnitSwitch({ property, label, value, write, grow }: Props) {
  const rem = useSession((session) => rootPx(session.project));
  const unit = readFluid(value, rem) ? 'fluid' : (readLength(value)?.unit ?? 'other');
  const units = LENGTH_UNITS.filter((one) => one !== '%' || wholeOf(property) !== 'none');
  return (
    <select
      aria-label={`Unit of ${label}`}
      title="Says what is measured now in another unit"
      className="h-[22px] w-[46px] shrink-0 rounded-[3px] border border-line bg-paper text-[11px] text-muted"
      value={unit}
      onChange={(event) => {
        const wanted = event.target.value;
        if (wanted === 'grow') return grow();
        const { selection } = useSession.getState();
        void converted(property, wanted).then((next) => {
          // Meanwhile something else may have been chosen.
          if (useSession.getState().selection !== selection) return;
          if (next) write(next);
          else
            useSession.setState({
              foretold: `${label} can't be said in ${wanted} here: nothing is measured that it would be a part of.`,
            });
        });
      }}
    >
      {unit === 'fluid' && <option value="fluid">fluid</option>}
      {!(units as readonly string[]).includes(unit) && unit !== 'fluid' && (
        <option value={unit}>{unit === 'other' ? '–' : unit}</option>
      )}
      {units.map((one) => (
        <option key={one} value={one}>
          {one}
        </option>
      ))}
      <option value="grow">grows …</option>
    </select>
  );
}
