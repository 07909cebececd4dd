'use client';

import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { BASE, describeInterval } from '@/core/breakpoints';
import type { Stretch } from '@/core/cascade';
import { describeTarget } from '@/core/edits';
import { planClear, planCopy, planEverywhere, planMakeBase, planMoveEnd, planStop } from '@/core/plans';
import { placesOf } from '../inspector/places';
import { key } from '../session/actions';
import { propose } from '../session/proposal';
import { shownProject, useSession } from '../session/store';

export interface LaneMenuPlace {
  readonly property: string;
  readonly stretch: Stretch;
  readonly before: Stretch | undefined;
  readonly after: Stretch | undefined;
  readonly x: number;
  readonly y: number;
  readonly cell: HTMLElement;
}

interface Item {
  readonly label: string;
  readonly run: () => void;
}

/** What can be done with the value on one stretch. Each says what will happen before it does. */
export function LaneMenu({ element, place, close }: { element: string; place: LaneMenuPlace; close: () => void }) {
  const project = useSession(shownProject);
  const [copying, setCopying] = useState(false);
  const menu = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(place.y);
  const { property, stretch, before, after } = place;
  const candidate = stretch.origin.kind === 'declared' ? stretch.origin.candidate : undefined;
  const own = candidate?.layer === 'own' ? candidate : undefined;
  const inside = Math.ceil(stretch.from);
  const grow = (side: 'from' | 'below', neighbour: Stretch): Item => ({
    label: `Carry on over ${describeInterval(neighbour)}`,
    run: () =>
      propose((now, slice) => {
        const to = side === 'from' ? neighbour.from : neighbour.below === Infinity ? 10_000 : neighbour.below;
        return planMoveEnd(now, slice, element, property, stretch[side], to, stretch.value, `b${key()}`);
      }),
  });
  const stop = (direction: 'narrower' | 'wider'): Item => ({
    label: `Stop here, not ${direction}`,
    run: () =>
      propose((now, slice) => planStop(now, slice, element, property, lastBefore(stretch, direction), direction)),
  });
  const items: Item[] = copying
    ? placesOf(project)
        .filter(({ at }) => at !== own!.at)
        .map(({ at, words }) => ({
          label: words,
          run: () => propose((now, slice) => planCopy(now, slice, [element], own!.at, at, [property])),
        }))
    : [
        ...(own
          ? [
              {
                label: `Clear at ${own.at === BASE ? 'the base' : describeTarget(project, own.at)}`,
                run: () => propose((now, slice) => planClear(now, slice, [element], own.at, [property])),
              },
              { label: 'Copy to …', run: () => setCopying(true) },
              ...(own.at === BASE
                ? []
                : [
                    {
                      label: 'Make base',
                      run: () => propose((now, slice) => planMakeBase(now, slice, [element], own.at, [property])),
                    },
                  ]),
              {
                label: 'At every band',
                run: () => propose((now, slice) => planEverywhere(now, slice, [element], own.at, [property])),
              },
              stop('narrower'),
              stop('wider'),
            ]
          : []),
        ...(before ? [grow('from', before)] : []),
        ...(after ? [grow('below', after)] : []),
      ];

  useLayoutEffect(() => {
    const height = menu.current?.offsetHeight ?? 0;
    setTop(Math.max(8, Math.min(place.y, innerHeight - height - 8)));
    menu.current?.querySelector('button')?.focus();
  }, [place.y, copying]);
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
  return createPortal(
    <div
      ref={menu}
      role="menu"
      aria-label={`${property} ${stretch.value}, ${describeInterval({ from: inside, below: stretch.below })}`}
      className="fixed z-40 w-60 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm"
      style={{ left: Math.min(place.x, innerWidth - 250), top }}
      onKeyDown={(event) => {
        if (event.key === 'ArrowDown') move(1);
        else if (event.key === 'ArrowUp') move(-1);
        else if (event.key === 'Escape' || event.key === 'Tab') {
          close();
          place.cell.focus();
        } else if (event.key === 'Enter' || event.key === ' ') return event.stopPropagation();
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {items.map(({ label, run }) => (
        <button
          key={label}
          type="button"
          role="menuitem"
          tabIndex={-1}
          className="block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left hover:bg-paper focus:bg-reed-tint"
          onClick={() => {
            if (label === 'Copy to …') return run();
            close();
            place.cell.focus();
            run();
          }}
        >
          {label}
        </button>
      ))}
      {items.length === 0 && <p className="m-0 px-2 py-1 text-muted">Nothing of its own here.</p>}
    </div>,
    document.body,
  );
}

/** The last whole width of the stretch before the end that the value would go beyond. */
function lastBefore({ from, below }: Stretch, direction: 'narrower' | 'wider'): number {
  if (direction === 'narrower') return Math.ceil(from);
  return below === Infinity ? 9_999 : Math.ceil(below) - 1;
}
