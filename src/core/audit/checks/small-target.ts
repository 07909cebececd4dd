import type { Check } from '../check';
import type { Box } from '../facts';
import { exceeds, exceedsBy } from '../facts';
import type { Target } from '../targets';
import { ROUNDING, targetsOf } from '../targets';

const centre = ({ left, right, top, bottom }: Box) => [(left + right) / 2, (top + bottom) / 2] as const;

/** From a target's centre to the nearest point of a box, px. */
function distance([x, y]: readonly [number, number], { left, right, top, bottom }: Box): number {
  return Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));
}

/** A target that is hard to hit, with others too near. */
export const smallTarget: Check = {
  id: 'small-target',
  title: 'Target is small',
  severity: 'poor',
  why: 'Whoever misses it by a little presses something else.',
  rule: 'WCAG 2.2, 2.5.8 Target size (minimum), with its exceptions for spacing and for links in sentences',
  limits: { least: { label: 'Least size', unit: 'px', usual: 24, least: 8, most: 96 } },
  judge(facts, { least }) {
    const targets = targetsOf(facts);
    const small = targets.filter(({ width, height }) => exceeds(facts, least! - Math.min(width, height), ROUNDING));
    const isSmall = new Set(small);
    const crowds = (one: Target, other: Target) => {
      const at = centre(one.box);
      // Too far away to matter, and so for a good part around it.
      if (Math.abs(at[1] - (other.box.top + other.box.bottom) / 2) > least! + other.height / 2 + 1) return false;
      if (!exceedsBy(facts, distance(at, other.box), least! / 2, 0.5)) return true;
      return (
        isSmall.has(other) &&
        !exceedsBy(facts, Math.hypot(at[0] - centre(other.box)[0], at[1] - centre(other.box)[1]), least!, 0.5)
      );
    };
    return small.flatMap((one) => {
      const near = targets.find((other) => other !== one && crowds(one, other));
      if (!near) return [];
      const size = Math.min(one.width, one.height);
      return [
        {
          element: facts.elements[one.element]!.id,
          amount: least! - size,
          measured: { width: one.width, height: one.height, least: least! },
          others: [facts.elements[near.element]!.id],
        },
      ];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} is ${Math.round(measured.width!)} by ${Math.round(measured.height!)} px, under ${measured.least}, and ${name(others[0]!)} is near.`,
};
