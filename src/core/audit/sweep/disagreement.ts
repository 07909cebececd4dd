import type { Off, PageFacts } from '../facts';
import { SLACK } from '../readers';
import { reach } from './scroll-width';
import { sameArrangement } from './straight';

/** The part of what checks take into account that worked-out coordinates may be off by: layout rounds to 1/64 px, again in every box. */
const OFF = 4 / 5;
/** How wide a character is, as a share of its size. */
const CHARACTER_OFF = 0.002;

/** Nearer to half a px than this it isn't known whether browsers round up or down. */
const HALF = 1 / 16;
const isHalf = (px: number) => Math.abs(px - Math.floor(px) - 0.5) < HALF;

/**
 * What of a viewport isn't as it was worked out, of all that decides anything, in words; undefined where it is.
 * @param part the part of what it may be off by that is taken: less than 1 where it is looked whether anything bends beside it
 */
export function disagreement(worked: PageFacts, measured: PageFacts, part = 1): string | undefined {
  const other = worked.lines.findIndex((own, i) => own.length !== measured.lines[i]!.length);
  if (other >= 0)
    return `${worked.lines[other]!.length / 4} lines in ${worked.elements[other]!.id}, not ${measured.lines[other]!.length / 4}`;
  if (!sameArrangement(worked, measured)) return 'the arrangement';
  const { loose, rooms } = worked.doubt!;
  const { across = SLACK, down = SLACK } = worked.doubt!.off ?? {};
  const most = [across * OFF * part, down * OFF * part];
  const wide = ({ boxes }: PageFacts, i: number) => boxes[i * 4 + 2]! - boxes[i * 4]!;
  const differs = (a: Float64Array, b: Float64Array, at: number, element: number) =>
    // What isn't a number isn't near to any.
    !(Math.abs(a[at]! - b[at]!) <= most[at % 2]!) && !(loose[element] && at % 2 === 0);
  for (let i = 0; i < worked.elements.length; i++) {
    if (!measured.shown[i]) continue;
    const { id } = worked.elements[i]!;
    for (let side = i * 4; side < i * 4 + 4; side++)
      if (differs(worked.boxes, measured.boxes, side, i))
        return `side ${side % 4} of ${id}: ${worked.boxes[side]}, not ${measured.boxes[side]}`;
    const known = rooms?.[i] ?? 0;
    if (known > 0 && !(Math.abs(wide(worked, i) - wide(measured, i)) <= known * part))
      return `how wide ${id} is: ${wide(worked, i)}, not ${wide(measured, i)}, known to ${known}`;
    const [own, there] = [worked.lines[i]!, measured.lines[i]!];
    for (let at = 0; at < own.length; at++)
      if (differs(own, there, at, i)) return `side ${at % 4} of line ${at >> 2} in ${id}: ${own[at]}, not ${there[at]}`;
    if (!(Math.abs(worked.chars[i]! - measured.chars[i]!) <= CHARACTER_OFF)) return `characters of ${id}`;
  }
  if (!(Math.abs(worked.scrollHeight - measured.scrollHeight) <= 1)) return 'the height that can be scrolled';
  const sideways = Math.abs(worked.scrollWidth - measured.scrollWidth);
  if (sideways === 0 || (sideways === 1 && isHalf(reach(worked)))) return undefined;
  return `the width that can be scrolled: ${worked.scrollWidth}, not ${measured.scrollWidth}`;
}

/** How far off the worked-out coordinates are that are farthest off, of those that `disagreement` compares. */
export function farthestOff(worked: PageFacts, measured: PageFacts): Off {
  const { loose } = worked.doubt!;
  const off = [0, 0];
  const compare = (a: Float64Array, b: Float64Array, from: number, to: number, isLoose: boolean) => {
    for (let at = from; at < to; at++)
      if (at % 2 === 1 || !isLoose) off[at % 2] = Math.max(off[at % 2]!, Math.abs(a[at]! - b[at]!));
  };
  for (let i = 0; i < worked.elements.length; i++) {
    if (!measured.shown[i]) continue;
    compare(worked.boxes, measured.boxes, i * 4, i * 4 + 4, loose[i] === 1);
    compare(worked.lines[i]!, measured.lines[i]!, 0, worked.lines[i]!.length, loose[i] === 1);
  }
  return { across: off[0]!, down: off[1]! };
}
