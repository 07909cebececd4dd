/** Widths beyond this are of no use on any screen. */
const WIDEST = 2560;
const NARROWEST = 160;
/** From one file to the next: whatever a page asks for, a file fits within this. */
const STEP = 1.5;

/** A file may be so much narrower or wider than it would be, as a share, to have the picture's own ratio. */
const GIVE = 0.02;

/** Of the widths near one the one at which the height is most nearly whole: its file has the picture's ratio, so nothing jumps. */
function likest(near: number, ratio: number): number {
  let [best, least] = [Math.round(near), Infinity];
  for (let width = Math.ceil(near * (1 - GIVE)); width <= near * (1 + GIVE); width++) {
    const height = width / ratio;
    const off = Math.abs(height - Math.max(1, Math.round(height))) / height;
    const isNearer = Math.abs(width - near) < Math.abs(best - near);
    if (off < least - 1e-6 || (off < least + 1e-6 && isNearer)) [best, least] = [width, off];
  }
  return best;
}

/**
 * The widths in which a picture is handed over, px, narrow first. The widest is its own, or as wide as is of use.
 * @param size of the picture, px
 */
export function ladderOf({ width, height }: { readonly width: number; readonly height: number }): readonly number[] {
  const widths = [width <= WIDEST ? width : likest(WIDEST, width / height)];
  for (let next = widths[0]! / STEP; next >= NARROWEST; next /= STEP) widths.unshift(likest(next, width / height));
  return widths;
}

/**
 * The width that a browser fetches of several (HTML, 4.8.4.3.7, leaves the choice to it; this is what Chromium does): the first that has a
 * px for each of the screen's, else the widest.
 * @param widths px, narrow first
 * @param size how wide it is shown, CSS px
 * @param density device px in a CSS px
 */
export const fetchedWidth = (widths: readonly number[], size: number, density: number): number =>
  widths.find((width) => width / size >= density) ?? widths[widths.length - 1]!;
