'use client';

import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { laneFor, laneNames } from '@/core/cascade';
import type { Lane } from '@/core/cascade';
import { ownerNow, shownPage, shownProject, shownPseudo, useSession } from '../state/store';
import { useSize } from '../stage/use-size';
import { LaneMenu } from './LaneMenu';
import type { LaneMenuPlace } from './LaneMenu';
import type { LaneHandlers } from './LaneRow';
import { LaneRow } from './LaneRow';
import type { Scale } from './scale';

const ROW = 23;
/** Rows drawn beyond what is seen, so that scrolling finds them there. */
const SPARE = 6;

/** One row for each property that is set on or reaches the selected element, each value on its stretch. */
export const Lanes = memo(function Lanes({ scale, labelWidth }: { scale: Scale; labelWidth: number }) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const slice = useSession((session) => session.slice);
  const id = useSession((session) => session.selection[session.selection.length - 1]);
  const pseudo = useSession(shownPseudo);
  const owner = useSession((session) => id && ownerNow(session, id));
  const inPart = owner === id ? undefined : owner;
  const [query, setQuery] = useState('');
  const [scroller, setScroller] = useState<HTMLDivElement | null>(null);
  const [top, setTop] = useState(0);
  const [focused, setFocused] = useState({ row: 0, column: 0 });
  const [editing, setEditing] = useState<{ property: string; from: number }>();
  const [menu, setMenu] = useState<LaneMenuPlace>();
  const { height } = useSize(scroller);

  const names = useMemo(() => (id ? laneNames(project, page, id, pseudo) : []), [project, page, id, pseudo]);
  const wanted = useMemo(() => {
    const text = query.trim().toLowerCase();
    return text ? names.filter((name) => name.includes(text)) : names;
  }, [names, query]);
  const first = Math.max(0, Math.floor(top / ROW) - SPARE);
  const last = Math.min(wanted.length, Math.ceil((top + height) / ROW) + SPARE);
  const lanes = useMemo(
    () => (id ? wanted.slice(first, last).map((name) => laneFor(project, page, id, name, slice, pseudo, inPart)) : []),
    [project, page, id, wanted, first, last, slice, pseudo, inPart],
  );

  const handlers = useMemo<LaneHandlers>(
    () => ({
      focus: (row, column) => setFocused({ row, column }),
      edit: (property, from) => setEditing(from === undefined ? undefined : { property, from }),
      menu: setMenu,
    }),
    [],
  );
  useEffect(() => {
    setEditing(undefined);
    setMenu(undefined);
  }, [id, pseudo]);

  const closeMenu = useCallback(() => setMenu(undefined), []);
  const grid = useRef<HTMLDivElement>(null);
  const go = useCallback(
    (row: number, column: number) => {
      const to = Math.min(wanted.length - 1, Math.max(0, row));
      setFocused({ row: to, column });
      if (scroller && (to * ROW < scroller.scrollTop || (to + 1) * ROW > scroller.scrollTop + scroller.clientHeight))
        scroller.scrollTop = Math.max(0, to * ROW - scroller.clientHeight / 2);
      requestAnimationFrame(() => {
        const cells = grid.current?.querySelectorAll<HTMLElement>(`[data-row="${to}"] [data-stretch]`);
        cells?.[Math.min(column, cells.length - 1)]?.focus({ preventScroll: true });
      });
    },
    [wanted.length, scroller],
  );
  const keyDown = (event: React.KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const { row, column } = focused;
    if (event.key === 'ArrowDown') go(row + 1, column);
    else if (event.key === 'ArrowUp') go(row - 1, column);
    else if (event.key === 'ArrowRight') go(row, column + 1);
    else if (event.key === 'ArrowLeft') go(row, Math.max(0, column - 1));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <div className="flex min-h-0 flex-1 flex-col border-t border-line">
      {names.length > 8 && (
        <div className="flex h-6 shrink-0 items-center gap-2 border-b border-line pl-3.5">
          <input
            aria-label="Find a lane"
            placeholder="Find a lane"
            className="h-[19px] rounded-[3px] border border-line-strong bg-well px-1.5 text-xs"
            style={{ width: labelWidth - 28 }}
            value={query}
            onChange={(event) => {
              setQuery(event.target.value);
              setTop(0);
              if (scroller) scroller.scrollTop = 0;
            }}
          />
          <span className="text-xs text-muted" aria-live="polite">
            {query ? `${wanted.length} of ${names.length} lanes` : `${names.length} lanes, own ones first`}
          </span>
        </div>
      )}
      <div
        ref={setScroller}
        className="part min-h-0 flex-1 overflow-x-hidden overflow-y-auto [scrollbar-width:thin]"
        onScroll={(event) => setTop(event.currentTarget.scrollTop)}
      >
        {names.length === 0 && (
          <p className="py-2 text-muted" style={{ paddingLeft: labelWidth + 14 }}>
            {id ? 'Nothing is set on this element or reaches it.' : 'Select an element to see its values along the width.'}
          </p>
        )}
        <div
          ref={grid}
          role="grid"
          data-fine
          aria-label="Values along the width"
          aria-rowcount={wanted.length}
          className="relative"
          style={{ height: wanted.length * ROW }}
          onKeyDown={keyDown}
        >
          {id &&
            lanes.map((lane: Lane, i) => (
              <LaneRow
                key={lane.property}
                owner={(owner ?? id) + pseudo}
                lane={lane}
                row={first + i}
                column={focused.row === first + i ? focused.column : focused.row >= wanted.length && first + i === 0 ? 0 : -1}
                editing={editing?.property === lane.property ? editing.from : undefined}
                scale={scale}
                labelWidth={labelWidth}
                handlers={handlers}
              />
            ))}
        </div>
      </div>
      {menu && id && <LaneMenu place={menu} close={closeMenu} />}
    </div>
  );
});
