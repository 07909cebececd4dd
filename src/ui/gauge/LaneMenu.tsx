'use client';

import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { describeInterval } from '@/core/breakpoints';
import { propose } from '../editing/proposal';
import { shownPage, shownProject, useSession } from '../state/store';
import type { Make } from '../editing/proposal';
import type { LaneAction, StretchPlace } from './lane-actions';
import { laneActions } from './lane-actions';

export type LaneMenuPlace = StretchPlace & MenuPlace;

/** What can be done with the value on one stretch. Each says what will happen before it does. */
export function LaneMenu({ place, close }: { place: LaneMenuPlace; close: () => void }) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  return (
    <StretchMenu
      label={`${place.property} ${place.stretch.value}, ${describeInterval(place.stretch)}`}
      actions={laneActions(project, page, place)}
      place={place}
      run={propose}
      close={close}
    />
  );
}

export interface MenuPlace {
  readonly x: number;
  readonly y: number;
  /** Where the focus goes back to. */
  readonly cell: HTMLElement;
}

interface MenuProps {
  readonly label: string;
  readonly actions: readonly LaneAction[];
  readonly place: MenuPlace;
  readonly run: (make: Make) => void;
  readonly close: () => void;
}

/** A menu on a stretch of the gauge, one list behind another. */
export function StretchMenu({ label, actions: all, place, run, close }: MenuProps) {
  const [further, setFurther] = useState<string>();
  const menu = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(place.y);
  const opened = all.find((action) => action.label === further);
  const actions = opened && 'more' in opened ? opened.more : all;

  useLayoutEffect(() => {
    const height = menu.current?.offsetHeight ?? 0;
    setTop(Math.max(8, Math.min(place.y, innerHeight - height - 8)));
    menu.current?.querySelector('button')?.focus();
  }, [place.y, further]);
  useEffect(() => {
    const outside = (event: PointerEvent) => {
      if (!menu.current?.contains(event.target as Node)) close();
    };
    document.addEventListener('pointerdown', outside);
    return () => document.removeEventListener('pointerdown', outside);
  }, [close]);

  const move = (by: number) => {
    const buttons = [...(menu.current?.querySelectorAll('button') ?? [])];
    const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
    buttons[(at + by + buttons.length) % buttons.length]?.focus();
  };
  const leave = () => {
    close();
    place.cell.focus();
  };
  return createPortal(
    <div
      ref={menu}
      role="menu"
      aria-label={label}
      className="fixed z-40 w-60 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm"
      style={{ left: Math.min(place.x, innerWidth - 250), top }}
      onKeyDown={(event) => {
        if (event.key === 'ArrowDown') move(1);
        else if (event.key === 'ArrowUp') move(-1);
        else if (event.key === 'ArrowLeft' && further) setFurther(undefined);
        else if (event.key === 'Escape' || event.key === 'Tab') leave();
        else if (event.key === 'Enter' || event.key === ' ') return event.stopPropagation();
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {actions.map((action) => (
        <button
          key={action.label}
          type="button"
          role="menuitem"
          tabIndex={-1}
          aria-haspopup={'more' in action ? 'menu' : undefined}
          className="block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left hover:bg-paper focus:bg-reed-tint"
          onClick={() => {
            if ('more' in action) return setFurther(action.label);
            leave();
            run(action.make);
          }}
        >
          {action.label}
        </button>
      ))}
      {actions.length === 0 && <p className="m-0 px-2 py-1 text-muted">Nothing of its own here.</p>}
    </div>,
    document.body,
  );
}
