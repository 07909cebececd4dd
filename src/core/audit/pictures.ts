import { densityAt, USUAL_DENSITIES } from '../devices/densities';
import { fetchedWidth } from '../pictures/candidates';
import { drawnWidth } from '../pictures/drawn';
import type { FileFacts, PageFacts, PictureFacts } from './facts';
import { boxOf } from './geometry';
import { Kind } from './trace';

/** Worked-out numbers lie within so many px of what a browser measures. */
const SLACK = 0.25;

export interface Drawn {
  /** How wide the whole picture is drawn, CSS px. */
  readonly width: number;
  readonly density: number;
  readonly file: FileFacts;
}

/** How a picture made of pixels is shown now, and the file that is fetched for it; undefined for what isn't shown. */
export function drawnNow(facts: PageFacts, element: number, picture: PictureFacts): Drawn | undefined {
  const { own, files, fit, less, asked } = picture;
  if (!facts.shown[element] || files.length === 0 || files[0]![0] === 0 || own[0] === 0) return undefined;
  const { left, top, right, bottom } = boxOf(facts, element);
  const room = { width: right - left - less[0], height: bottom - top - less[1] };
  const width = drawnWidth(room, fit, own[0] / own[1], own[0]);
  if (width <= 0) return undefined;
  const density = densityAt(facts.densities ?? USUAL_DENSITIES, facts.viewport.width);
  const fetched = (size: number) =>
    fetchedWidth(
      files.map(([wide]) => wide),
      size,
      density,
    );
  const wide = fetched(asked ?? width);
  // Near to where another file is fetched, a width has to be measured.
  if (facts.doubt && asked === undefined && (fetched(width - SLACK) !== wide || fetched(width + SLACK) !== wide))
    facts.trace?.add(0, 0, Kind.unknown);
  return { width, density, file: files.find((one) => one[0] === wide)! };
}
