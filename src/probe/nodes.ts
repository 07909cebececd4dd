import type { Rect } from '@/core/structure';

export type { Rect };

export const find = (id: string) => document.querySelector<HTMLElement>(`[data-mp-node="${CSS.escape(id)}"]`);

export const idOf = (element: Element | null | undefined) => (element as HTMLElement | null | undefined)?.dataset?.mpNode;

/** The box of an element in the window; null where it has none. */
export function rectOf(element: Element | null | undefined): Rect | null {
  if (!element || element.getClientRects().length === 0) return null;
  const { left, top, width, height } = element.getBoundingClientRect();
  return [left, top, width, height];
}

export const send = (message: Record<string, unknown>) => parent.postMessage({ from: 'mill-pond-frame', ...message }, '*');
