/** The room that a picture has, CSS px. */
export interface Room {
  readonly width: number;
  readonly height: number;
}

/**
 * How wide the whole of a picture is drawn in its room (CSS Images 3, 5.5): wider than the room where it is cut to cover it. CSS px.
 * @param ratio its width over its height
 * @param own its own width, for what is drawn as large as it is
 */
export function drawnWidth({ width, height }: Room, fit: string, ratio: number, own: number): number {
  if (width <= 0 || height <= 0) return 0;
  if (fit === 'cover') return Math.max(width, height * ratio);
  const contained = Math.min(width, height * ratio);
  if (fit === 'contain') return contained;
  if (fit === 'none') return own;
  return fit === 'scale-down' ? Math.min(own, contained) : width;
}

/**
 * How wide a picture behind an element is drawn, by one layer's `background-size` (CSS Backgrounds 3, 3.9); undefined where its own size
 * decides, or more than one number.
 */
export function behindWidth({ width, height }: Room, size: string, ratio: number): number | undefined {
  if (size === 'cover') return drawnWidth({ width, height }, 'cover', ratio, 0);
  if (size === 'contain') return drawnWidth({ width, height }, 'contain', ratio, 0);
  const [, across, unit] = /^([\d.]+)(px|%)(?: |$)/.exec(size) ?? [];
  if (across === undefined) return undefined;
  return unit === 'px' ? Number(across) : (Number(across) / 100) * width;
}
