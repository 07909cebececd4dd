import type { PageFacts } from '../facts';
import { Level } from '../facts';
import { blockOf } from '../typeset/unread';

/** How many texts are asked at most: more are found one after the other, as the halves are divided. */
const ASKED_MOST = 4;

/**
 * Where a text may come to stand on another line between two viewports: the first whole width at which the longest line that it has at the wider
 * one still has room, if its block grows evenly. Of several lines others may matter, so it is only looked there if that halves what is left.
 * Only a guess of where to look.
 * @param counts which elements' texts are asked; all, where it isn't given
 */
export function wrapHint(narrow: PageFacts, wide: PageFacts, counts?: (element: number) => boolean): number | undefined {
  const [from, to] = [narrow.viewport.width, wide.viewport.width];
  let asked = 0;
  for (let i = 0; i < wide.lines.length && asked < ASKED_MOST; i++) {
    const [a, b] = [narrow.lines[i]!, wide.lines[i]!];
    if (b.length === 0 || a.length <= b.length || (counts && !counts(i))) continue;
    asked++;
    const block = blockOf(wide, i) * 4;
    const inset = a[0]! - narrow.boxes[block]!;
    const room = ({ boxes }: PageFacts) => boxes[block + 2]! - boxes[block]! - inset * 2;
    let needed = 0;
    for (let at = 0; at < b.length; at += 4) needed = Math.max(needed, b[at + 2]! - b[at]!);
    const [least, most] = [room(narrow), room(wide)];
    if (most === least) continue;
    const width = Math.ceil(from + ((to - from) * (needed - least)) / (most - least));
    if (width > from + 1 && width < (b.length === 4 ? to : (from + to) / 2)) return width;
  }
  return undefined;
}

/** A box that is lower at the wider end by less, px, has as many lines there. */
const LINE_LEAST = 4;

/**
 * The same of a box in a line that holds words of its own and isn't looked into, such as what stands for a picture that is missing: as wide as there is room while it
 * needs more, then as wide as its words. The first whole width at which it has room for them; only a guess, too.
 */
export function boxHint(narrow: PageFacts, wide: PageFacts): number | undefined {
  const [from, to] = [narrow.viewport.width, wide.viewport.width];
  const size = ({ boxes }: PageFacts, i: number, side: number) => boxes[i * 4 + side + 2]! - boxes[i * 4 + side]!;
  for (let i = 1; i < wide.elements.length; i++) {
    if (!narrow.shown[i] || !wide.shown[i] || wide.level[i] === Level.block || wide.lines[i]!.length > 0) continue;
    if (size(narrow, i, 1) < size(wide, i, 1) + LINE_LEAST) continue;
    const block = blockOf(wide, wide.elements[i]!.parent);
    const [least, needed] = [size(narrow, i, 0), size(wide, i, 0)];
    const more = size(wide, block, 0) - size(narrow, block, 0);
    const width = Math.ceil(from + ((to - from) * (needed - least)) / more);
    if (width > from + 1 && width < to) return width;
  }
  return undefined;
}
