import type { Check, Violation } from '../check';
import { Level, Positioning } from '../facts';
import type { PageFacts } from '../facts';
import { comesBefore } from '../order';

function holdsText(facts: PageFacts): Uint8Array {
  const holds = new Uint8Array(facts.elements.length);
  for (let i = facts.elements.length - 1; i > 0; i--) {
    if (facts.lines[i]!.length > 0 && facts.shown[i]) holds[i] = 1;
    if (holds[i]) holds[facts.elements[i]!.parent] = 1;
  }
  return holds;
}

/** Neighbours stand on the screen in another order than they are read out. */
export const readingOrder: Check = {
  id: 'reading-order',
  title: 'Order on screen is not the order read',
  severity: 'poor',
  why: 'People who listen to the page, or copy it, get it in another order than it is seen in.',
  rule: 'WCAG 2.2, 1.3.2 Meaningful sequence',
  judge(facts) {
    const holds = holdsText(facts);
    const last = new Map<number, number>();
    const worst = new Map<number, Violation>();
    for (let i = 1; i < facts.elements.length; i++) {
      const { parent } = facts.elements[i]!;
      if (!facts.shown[i] || !holds[i] || facts.position[i]! >= Positioning.absolute || facts.pinned[i]) continue;
      if (facts.level[i] === Level.inline || facts.level[i] === Level.float) continue;
      const before = last.get(parent);
      last.set(parent, i);
      if (before === undefined || worst.has(parent)) continue;
      const by = comesBefore(facts, i, before);
      if (by === undefined) continue;
      worst.set(parent, {
        element: facts.elements[parent]!.id,
        amount: by,
        measured: { by },
        others: [facts.elements[i]!.id, facts.elements[before]!.id],
      });
    }
    return [...worst.values()];
  },
  sentence: ({ others }, name) => `${name(others[0]!)} is seen before ${name(others[1]!)}, and read after it.`,
};
