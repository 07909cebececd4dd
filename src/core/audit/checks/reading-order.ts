import type { Check, Violation } from '../check';
import { Level, Positioning } from '../facts';
import { oncePerGiven } from '../once';
import { comesBefore } from '../order';
import { textHolders } from '../text';

/** Elements in the flow with text in them, whose order can be seen. */
const flowing = oncePerGiven(
  (facts) => [textHolders(facts), facts.elements, facts.shown, facts.position, facts.pinned, facts.level],
  ({ elements, shown, position, pinned, level, lines }) => {
    const holds = new Uint8Array(elements.length);
    for (let i = elements.length - 1; i > 0; i--) {
      if (lines[i]!.length > 0 && shown[i]) holds[i] = 1;
      if (holds[i]) holds[elements[i]!.parent] = 1;
    }
    const isPlaced = (i: number) => position[i]! >= Positioning.absolute || pinned[i] || level[i] === Level.float;
    return elements.flatMap((_, i) => (i > 0 && shown[i] && holds[i] && !isPlaced(i) && level[i] !== Level.inline ? [i] : []));
  },
);

interface Neighbours {
  readonly parent: number;
  readonly before: number;
  readonly after: number;
}

/** Elements in the flow that follow each other in the same one. */
const neighbours = oncePerGiven(
  (facts) => [flowing(facts), facts.elements],
  (facts): Neighbours[] => {
    const last = new Map<number, number>();
    return flowing(facts).flatMap((after) => {
      const { parent } = facts.elements[after]!;
      const before = last.get(parent);
      last.set(parent, after);
      return before === undefined ? [] : [{ parent, before, after }];
    });
  },
);

/** Neighbours stand on the screen in another order than they are read out. */
export const readingOrder: Check = {
  id: 'reading-order',
  title: 'Order on screen is not the order read',
  severity: 'poor',
  why: 'People who listen to the page, or copy it, get it in another order than it is seen in.',
  rule: 'WCAG 2.2, 1.3.2 Meaningful sequence',
  judge(facts) {
    const worst = new Map<number, Violation>();
    for (const { parent, before, after } of neighbours(facts)) {
      if (worst.has(parent)) continue;
      const by = comesBefore(facts, after, before);
      if (by === undefined) continue;
      worst.set(parent, {
        element: facts.elements[parent]!.id,
        amount: by,
        measured: { by },
        others: [facts.elements[after]!.id, facts.elements[before]!.id],
      });
    }
    return [...worst.values()];
  },
  sentence: ({ others }, name) => `${name(others[0]!)} is seen before ${name(others[1]!)}, and read after it.`,
};
