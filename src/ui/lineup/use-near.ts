import { useEffect, useState } from 'react';
import type { RefObject } from 'react';

/** Frames this near to what shows are kept going, so that scrolling doesn't meet sleeping ones. */
const MARGIN = '200px';

/** Whether an element is in sight of its scroller, or nearly, and whether it ever was. */
export function useNear(element: RefObject<HTMLElement | null>, root: HTMLElement | null) {
  const [near, setNear] = useState(false);
  const [met, setMet] = useState(false);
  useEffect(() => {
    if (!element.current || !root) return undefined;
    const observer = new IntersectionObserver(
      (entries) => {
        const now = entries.at(-1)!.isIntersecting;
        setNear(now);
        if (now) setMet(true);
      },
      { root, rootMargin: MARGIN },
    );
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element, root]);
  return { near, met };
}
