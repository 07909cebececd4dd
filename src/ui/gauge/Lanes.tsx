'use client';

import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { laneFor, laneNames } from '@/core/cascade';
import type { Lane } from '@/core/cascade';
import { useDrawn } from '../drawn/use-drawn';
import { ownerNow, shownPage, shownProject, shownPseudo, useSession } from '../state/store';
import { LaneMenu } from './LaneMenu';
import type { LaneMenuPlace } from './LaneMenu';
import type { LaneHandlers } from './LaneRow';
import { LANE_HEIGHT, LaneRow } from './LaneRow';
import type { Scale } from './scale';

/** Rows drawn beyond those in sight: each is worked out along the whole width. */
const BESIDES = 6;

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
  const [focused, setFocused] = useState({ row: 0, column: 0 });
  const [editing, setEditing] = useState<{ property: string; from: number }>();
  const [menu, setMenu] = useState<LaneMenuPlace>();

  const names = useMemo(() => (id ? laneNames(project, page, id, pseudo) : []), [project, page, id, pseudo]);
  const wanted = useMemo(() => {
    const text = query.trim().toLowerCase();
    return text ? names.filter((name) => name.includes(text)) : names;
  }, [names, query]);
  const typedInto = editing ? wanted.indexOf(editing.property) : -1;
  const { drawn, height, scrollTo } = useDrawn({
    ...{ count: wanted.length, scroller: () => scroller, size: LANE_HEIGHT, most: 0, besides: BESIDES },
    keep: [focused.row, typedInto],
  });
  // A lane that was worked out once stays while what it follows from does.
  const laneOf = useMemo(() => {
    const known = new Map<string, Lane>();
    return (name: string) => {
      if (!known.has(name)) known.set(name, laneFor(project, page, id!, name, slice, pseudo, inPart));
      return known.get(name)!;
    };
  }, [project, page, id, slice, pseudo, inPart]);

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
      // Drawn first, where it was out of sight.
      flushSync(() => setFocused({ row: to, column }));
      scrollTo(to);
      const cells = grid.current?.querySelectorAll<HTMLElement>(`[data-row="${to}"] [data-stretch]`);
      cells?.[Math.min(column, cells.length - 1)]?.focus({ preventScroll: true });
    },
    [wanted.length, scrollTo],
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
              if (scroller) scroller.scrollTop = 0;
            }}
          />
          <span className="text-xs text-muted" aria-live="polite">
            {query ? `${wanted.length} of ${names.length} lanes` : `${names.length} lanes, own ones first`}
          </span>
        </div>
      )}
      <div ref={setScroller} className="part min-h-0 flex-1 overflow-x-hidden overflow-y-auto [scrollbar-width:thin]">
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
          style={{ height: height ?? 0 }}
          onKeyDown={keyDown}
        >
          {id &&
            drawn.flatMap(({ index, top }) => {
              const property = wanted[index];
              if (property === undefined) return [];
              const column = focused.row === index ? focused.column : focused.row >= wanted.length && index === 0 ? 0 : -1;
              return [
                <LaneRow
                  key={property}
                  owner={(owner ?? id) + pseudo}
                  lane={laneOf(property)}
                  row={index}
                  top={top ?? 0}
                  column={column}
                  editing={editing?.property === property ? editing.from : undefined}
                  scale={scale}
                  labelWidth={labelWidth}
                  handlers={handlers}
                />,
              ];
            })}
        </div>
      </div>
      {menu && id && <LaneMenu place={menu} close={closeMenu} />}
    </div>
  );
});
