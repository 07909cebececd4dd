/** Widths beyond this are of no use on any screen. */
const WIDEST = 2560;
const NARROWEST = 160;
/** From one file to the next: whatever a page asks for, a file fits within this. */
const STEP = 1.5;

/** The widths in which a picture is handed over, px, narrow first. The widest is its own, or as wide as is of use. */
export function ladderOf(width: number): readonly number[] {
  const widths: number[] = [];
  for (let next = Math.min(width, WIDEST); widths.length === 0 || next >= NARROWEST; next /= STEP)
    widths.unshift(Math.round(next));
  return widths;
}

/**
 * The width that a browser fetches of several (HTML, 4.8.4.3.7, leaves the choice to it; this is what Chromium does): the first that is
 * sharp enough, or the one before where that is nearer.
 * @param widths px, narrow first
 * @param size how wide it is shown, CSS px
 * @param density device px in a CSS px
 */
export function fetchedWidth(widths: readonly number[], size: number, density: number): number {
  const densities = widths.map((width) => width / Math.max(size, 0.01));
  for (let i = 0; i + 1 < widths.length; i++) {
    const [here, next] = [densities[i]!, densities[i + 1]!];
    if (next < density) continue;
    return (density <= 1 && density > here) || density >= Math.sqrt(here * next) ? widths[i + 1]! : widths[i]!;
  }
  return widths[widths.length - 1]!;
}
