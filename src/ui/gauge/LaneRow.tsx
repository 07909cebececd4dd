'use client';

import { memo, useRef } from 'react';
import { describeInterval } from '@/core/breakpoints';
import type { Lane, Stretch } from '@/core/cascade';
import { CARRIAGE_WORDS } from '../origin/OriginMark';
import { setWidth } from '../view/actions';
import { useSession } from '../state/store';
import type { LaneMenuPlace } from './LaneMenu';
import type { Scale } from './scale';
import { place } from './scale';
import { usePulledEnd } from './pulled-end';
import { moveEnd } from './stretch';
import { StretchField } from './StretchField';

/** What a row asks of its list. The object stays the same for as long as the list stands. */
export interface LaneHandlers {
  readonly focus: (row: number, column: number) => void;
  readonly edit: (property: string, from: number | undefined) => void;
  readonly menu: (place: LaneMenuPlace | undefined) => void;
}

/** A row's height, px. */
export const LANE_HEIGHT = 23;

interface RowProps {
  readonly owner: string;
  readonly lane: Lane;
  readonly row: number;
  /** From the top of all rows, px. */
  readonly top: number;
  /** The stretch that the Tab key leads to; -1 where none of this row is it. */
  readonly column: number;
  /** The beginning of the stretch that is being typed into. */
  readonly editing: number | undefined;
  readonly scale: Scale;
  readonly labelWidth: number;
  readonly handlers: LaneHandlers;
}

/** A variable that nobody sets has no value at all. */
const valueText = ({ value }: Stretch) => value || 'no value';

/** The same text for the same picture. */
const inDoubt = ({ doubts }: Stretch) => (doubts.length > 0 ? ', or another that only a browser can tell' : '');

const drawnAs = ({ property, stretches }: Lane) =>
  `${property} ${stretches.map(({ from, below, value, carriage, origin, doubts }) => `${from} ${below} ${value} ${carriage} ${doubts.length} ${origin.kind === 'declared' ? `${origin.candidate.at} ${origin.candidate.pseudo}` : ''}`).join()}`;

/** One property along the width: its name, and its values on their stretches, each to be pressed, typed into or dragged. */
export const LaneRow = memo(
  function LaneRow({ owner, lane, row, top, column, editing, scale, labelWidth, handlers }: RowProps) {
    const spoken = lane.stretches
      .map(
        (stretch) =>
          `${valueText(stretch)}, ${describeInterval(stretch)}, ${CARRIAGE_WORDS[stretch.carriage]}${inDoubt(stretch)}`,
      )
      .join('; ');
    return (
      <div
        role="row"
        aria-rowindex={row + 1}
        aria-label={`${lane.property}: ${spoken}`}
        className="absolute right-0 left-0 border-b border-line"
        style={{ top, height: LANE_HEIGHT }}
        data-lane={lane.property}
        data-row={row}
      >
        <span
          role="rowheader"
          className="absolute truncate pt-0.5 pl-3.5 font-mono text-[12px]"
          style={{ width: labelWidth }}
          title={lane.property}
        >
          {lane.property}
        </span>
        <div role="presentation" className="absolute inset-y-0" style={{ left: labelWidth + 14, width: scale.length }}>
          {lane.stretches.map((stretch, i) => (
            <StretchCell
              key={stretch.from}
              owner={owner}
              property={lane.property}
              stretch={stretch}
              before={lane.stretches[i - 1]}
              after={lane.stretches[i + 1]}
              reached={column >= 0 && i === Math.min(column, lane.stretches.length - 1)}
              editing={editing === stretch.from}
              scale={scale}
              focus={() => handlers.focus(row, i)}
              handlers={handlers}
            />
          ))}
        </div>
      </div>
    );
  },
  (a, b) =>
    a.owner === b.owner &&
    a.row === b.row &&
    a.top === b.top &&
    a.column === b.column &&
    a.editing === b.editing &&
    a.scale === b.scale &&
    a.labelWidth === b.labelWidth &&
    drawnAs(a.lane) === drawnAs(b.lane),
);

interface CellProps {
  readonly owner: string;
  readonly property: string;
  readonly stretch: Stretch;
  readonly before: Stretch | undefined;
  readonly after: Stretch | undefined;
  readonly reached: boolean;
  readonly editing: boolean;
  readonly scale: Scale;
  readonly focus: () => void;
  readonly handlers: LaneHandlers;
}

function StretchCell({ owner, property, stretch, before, after, reached, editing, scale, focus, handlers }: CellProps) {
  const cell = useRef<HTMLDivElement>(null);
  const { isPulled, shown, pull } = usePulledEnd<Stretch>(cell, stretch, scale, (side, to, neighbour) =>
    moveEnd(owner, property, stretch, neighbour, side, to),
  );
  const at = place(scale, Math.min(shown.from, shown.below), Math.max(shown.from, shown.below));
  if (!at) return null;
  const words = `${valueText(stretch)}, ${describeInterval(stretch)}: ${CARRIAGE_WORDS[stretch.carriage]}${inDoubt(stretch)}`;
  const openMenu = (x: number, y: number) =>
    handlers.menu({ owner, property, stretch, before, after, x, y, cell: cell.current! });
  const inside = () => {
    const { width } = useSession.getState();
    return width >= stretch.from && width < stretch.below;
  };
  const grip = 'absolute inset-y-0 z-10 w-[6px] cursor-ew-resize touch-none hover:bg-reed';
  return (
    <div
      ref={cell}
      role="gridcell"
      tabIndex={reached ? 0 : -1}
      aria-label={words}
      title={editing ? undefined : `${words}. Double press to type, right press for more.`}
      data-stretch={stretch.carriage}
      className={`absolute top-[2px] h-[18px] cursor-pointer overflow-hidden rounded-[2px] border px-1 text-center pattern-${stretch.carriage} ${isPulled ? 'z-20 opacity-80' : ''}`}
      style={{ left: at.left + 1, width: Math.max(2, at.width - 2) }}
      onFocus={focus}
      onClick={(event) => {
        if (editing) return;
        setWidth(scale.width(event.clientX - event.currentTarget.parentElement!.getBoundingClientRect().left));
      }}
      onDoubleClick={() => handlers.edit(property, stretch.from)}
      onContextMenu={(event) => {
        event.preventDefault();
        focus();
        openMenu(event.clientX, event.clientY);
      }}
      onKeyDown={(event) => {
        if (editing || event.ctrlKey || event.metaKey || event.altKey) return;
        if (event.key === 'Enter' || event.key === 'F2') {
          if (!inside()) setWidth(stretch.below === Infinity ? Math.ceil(stretch.from) : Math.ceil(stretch.below) - 1);
          handlers.edit(property, stretch.from);
        } else if (event.key === 'ContextMenu' || (event.key === 'F10' && event.shiftKey) || event.key === ' ') {
          const box = event.currentTarget.getBoundingClientRect();
          openMenu(box.left + Math.min(20, box.width / 2), box.top);
        } else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {editing ? (
        <StretchField
          owner={owner}
          property={property}
          stretch={stretch}
          finish={() => {
            handlers.edit(property, undefined);
            cell.current?.focus();
          }}
        />
      ) : (
        <span
          className={`block truncate font-mono text-[11.5px] leading-4 ${/shared|kind|imported|inherited/.test(stretch.carriage) ? 'mx-auto w-fit max-w-full bg-sheet px-1' : ''}`}
        >
          {valueText(stretch)}
          {stretch.doubts.length > 0 && <span className="text-amber-ink"> ?</span>}
        </span>
      )}
      {before && at.width > 16 && (
        <span aria-hidden data-end="from" className={`${grip} left-0`} onPointerDown={pull('from', before)} />
      )}
      {after && at.width > 16 && (
        <span aria-hidden data-end="below" className={`${grip} right-0`} onPointerDown={pull('below', after)} />
      )}
    </div>
  );
}
