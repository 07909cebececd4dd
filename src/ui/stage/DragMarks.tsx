'use client';
import { useDragging } from '../state/store';

/** Where something dragged would land, with what that means, and the rectangle drawn around elements. */
export function DragMarks({ zoom }: { zoom: number }) {
  const { drop, words, at, around } = useDragging();
  const box = ([left, top, width, height]: readonly [number, number, number, number]) => ({
    left: left * zoom,
    top: top * zoom,
    width: width * zoom,
    height: height * zoom,
  });
  return (
    <>
      {drop && (
        <div
          data-testid="drop-mark"
          className="pointer-events-none absolute bg-amber-ink outline-2 outline-amber"
          style={{ ...box(drop.mark), minWidth: 3, minHeight: 3 }}
        />
      )}
      {around && (
        <div
          data-testid="frame-around"
          className="pointer-events-none absolute border border-dashed border-reed bg-reed/10"
          style={box(around)}
        />
      )}
      {words && at && (
        <div
          role="status"
          data-testid="drag-words"
          className="pointer-events-none absolute z-10 rounded-[4px] border border-amber-ink bg-amber-tint px-2 py-0.5 text-xs whitespace-nowrap"
          style={{ left: at.x * zoom + 14, top: at.y * zoom + 14 }}
        >
          {words}
        </div>
      )}
    </>
  );
}
