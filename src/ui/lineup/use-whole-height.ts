import { useState } from 'react';
import type { Viewport } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import type { Whole } from '@/core/lineup';
import { nextWhole } from '@/core/lineup';
import type { FrameLayout } from '../preview/frame-message';

/** How high the frame of a whole page is, from what the frame reports; begun anew when the page or viewport is another. */
export function useWholeHeight(
  on: boolean,
  { width, height }: Viewport,
  layout: FrameLayout | undefined,
  project: Project,
): Whole {
  const [of, setOf] = useState<{ on: boolean; width: number; height: number; project: Project }>();
  const [whole, setWhole] = useState<Whole>({ height, rounds: 0 });
  const [seen, setSeen] = useState<FrameLayout>();
  if (!of || of.on !== on || of.width !== width || of.height !== height || of.project !== project) {
    setOf({ on, width, height, project });
    // The height it has stays until something else is reported: nothing flickers at each edit.
    const kept = on && of?.on && of.width === width && of.height === height ? whole.height : height;
    setWhole({ height: kept, rounds: 0 });
  } else if (on && layout && layout !== seen) {
    setSeen(layout);
    // A report from before the frame had this height says nothing about it.
    if (layout.height === whole.height && layout.viewport === width) setWhole(nextWhole(whole, layout.naturalHeight, height));
  }
  return whole;
}
