'use client';

import { useMemo } from 'react';
import { bandAt, BASE, cutsAcross } from '@/core/breakpoints';
import { setSlice, setWidth } from '../view/actions';
import { shownProject, useSession } from '../state/store';
import { edgeBeyond, labelsOf, PLANE, patchesOf, winnerOf } from './plane';

const WIDTH = 250;
const HEIGHT = 150;
const log = (value: number, { from, below }: { from: number; below: number }) => Math.log(value / from) / Math.log(below / from);
const x = (width: number) => log(width, PLANE.width) * WIDTH;
const y = (height: number) => log(height, PLANE.height) * HEIGHT;

/** Arrows, across and down. */
const STEPS: Readonly<Record<string, readonly [across: number, down: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

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
        role="application"
        aria-roledescription="map of the viewports"
        tabIndex={0}
        aria-keyshortcuts="ArrowRight ArrowLeft ArrowDown ArrowUp Control+ArrowRight Control+ArrowLeft Control+ArrowDown Control+ArrowUp"
        aria-label={`At ${width} by ${slice.height} px hold ${here.holds.map(named).join(', ') || 'no breakpoints'}; ${wins === BASE ? project.baseName : named(wins)} wins.`}
        className="cursor-crosshair border border-line-strong"
        data-testid="plane"
        onKeyDown={(event) => {
          if (event.altKey || event.metaKey) return;
          const [across, down] = STEPS[event.key] ?? [0, 0];
          if (across === 0 && down === 0) return;
          const by = event.shiftKey ? 10 : 1;
          const to = (now: number, sign: number, side: 'widths' | 'heights') =>
            event.ctrlKey ? edgeBeyond(patches, side, now, sign) : now + sign * by;
          if (across !== 0) setWidth(to(width, across, 'widths'));
          else setSlice({ height: to(slice.height, down, 'heights') });
          event.preventDefault();
          event.stopPropagation();
        }}
        onPointerDown={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const at = (part: number, { from, below }: { from: number; below: number }) => from * (below / from) ** part;
          setWidth(at((event.clientX - box.left) / box.width, PLANE.width));
          setSlice({ height: at((event.clientY - box.top) / box.height, PLANE.height) });
        }}
      >
        <g shapeRendering="crispEdges">
          {patches.map(({ widths, heights, band, winner }) => (
            <rect
              key={`${widths.from} ${heights.from}`}
              x={x(widths.from)}
              y={y(heights.from)}
              width={x(widths.below) - x(widths.from) + 0.5}
              height={y(heights.below) - y(heights.from) + 0.5}
              fill={shade(order(winner) + 1)}
            >
              <title>{`${band.name}: ${winner === BASE ? project.baseName : named(winner)} wins`}</title>
            </rect>
          ))}
        </g>
        {labelsOf(patches).map(({ widths, heights, winner }) => (
          <text
            key={`${widths.from} ${heights.from}`}
            x={(x(widths.from) + x(widths.below)) / 2}
            y={(y(heights.from) + y(heights.below)) / 2 + 4}
            textAnchor="middle"
            className="fill-ink font-mono text-[11px] font-bold"
          >
            {winner === BASE ? '0' : order(winner) + 1}
          </text>
        ))}
        <path d={`M${x(width)} 0V${HEIGHT}M0 ${y(slice.height)}H${WIDTH}`} stroke="var(--reed)" strokeWidth={1.5} />
      </svg>
      <p className="m-0 pt-1 text-xs text-muted" aria-live="polite" data-testid="plane-here">
        Here hold {[project.baseName, ...here.holds.map(named)].join(', ')}; {wins === BASE ? project.baseName : named(wins)}{' '}
        wins. Numbers are places in the order, 0 is the base.
      </p>
    </figure>
  );
}
