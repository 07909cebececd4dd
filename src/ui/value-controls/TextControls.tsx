'use client';

import { Choice } from './Choice';
import type { Bar } from './diagrams';
import { Boxes, option } from './diagrams';
import type { Shaped } from './shape';
import { valueOf } from './shape';

/** How text runs and stands, as lines. */
const LINES: Readonly<Record<string, readonly Bar[]>> = {
  start: [
    [1, 3, 13, 1.5],
    [1, 7, 9, 1.5],
    [1, 11, 12, 1.5],
  ],
  center: [
    [1.5, 3, 13, 1.5],
    [3.5, 7, 9, 1.5],
    [2, 11, 12, 1.5],
  ],
  end: [
    [2, 3, 13, 1.5],
    [6, 7, 9, 1.5],
    [3, 11, 12, 1.5],
  ],
  justify: [
    [1, 3, 14, 1.5],
    [1, 7, 14, 1.5],
    [1, 11, 14, 1.5],
  ],
};

export function TextControls({ shaped }: { shaped: Shaped }) {
  const align = valueOf(shaped, 'text-align').replace('left', 'start').replace('right', 'end');
  return (
    <Choice
      label="Align text"
      shaped={shaped}
      current={align}
      properties={['text-align']}
      options={Object.entries(LINES).map(([value, bars]) => option('text-align', value, value, <Boxes bars={bars} />))}
    />
  );
}
