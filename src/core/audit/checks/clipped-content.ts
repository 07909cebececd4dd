import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { boxOf, containerOf, inkOf, TOLERANCE } from '../geometry';
import { Cut } from '../facts';
import { oncePerGiven } from '../once';
import { exceeds, foundOn, isMore, larger } from '../readers';

/** Boxes this small hide their content on purpose, for screen readers only. */
const PUT_AWAY = 2;

/** How far a box reaches past the edges of an ancestor that cuts it, px, in the directions in which it isn't scrolled further inside. */
function cutBy(facts: PageFacts, ancestor: number, box: Box, scrolls: { readonly x: boolean; readonly y: boolean }): number {
  const edge = boxOf(facts, ancestor);
  const across =
    !scrolls.x && facts.cutX[ancestor] === Cut.hidden && !facts.ellipsis[ancestor]
      ? larger(facts, edge.left - box.left, box.right - edge.right)
      : 0;
  const down =
    !scrolls.y && facts.cutY[ancestor] === Cut.hidden ? larger(facts, edge.top - box.top, box.bottom - edge.bottom) : 0;
  return larger(facts, across, down);
}

/** Elements that show, and may be cut by themselves or by what they stand in. */
const cutOnes = oncePerGiven(
  ({ elements, shown, cutX, cutY, position }) => [elements, shown, cutX, cutY, position],
  (facts) => {
    const { elements, shown, cutX, cutY } = facts;
    // What cuts is known of an element from what it is placed in.
    const isCut = new Uint8Array(elements.length);
    for (let i = 1; i < elements.length; i++) {
      const around = containerOf(facts, i);
      isCut[i] = cutX[i] === Cut.hidden || cutY[i] === Cut.hidden || (around > 0 && isCut[around]) ? 1 : 0;
    }
    return elements.flatMap((_, i) => (shown[i] && isCut[i] ? [i] : []));
  },
);

/** Text or a picture is cut by a box that doesn't scroll. */
export const clippedContent: Check = {
  id: 'clipped-content',
  title: 'Content is cut off',
  severity: 'broken',
  why: 'What is cut off can not be read, and nothing on the screen says that there is more.',
  rule: 'WCAG 2.2, 1.4.4 Resize text and 1.4.10 Reflow: no loss of content',
  judge(facts) {
    const worst = new Map<number, Violation>();
    const note = (element: number, box: Box) => {
      let scrollsX = false;
      let scrollsY = false;
      // An element cuts its own text; a picture's own overflow says nothing about its box.
      for (
        let at = facts.lines[element]!.length > 0 ? element : containerOf(facts, element);
        at > 0;
        at = containerOf(facts, at)
      ) {
        if (facts.cutX[at] === Cut.scrolls) scrollsX = true;
        if (facts.cutY[at] === Cut.scrolls) scrollsY = true;
        if (scrollsX && scrollsY) return;
        if ((facts.cutX[at] !== Cut.hidden || scrollsX) && (facts.cutY[at] !== Cut.hidden || scrollsY)) continue;
        const edge = boxOf(facts, at);
        if (!exceeds(facts, edge.right - edge.left, PUT_AWAY) || !exceeds(facts, edge.bottom - edge.top, PUT_AWAY)) return;
        const cut = cutBy(facts, at, box, { x: scrollsX, y: scrollsY });
        if (!exceeds(facts, cut, TOLERANCE / 2)) continue;
        foundOn(facts, element);
        if (isMore(facts, cut, worst.get(at)?.amount ?? 0))
          worst.set(at, {
            element: facts.elements[at]!.id,
            amount: cut,
            measured: { cut },
            others: element === at ? [] : [facts.elements[element]!.id],
          });
        return;
      }
    };
    for (const i of cutOnes(facts)) {
      for (let line = 0; line < facts.lines[i]!.length / 4; line++) note(i, inkOf(facts, i, line));
      if (facts.elements[i]!.tag === 'img') note(i, boxOf(facts, i));
    }
    return [...worst.values()];
  },
  sentence({ element, measured, others }, name) {
    const what = others.length > 0 ? name(others[0]!) : 'its text';
    return `${name(element)} cuts ${px(measured.cut!)} off ${what}.`;
  },
};
