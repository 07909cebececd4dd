'use client';

import { useRef } from 'react';
import type { Rectangle } from '@/core/pictures';
import { followPointer } from '../input/follow-pointer';

interface Props {
  readonly label: string;
  /** A data address; undefined until it is there. */
  readonly image: string | undefined;
  /** Width and height of the whole, px. */
  readonly of: readonly [number, number];
  /** What is left of it. */
  readonly rectangle: Rectangle;
  /** Percent from the left and the top. */
  readonly focus: readonly [number, number];
  readonly change: (focus: [number, number]) => void;
  /** Called when it has been put somewhere: let go, or moved by a key. */
  readonly put?: (focus: [number, number]) => void;
  /** How large it may be, px. */
  readonly most?: readonly [width: number, height: number];
}

const MOST = [576, 340] as const;
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const within = (value: number) => Math.min(100, Math.max(0, Math.round(value)));

/** A picture with a mark on what must stay in sight, moved by mouse or arrow keys, and what is left of it. */
export function FocusPad({ label, image, of, rectangle, focus, change, put, most = MOST }: Props) {
  const pad = useRef<HTMLDivElement>(null);
  const scale = Math.min(most[0] / of[0], most[1] / of[1]);
  const last = useRef<[number, number]>(undefined);
  const share = (length: number, whole: number) => `${(length / whole) * 100}%`;
  const moveTo = (x: number, y: number) => {
    const box = pad.current!.getBoundingClientRect();
    last.current = [within(((x - box.left) / box.width) * 100), within(((y - box.top) / box.height) * 100)];
    change(last.current);
  };
  return (
    <div className="flex justify-center rounded-[4px] bg-well p-2">
      <div
        ref={pad}
        className="relative cursor-crosshair touch-none overflow-hidden bg-paper select-none"
        style={{ width: of[0] * scale, height: of[1] * scale }}
        onPointerDown={(event) => {
          moveTo(event.clientX, event.clientY);
          followPointer(
            event,
            ({ x, y }) => moveTo(x, y),
            () => last.current && put?.(last.current),
          );
        }}
      >
        {image ? (
          <img alt="" src={image} draggable={false} className="block size-full" />
        ) : (
          <span className="p-2 text-muted">Loading …</span>
        )}
        <div
          data-testid="cut-rectangle"
          className="pointer-events-none absolute outline outline-2 outline-white"
          style={{
            left: share(rectangle.x, of[0]),
            top: share(rectangle.y, of[1]),
            width: share(rectangle.width, of[0]),
            height: share(rectangle.height, of[1]),
            boxShadow: '0 0 0 9999px rgb(0 0 0 / 0.55)',
          }}
        />
        <button
          type="button"
          aria-label={`${label}: ${focus[0]}% from the left, ${focus[1]}% from the top; arrow keys move it`}
          className="absolute size-6 -translate-x-1/2 -translate-y-1/2 cursor-move rounded-full border-2 border-white bg-reed/60 p-0 outline outline-1 outline-black"
          style={{ left: `${focus[0]}%`, top: `${focus[1]}%` }}
          onKeyDown={(event) => {
            const step = STEPS[event.key];
            if (!step) return;
            event.preventDefault();
            event.stopPropagation();
            const by = event.shiftKey ? 10 : 1;
            const moved: [number, number] = [within(focus[0] + step[0] * by), within(focus[1] + step[1] * by)];
            change(moved);
            put?.(moved);
          }}
        />
      </div>
    </div>
  );
}
