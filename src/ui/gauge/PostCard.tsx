'use client';

import { useEffect, useRef } from 'react';
import type { Breakpoint } from '@/core/breakpoints';
import { BreakpointForm } from '../breakpoints/BreakpointForm';

/** Everything about one breakpoint, at the foot of its post. */
export function PostCard({ breakpoint, x, close }: { breakpoint: Breakpoint; x: number; close: () => void }) {
  const card = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const outside = (event: PointerEvent) => {
      if (!card.current?.contains(event.target as Node) && !(event.target as Element).closest(`[data-post="${breakpoint.id}"]`))
        close();
    };
    document.addEventListener('pointerdown', outside);
    return () => document.removeEventListener('pointerdown', outside);
  }, [breakpoint.id, close]);
  return (
    <div
      ref={card}
      role="dialog"
      aria-label={`Breakpoint ${breakpoint.name}`}
      className="pointer-events-auto absolute bottom-7 z-30 w-[276px] -translate-x-1/2 rounded-[5px] border border-line-strong bg-sheet p-3"
      style={{ left: x }}
    >
      <BreakpointForm
        breakpoint={breakpoint}
        finish={() => {
          close();
          document.querySelector<HTMLElement>(`[data-post="${breakpoint.id}"]`)?.focus();
        }}
      />
    </div>
  );
}
