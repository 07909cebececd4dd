import { densityAt, USUAL_DENSITIES } from '../devices/densities';
import type { Room } from '../pictures/drawn';
import { drawnWidth } from '../pictures/drawn';
import type { FileFacts, PageFacts, PictureFacts } from './facts';
import { boxOf } from './geometry';
import { exceeds, exceedsBy, isMore, slackOf, smaller } from './readers';

export interface Drawn {
  /** How wide the whole picture is drawn, CSS px. */
  readonly width: number;
  readonly density: number;
  readonly file: FileFacts;
}

/** The density of the device nearest to the viewport, with what it was compared to. */
function densityHere(facts: PageFacts): number {
  const densities = facts.densities ?? USUAL_DENSITIES;
  const { width } = facts.viewport;
  for (const [i, [at]] of densities.slice(1).entries()) {
    const between = (densities[i]![0] + at) / 2;
    if (!isMore(facts, width, between)) isMore(facts, between, width);
  }
  return densityAt(densities, width);
}

/** Which of the sizes of a room decides how wide a picture is drawn is compared here, for `drawnWidth` does so by itself. */
function drawnIn(facts: PageFacts, room: Room, fit: string, ratio: number, own: number): number {
  isMore(facts, room.width, room.height * ratio);
  if (fit === 'scale-down') isMore(facts, smaller(facts, room.width, room.height * ratio), own);
  return drawnWidth(room, fit, ratio, own);
}

/** How a picture made of pixels is shown now, and the file that is fetched for it; undefined for what isn't shown. */
export function drawnNow(facts: PageFacts, element: number, picture: PictureFacts): Drawn | undefined {
  const { own, files, fit, less, asked } = picture;
  if (!facts.shown[element] || files.length === 0 || files[0]![0] === 0 || own[0] === 0) return undefined;
  const { left, top, right, bottom } = boxOf(facts, element);
  const room = { width: right - left - less[0], height: bottom - top - less[1] };
  if (!exceeds(facts, room.width, 0.5) || !exceeds(facts, room.height, 0.5)) return undefined;
  const width = drawnIn(facts, room, fit, own[0] / own[1], own[0]);
  const density = densityHere(facts);
  // The same as `fetchedWidth` finds, file by file.
  const needed = (asked ?? width) * density;
  const slack = asked === undefined ? slackOf(facts) * density : 0;
  const file = files.find(([wide]) => !exceedsBy(facts, needed, wide, slack)) ?? files[files.length - 1]!;
  return { width, density, file };
}
