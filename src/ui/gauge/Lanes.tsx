'use client';

import { memo, useMemo } from 'react';
import { describeInterval } from '@/core/breakpoints';
import { lanesFor } from '@/core/cascade';
import type { Lane } from '@/core/cascade';
import { CARRIAGE_WORDS } from '../inspector/OriginMark';
import { setWidth } from '../session/actions';
import { shownPage, shownProject, useSession } from '../session/store';
import type { Scale } from './scale';
import { place } from './scale';

/** One row for each property that is set on or reaches the selected element, each value on its stretch. */
export const Lanes = memo(function Lanes({ scale, labelWidth }: { scale: Scale; labelWidth: number }) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const id = useSession((session) => session.selection[session.selection.length - 1]);
  const lanes = useMemo(() => (id ? lanesFor(project, page, id) : []), [project, page, id]);
  return (
    <div
      role="list"
      aria-label="Values along the width"
      className="part min-h-0 flex-1 overflow-x-hidden overflow-y-auto border-t border-line [scrollbar-width:thin]"
    >
      {lanes.length === 0 && (
        <p className="py-2" style={{ paddingLeft: labelWidth + 14 }}>
          <span className="text-muted">
            {id
              ? 'Nothing is set on this element or reaches it.'
              : 'Select an element to see its values along the width.'}
          </span>
        </p>
      )}
      {lanes.map((lane) => (
        <LaneRow key={lane.property} lane={lane} scale={scale} labelWidth={labelWidth} />
      ))}
    </div>
  );
});

interface RowProps {
  readonly lane: Lane;
  readonly scale: Scale;
  readonly labelWidth: number;
}

/** The same text for the same picture. */
const drawnAs = ({ property, stretches }: Lane) =>
  `${property} ${stretches.map(({ from, below, value, carriage }) => `${from} ${below} ${value} ${carriage}`).join()}`;

const LaneRow = memo(
  function LaneRow({ lane, scale, labelWidth }: RowProps) {
    const spoken = lane.stretches
      .map((stretch) => `${stretch.value}, ${describeInterval(stretch)}, ${CARRIAGE_WORDS[stretch.carriage]}`)
      .join('; ');
    return (
      <div
        role="listitem"
        aria-label={`${lane.property}: ${spoken}`}
        className="relative h-[23px] border-b border-line"
        data-lane={lane.property}
      >
        <span className="absolute truncate pt-0.5 pl-3.5 font-mono text-[12px]" style={{ width: labelWidth }}>
          {lane.property}
        </span>
        <div aria-hidden className="absolute inset-y-0" style={{ left: labelWidth + 14, width: scale.length }}>
          {lane.stretches.map((stretch) => {
            const at = place(scale, stretch.from, stretch.below);
            if (!at) return null;
            return (
              <div
                key={stretch.from}
                title={`${stretch.value}, ${describeInterval(stretch)}: ${CARRIAGE_WORDS[stretch.carriage]}`}
                data-stretch={stretch.carriage}
                className={`absolute top-[2px] h-[18px] cursor-pointer overflow-hidden rounded-[2px] border px-1 text-center pattern-${stretch.carriage}`}
                style={{ left: at.left + 1, width: Math.max(2, at.width - 2) }}
                onClick={(event) =>
                  setWidth(scale.width(event.clientX - event.currentTarget.parentElement!.getBoundingClientRect().left))
                }
              >
                <span
                  className={`block truncate font-mono text-[11.5px] leading-4 ${/shared|inherited/.test(stretch.carriage) ? 'mx-auto w-fit max-w-full bg-sheet px-1' : ''}`}
                >
                  {stretch.value}
                </span>
              </div>
            );
          })}
        </div>
      </div>
    );
  },
  (a, b) => a.scale === b.scale && a.labelWidth === b.labelWidth && drawnAs(a.lane) === drawnAs(b.lane),
);
