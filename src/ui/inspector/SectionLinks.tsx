'use client';

import type { RefObject } from 'react';
import { memo } from 'react';

const NAMES: readonly (readonly [section: string, name: string])[] = [
  ['Layout', 'Layout'],
  ['Flex and grid', 'Rows, grid'],
  ['Size', 'Size'],
  ['Space', 'Space'],
  ['Position', 'Position'],
  ['Type', 'Type'],
  ['Colour and background', 'Colour'],
  ['Border', 'Border'],
  ['Effects', 'Effects'],
  ['More', 'Swap'],
];

/** Scrolls to a section, opens it, and gives its heading the focus. */
function goTo(within: HTMLElement | null, group: string): void {
  const section = within?.querySelector<HTMLElement>(`[data-section="${group}"]`);
  const heading = section?.querySelector<HTMLElement>('h3 button, h3');
  if (!within || !section || !heading) return;
  if (heading.getAttribute('aria-expanded') === 'false') heading.click();
  within.scrollTop += section.getBoundingClientRect().top - within.getBoundingClientRect().top;
  heading.focus({ preventScroll: true });
}

/** From each group of values to its place, in one press. */
export const SectionLinks = memo(function SectionLinks({ within }: { within: RefObject<HTMLDivElement | null> }) {
  return (
    <nav aria-label="Groups of values" className="flex shrink-0 flex-wrap gap-x-0.5 px-3 pb-1 text-xs">
      {NAMES.map(([group, name]) => (
        <button
          key={group}
          type="button"
          className="min-h-6 rounded-[3px] border-0 bg-transparent px-1 text-muted hover:bg-paper hover:text-ink"
          onClick={() => goTo(within.current, group)}
        >
          {name}
        </button>
      ))}
    </nav>
  );
});
