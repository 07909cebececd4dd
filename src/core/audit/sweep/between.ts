import type { PageFacts } from '../facts';
import { sameNumbers } from '../typeset/lines-at';
import { reachFarthest } from '../typeset/unread';
import { scrollWidthBetween } from './scroll-width';
import type { Straight } from './straight';
import { isSized } from './straight';

type Numbers = ArrayLike<number>;

/** Works facts out between two measured viewports. The arrays are overwritten by each call of what it returns. */
export function between(a: PageFacts, b: PageFacts, { loose }: Straight): (width: number) => PageFacts {
  const boxes = new Float64Array(a.boxes.length);
  const lines = a.lines.map((list) => (list.length === 0 ? list : new Float64Array(list.length)));
  const moving = a.lines.flatMap((list, i) => (list.length > 0 ? [i] : []));
  const farthest = [...loose].flatMap((one, i) => (one ? [i] : []));
  const sized = isSized(a, b);
  // Both ends are of the same two measured viewports.
  const rooms = a.doubt?.rooms ?? b.doubt?.rooms;
  // What is worked out, and what stands around growing type, may be the same at both ends and otherwise between.
  const off = a.doubt?.off ?? b.doubt?.off;
  const moves = a.doubt || b.doubt || sized ? undefined : (i: number) => a.boxes[i] !== b.boxes[i];
  const doubt = { loose, sized, rooms, off, moves };
  const scrollWidth = scrollWidthBetween(a, b);
  const [isInset, areWider] = [!sameNumbers(a.inset, b.inset), !sameNumbers(a.chars, b.chars)];
  // What is the same stays the same list: much follows from it.
  const fontSize = sized ? new Float64Array(a.fontSize.length) : a.fontSize;
  const inset = isInset ? new Float64Array(a.inset.length) : a.inset;
  const chars = areWider ? new Float64Array(a.chars.length) : a.chars;
  const fill = (into: Float64Array, from: Numbers, to: Numbers, share: number) => {
    for (let i = 0; i < into.length; i++) into[i] = from[i]! + (to[i]! - from[i]!) * share;
  };
  return (width) => {
    const share = (width - a.viewport.width) / (b.viewport.width - a.viewport.width);
    fill(boxes, a.boxes, b.boxes, share);
    if (sized) fill(fontSize, a.fontSize, b.fontSize, share);
    for (const i of moving) fill(lines[i]!, a.lines[i]!, b.lines[i]!, share);
    for (const i of farthest) reachFarthest(i, a, b, share, lines[i]!, boxes);
    if (isInset) fill(inset, a.inset, b.inset, share);
    if (areWider) fill(chars, a.chars, b.chars, share);
    const wide = a.scrollWidth > a.viewport.width;
    return {
      ...a,
      viewport: { width, height: a.viewport.height },
      scrollWidth: wide ? scrollWidth({ boxes, lines, shown: a.shown }, share) : width,
      scrollHeight: a.scrollHeight + (b.scrollHeight - a.scrollHeight) * share,
      boxes,
      inset,
      chars,
      fontSize,
      lines,
      doubt,
    };
  };
}
