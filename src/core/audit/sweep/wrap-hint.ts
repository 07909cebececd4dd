import type { PageFacts } from '../facts';
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
