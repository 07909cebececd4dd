'use client';

import { useMemo } from 'react';
import { bandAt, BASE, cutsAcross } from '@/core/breakpoints';
import { setSlice, setWidth } from '../session/actions';
import { shownProject, useSession } from '../session/store';
import { PLANE, patchesOf, winnerOf } from './plane';

const WIDTH = 250;
const HEIGHT = 150;
const log = (value: number, { from, below }: { from: number; below: number }) =>
  Math.log(value / from) / Math.log(below / from);
const x = (width: number) => log(width, PLANE.width) * WIDTH;
const y = (height: number) => log(height, PLANE.height) * HEIGHT;

/** Shades of the ground; the number says which breakpoint it is. */
const shade = (index: number) => `color-mix(in srgb, var(--ink) ${Math.max(0, index) * 9}%, var(--sheet))`;

/** Widths across, heights down: which breakpoint wins where. Press a place to look at it. */
export function PlaneMap() {
  const project = useSession(shownProject);
  const width = useSession((session) => session.width);
  const slice = useSession((session) => session.slice);
  const patches = useMemo(() => patchesOf(project, slice.pointer), [project, slice.pointer]);
  const order = (id: string) => project.breakpoints.findIndex((one) => one.id === id);
  const here = bandAt(project, width, slice);
  const wins = winnerOf(here);
  if (!cutsAcross(project.breakpoints.map(({ condition }) => condition))) return null;
  const named = (id: string) => project.breakpoints.find((one) => one.id === id)?.name ?? '';
  const labelled = new Set<string>();
  return (
    <figure className="m-0 px-3.5 pb-2">
      <figcaption className="flex justify-between pb-1 text-muted">
        <span>Who wins where</span>
        <span className="font-mono text-xs">
          {width} × {slice.height}
        </span>
      </figcaption>
      <svg
        width={WIDTH}
        height={HEIGHT}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`At ${width} by ${slice.height} px hold ${here.holds.map(named).join(', ') || 'no breakpoints'}; ${wins === BASE ? project.baseName : named(wins)} wins.`}
        className="cursor-crosshair border border-line-strong"
        data-testid="plane"
        onPointerDown={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const at = (part: number, { from, below }: { from: number; below: number }) => from * (below / from) ** part;
          setWidth(at((event.clientX - box.left) / box.width, PLANE.width));
          setSlice({ height: at((event.clientY - box.top) / box.height, PLANE.height) });
        }}
      >
        {patches.map(({ widths, heights, band, winner }) => {
          const box = { left: x(widths.from), top: y(heights.from), right: x(widths.below), bottom: y(heights.below) };
          const key = `${widths.from} ${heights.from}`;
          const room = box.right - box.left > 14 && (box.bottom - box.top > 12 || !labelled.has(band.holds.join()));
          const label = room && !labelled.has(`${winner} ${band.from} ${heights.below - heights.from > 20}`);
          if (label) {
            labelled.add(`${winner} ${band.from} ${heights.below - heights.from > 20}`);
            labelled.add(band.holds.join());
          }
          return (
            <g key={key}>
              <rect
                x={box.left}
                y={box.top}
                width={box.right - box.left + 0.4}
                height={box.bottom - box.top + 0.4}
                fill={shade(order(winner) + 1)}
                stroke={heights.below - heights.from > 20 ? 'var(--line-strong)' : 'none'}
                strokeWidth={0.5}
              >
                <title>{`${band.name}: ${winner === BASE ? 'base' : named(winner)} wins`}</title>
              </rect>
              {label && (
                <text x={box.left + 3} y={box.top + 11} className="fill-ink font-mono text-[10px]">
                  {winner === BASE ? '0' : order(winner) + 1}
                </text>
              )}
            </g>
          );
        })}
        <path d={`M${x(width)} 0V${HEIGHT}M0 ${y(slice.height)}H${WIDTH}`} stroke="var(--reed)" strokeWidth={1.5} />
      </svg>
      <p className="m-0 pt-1 text-xs text-muted" aria-live="polite" data-testid="plane-here">
        Here hold {[project.baseName, ...here.holds.map(named)].join(', ')};{' '}
        {wins === BASE ? project.baseName : named(wins)} wins. Numbers are places in the order, 0 is the base.
      </p>
    </figure>
  );
}
