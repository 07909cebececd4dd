import { useLayoutEffect, useState } from 'react';

/** How far below the begin of what its scroller scrolls something begins, px. All that is scrolled lies in one element. */
export function useBegin(element: { readonly current: HTMLElement | null }, scroller: HTMLElement | null): number {
  const [begin, setBegin] = useState(0);
  useLayoutEffect(() => {
    const content = scroller?.firstElementChild;
    if (!scroller || !content) return undefined;
    const read = () => {
      if (!element.current) return;
      const above = element.current.getBoundingClientRect().top - scroller.getBoundingClientRect().top;
      setBegin(Math.round(above + scroller.scrollTop));
    };
    read();
    const observer = new ResizeObserver(read);
    observer.observe(content);
    return () => observer.disconnect();
  }, [element, scroller]);
  return begin;
}
