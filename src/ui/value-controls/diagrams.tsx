import type { ReactNode } from 'react';
import type { Option } from './Choice';

export type Bar = readonly [x: number, y: number, width: number, height: number];

/** A small drawing of boxes in a 16 px square; what is turned is drawn with x and y exchanged. */
export function Boxes({ bars, turned = false, line }: { bars: readonly Bar[]; turned?: boolean; line?: string }): ReactNode {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden>
      {line && <path d={line} className="fill-none stroke-edge" strokeWidth="1" />}
      {bars.map(([x, y, width, height], i) => (
        <rect
          key={i}
          x={turned ? y : x}
          y={turned ? x : y}
          width={turned ? height : width}
          height={turned ? width : height}
          className="fill-ink"
        />
      ))}
    </svg>
  );
}

export const option = (property: string, value: string, label: string, sign: ReactNode): Option => ({
  value,
  label,
  sign,
  values: { [property]: value },
});
