import { z } from 'zod';

/** A rectangle in whole px of an original. */
export interface Rectangle {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export const ZOOM_MOST = 8;
export const RATIO_LEAST = 0.1;
export const RATIO_MOST = 10;

const percent = z.number().min(0).max(100);
/** How a picture is cut. */
export const cutSchema = z.strictObject({
  /** Width over height of what is left. */
  ratio: z
    .number()
    .min(RATIO_LEAST, 'What is left of a picture is at most ten times as high as wide.')
    .max(RATIO_MOST, 'What is left of a picture is at most ten times as wide as high.'),
  /** What must stay in sight: percent from the left and the top. */
  focus: z.tuple([percent, percent]).readonly(),
  /** How close: 1 for as much of the original as there is. */
  zoom: z.number().min(1).max(ZOOM_MOST),
});
export type Cut = z.infer<typeof cutSchema>;

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** A ratio as two small whole numbers, where it is that of two. */
function smallNumbers(ratio: number): readonly [number, number] | undefined {
  for (let down = 1; down <= 20; down++) {
    const across = Math.round(ratio * down);
    if (across >= 1 && Math.abs(across / down - ratio) < 1e-4) return [across, down];
  }
  return undefined;
}

/**
 * The largest part of an original that has the ratio, as close as asked, with what must stay in sight as near to its middle as the edges
 * of the original let it. Where the ratio is one of small numbers, the part has just that: then files of all widths can have it.
 * @param of width and height of the original, px
 */
export function rectangleFor(of: readonly [number, number], { ratio, focus, zoom }: Cut): Rectangle {
  const wanted = within(ratio, RATIO_LEAST, RATIO_MOST);
  const close = within(zoom, 1, ZOOM_MOST);
  const size = (side: number, most: number) => within(Math.round(side / close), 1, most);
  let width = size(Math.min(of[0], of[1] * wanted), of[0]);
  let height = size(Math.min(of[1], of[0] / wanted), of[1]);
  const plain = smallNumbers(wanted);
  const times = plain ? Math.floor(Math.min(width / plain[0], height / plain[1])) : 0;
  if (plain && times > 0) [width, height] = [times * plain[0], times * plain[1]];
  const start = (at: number, length: number, whole: number) =>
    within(Math.round((at / 100) * whole - length / 2), 0, whole - length);
  return { x: start(focus[0], width, of[0]), y: start(focus[1], height, of[1]), width, height };
}

/** Where something of the whole lies in what is left: percent from the left and the top, 0 to 100; for `object-position`. */
export function focusWithin(
  of: readonly [number, number],
  rectangle: Rectangle,
  focus: readonly [number, number],
): readonly [number, number] {
  const share = (at: number, start: number, length: number, whole: number) =>
    Math.round(within((((at / 100) * whole - start) / length) * 100, 0, 100));
  return [share(focus[0], rectangle.x, rectangle.width, of[0]), share(focus[1], rectangle.y, rectangle.height, of[1])];
}
