'use client';

import { memo, useCallback, useMemo, useRef, useState } from 'react';
import { bandAt, BASE, describeInterval, EDGE_MAX } from '@/core/breakpoints';
import type { ChosenStretch, Choosing } from '@/core/plans';
import { chosenAlong } from '@/core/plans';
import { describeTarget } from '@/core/edits';
import { carryOut } from '../editing/proposal';
import type { LaneAction } from './lane-actions';
import type { MenuPlace } from './LaneMenu';
import { StretchMenu } from './LaneMenu';
import type { Scale } from './scale';
import { place } from './scale';
import { usePulledEnd } from './pulled-end';
import { shownPage, shownProject, useSession } from '../state/store';
import { select, setWidth } from '../view/actions';
import type { Strip, StripOption } from '../swapping/strips';
import { choose, choosingOf, moveEnd, stripsFor } from '../swapping/strips';

/** Strips that are drawn at once; a page may have more than there is room for. */
const MOST = 3;

/** Who of alternates shows at which widths, and where something is a panel: a strip for each around what is selected. */
export const ShownStrips = memo(function ShownStrips({ scale, labelWidth }: { scale: Scale; labelWidth: number }) {
  const page = useSession(shownPage);
  const selected = useSession((session) => session.selection[session.selection.length - 1]);
  const project = useSession(shownProject);
  const strips = useMemo(() => stripsFor(project, page, selected).slice(0, MOST), [project, page, selected]);
  if (strips.length === 0) return null;
  return (
    <div role="grid" aria-label="Who shows where" className="shrink-0 border-t border-line">
      {strips.map((strip) => (
        <StripRow key={strip.id} strip={strip} scale={scale} labelWidth={labelWidth} />
      ))}
    </div>
  );
});

function StripRow({ strip, scale, labelWidth }: { strip: Strip; scale: Scale; labelWidth: number }) {
  const project = useSession(shownProject);
  const slice = useSession((session) => session.slice);
  const selected = useSession((session) => session.selection[session.selection.length - 1]);
  const choosing = useMemo(() => choosingOf(project, strip), [project, strip]);
  const stretches = useMemo(() => (choosing ? chosenAlong(project, choosing, slice) : []), [project, choosing, slice]);
  const [reached, setReached] = useState(0);
  const [menu, setMenu] = useState<MenuPlace & { at: number }>();
  const row = useRef<HTMLDivElement>(null);
  const closeMenu = useCallback(() => setMenu(undefined), []);
  const focus = (at: number) => {
    const to = Math.max(0, Math.min(stretches.length - 1, at));
    setReached(to);
    row.current?.querySelectorAll<HTMLElement>('[data-shown]')[to]?.focus();
  };
  const opened = menu && stretches[menu.at];
  return (
    <div
      ref={row}
      role="row"
      className="relative h-[25px] border-b border-line bg-paper"
      data-strip={strip.id}
      onKeyDown={(event) => {
        if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return;
        if (event.key !== 'ArrowRight' && event.key !== 'ArrowLeft') return;
        event.preventDefault();
        event.stopPropagation();
        focus(reached + (event.key === 'ArrowRight' ? 1 : -1));
      }}
    >
      <span
        role="rowheader"
        className="absolute truncate pt-1 pl-3.5 text-xs"
        style={{ width: labelWidth }}
        title={strip.options.map(({ name }) => name).join(', ')}
      >
        {strip.title}
      </span>
      <div role="presentation" className="absolute inset-y-0" style={{ left: labelWidth + 14, width: scale.length }}>
        {stretches.map((stretch, i) => (
          <Cell
            key={stretch.from}
            strip={strip}
            stretches={stretches}
            at={i}
            isSelected={stretch.word !== 'false' && optionOf(strip, stretch).element === selected}
            isReached={i === Math.min(reached, stretches.length - 1)}
            scale={scale}
            onFocus={() => setReached(i)}
            onMenu={(where) => setMenu({ ...where, at: i })}
          />
        ))}
      </div>
      {menu && opened && choosing && (
        <StretchMenu
          label={`${optionOf(strip, opened).says}, ${describeInterval(opened)}`}
          actions={actionsFor(strip, choosing, stretches, menu.at, (at) =>
            at === BASE ? 'the base' : describeTarget(project, at),
          )}
          place={menu}
          run={carryOut}
          close={closeMenu}
        />
      )}
    </div>
  );
}

const optionOf = ({ options }: Strip, { word }: ChosenStretch): StripOption =>
  options.find((one) => one.word === word) ?? options[0]!;

/** What can be chosen for the band at the cursor, and how the stretch can grow or end. */
function actionsFor(
  strip: Strip,
  choosing: Choosing,
  stretches: readonly ChosenStretch[],
  at: number,
  words: (at: string) => string,
): LaneAction[] {
  const stretch = stretches[at]!;
  const [before, after] = [stretches[at - 1], stretches[at + 1]];
  const { width, project, slice } = useSession.getState();
  const covers = width >= stretch.from && width < stretch.below;
  const home = covers ? bandAt(project, width, slice).home : stretch.home;
  const where = words(home);
  const grow = (label: string, edge: number, to: number, of: ChosenStretch): LaneAction => ({
    label,
    make: moveEnd(strip, edge, to, optionOf(strip, of)),
  });
  const isInside = width > stretch.from && width < stretch.below;
  return [
    ...strip.options
      .filter(({ word }) => word !== stretch.word)
      .map((option): LaneAction => ({ label: `${option.name} at ${where}`, make: choose(strip, home, where, option) })),
    ...(home !== BASE && home in choosing.words
      ? [{ label: `Nothing of its own at ${where}`, make: choose(strip, home, where, undefined) }]
      : []),
    ...(before ? [grow(`Carry on over ${describeInterval(before)}`, stretch.from, before.from, stretch)] : []),
    ...(after ? [grow(`Carry on over ${describeInterval(after)}`, stretch.below, Math.min(after.below, EDGE_MAX), stretch)] : []),
    ...(before && isInside ? [grow(`Begin at the cursor, ${width}`, stretch.from, width, before)] : []),
    ...(after && isInside ? [grow(`End at the cursor, ${width}`, stretch.below, width + 1, after)] : []),
  ];
}

interface CellProps {
  readonly strip: Strip;
  readonly stretches: readonly ChosenStretch[];
  readonly at: number;
  readonly isSelected: boolean;
  readonly isReached: boolean;
  readonly scale: Scale;
  readonly onFocus: () => void;
  readonly onMenu: (place: MenuPlace) => void;
}

function Cell({ strip, stretches, at, isSelected, isReached, scale, onFocus, onMenu }: CellProps) {
  const cell = useRef<HTMLDivElement>(null);
  const stretch = stretches[at]!;
  const { isPulled, shown, pull } = usePulledEnd<ChosenStretch>(cell, stretch, scale, (side, to, neighbour, grows) =>
    carryOut(moveEnd(strip, stretch[side], to, optionOf(strip, grows ? stretch : neighbour))),
  );
  const drawn = place(scale, Math.min(shown.from, shown.below), Math.max(shown.from, shown.below));
  if (!drawn) return null;
  const { name, element } = optionOf(strip, stretch);
  const words = `${name}, ${describeInterval(stretch)}${stretch.own ? ', chosen here' : ', carried on'}`;
  const [before, after] = [stretches[at - 1], stretches[at + 1]];
  const grip = 'absolute inset-y-0 z-10 w-[6px] cursor-ew-resize touch-none hover:bg-reed';
  return (
    <div
      ref={cell}
      role="gridcell"
      tabIndex={isReached ? 0 : -1}
      aria-label={words}
      aria-haspopup="menu"
      title={`${words}. Right press or Enter to choose another.`}
      data-shown={stretch.word}
      className={`absolute top-[3px] h-[18px] cursor-pointer overflow-hidden rounded-[2px] border px-1 text-center ${isSelected ? 'border-reed bg-reed-tint text-ink' : stretch.own ? 'border-ink bg-sheet text-ink' : 'border-edge bg-sheet text-muted'} ${isPulled ? 'z-20 opacity-80' : ''}`}
      style={{ left: drawn.left + 1, width: Math.max(2, drawn.width - 2) }}
      onFocus={onFocus}
      onClick={(event) => {
        setWidth(scale.width(event.clientX - event.currentTarget.parentElement!.getBoundingClientRect().left));
        select([element]);
      }}
      onContextMenu={(event) => {
        event.preventDefault();
        onMenu({ x: event.clientX, y: event.clientY, cell: cell.current! });
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ' && event.key !== 'ContextMenu' && !(event.key === 'F10' && event.shiftKey))
          return;
        event.preventDefault();
        event.stopPropagation();
        const box = event.currentTarget.getBoundingClientRect();
        onMenu({ x: box.left + Math.min(20, box.width / 2), y: box.top, cell: cell.current! });
      }}
    >
      <span className="block truncate text-[11.5px] leading-4">{name}</span>
      {before && drawn.width > 16 && (
        <span aria-hidden data-end="from" className={`${grip} left-0`} onPointerDown={pull('from', before)} />
      )}
      {after && drawn.width > 16 && (
        <span aria-hidden data-end="below" className={`${grip} right-0`} onPointerDown={pull('below', after)} />
      )}
    </div>
  );
}
