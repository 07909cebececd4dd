'use client';

import type { Rect } from '@/core/structure';
import type { FrameLayout, Measured } from '../preview/frame-message';

interface Line {
  readonly from: readonly [x: number, y: number];
  readonly length: number;
  readonly across: boolean;
}

/** From each side of a box to the nearest neighbour that faces it, else to the edge of its parent. */
export function distancesOf(rect: Rect, { siblings, parent }: Pick<Measured, 'siblings' | 'parent'>): Line[] {
  const [left, top, width, height] = rect;
  const [right, bottom] = [left + width, top + height];
  const [x, y] = [left + width / 2, top + height / 2];
  const facesAcross = ([, t, , h]: Rect) => t < bottom && t + h > top;
  const facesDown = ([l, , w]: Rect) => l < right && l + w > left;
  const nearest = (gaps: readonly number[], edge: number | null) => {
    const free = gaps.filter((gap) => gap >= -0.5);
    return free.length > 0 ? Math.max(0, Math.min(...free)) : edge;
  };
  const lines: (Line | undefined)[] = [
    line(
      nearest(
        siblings.filter(facesAcross).map(([l, , w]) => left - l - w),
        parent && left - parent[0],
      ),
      (gap) => [left - gap, y],
      true,
    ),
    line(
      nearest(
        siblings.filter(facesAcross).map(([l]) => l - right),
        parent && parent[0] + parent[2] - right,
      ),
      () => [right, y],
      true,
    ),
    line(
      nearest(
        siblings.filter(facesDown).map(([, t, , h]) => top - t - h),
        parent && top - parent[1],
      ),
      (gap) => [x, top - gap],
      false,
    ),
    line(
      nearest(
        siblings.filter(facesDown).map(([, t]) => t - bottom),
        parent && parent[1] + parent[3] - bottom,
      ),
      () => [x, bottom],
      false,
    ),
  ];
  return lines.filter((one) => one !== undefined);
}

function line(length: number | null, from: (gap: number) => readonly [number, number], across: boolean): Line | undefined {
  return length === null || length < 0.5 ? undefined : { from: from(length), length, across };
}

/** Distances of the selected element to its neighbours and its parent, px. */
export function Distances({ layout, measured, zoom }: { layout: FrameLayout; measured: Measured; zoom: number }) {
  const rect = layout.rects[measured.id];
  if (!rect) return null;
  return (
    <div className="absolute inset-0" data-testid="distances">
      {distancesOf(rect, measured).map(({ from, length, across }, i) => (
        <div
          key={i}
          className={`absolute flex items-center justify-center border-amber-ink ${across ? 'border-x' : 'flex-col border-y'}`}
          style={{
            left: from[0] * zoom - (across ? 0 : 4),
            top: from[1] * zoom - (across ? 4 : 0),
            width: across ? length * zoom : 9,
            height: across ? 9 : length * zoom,
          }}
        >
          <span className={`absolute bg-amber-ink ${across ? 'inset-x-0 h-px' : 'inset-y-0 w-px'}`} />
          <span className="relative rounded-[3px] bg-amber-tint px-1 font-mono text-[11px] whitespace-nowrap text-ink">
            {Math.round(length * 10) / 10}
          </span>
        </div>
      ))}
    </div>
  );
}
