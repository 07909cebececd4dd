import type { Check } from '../check';
import type { PageFacts } from '../facts';
import type { Box } from '../geometry';
import { areaExceeds, foundByBox, isMore, larger, smaller, sortedBy } from '../readers';
import type { Target } from '../targets';
import { isUnder, targetsOf } from '../targets';

const centre = ({ left, right, top, bottom }: Box) => [(left + right) / 2, (top + bottom) / 2] as const;

/** From a target's centre to the nearest point of a box, squared, px². */
function apart(facts: PageFacts, [x, y]: readonly [number, number], { left, right, top, bottom }: Box): number {
  const across = larger(facts, larger(facts, left - x, 0), x - right);
  const down = larger(facts, larger(facts, top - y, 0), y - bottom);
  return across ** 2 + down ** 2;
}

const asPoint = ([x, y]: readonly [number, number]): Box => ({ left: x, right: x, top: y, bottom: y });

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
    const small = targets.filter((one) => isUnder(facts, one, least!));
    const isSmall = new Set(small);
    if (small.length === 0) return [];
    const middles = targets.map((one, index) => ({ one, index, middle: (one.box.top + one.box.bottom) / 2 }));
    const byHeight = sortedBy(facts, middles, ({ middle }) => middle);
    const place = new Map(byHeight.map(({ one }, at) => [one, at]));
    const highest = targets.reduce((most, { height }) => larger(facts, most, height), 0);
    const crowds = (one: Target, other: Target) => {
      const at = centre(one.box);
      // A distance that is off by half a px is, squared, off by as many px² as it has px.
      if (!areaExceeds(facts, apart(facts, at, other.box), (least! / 2) ** 2, least! / 2)) return true;
      return isSmall.has(other) && !areaExceeds(facts, apart(facts, at, asPoint(centre(other.box))), least! ** 2, least!);
    };
    return small.flatMap((one) => {
      let near: Target | undefined;
      let first = Infinity;
      const { middle } = byHeight[place.get(one)!]!;
      for (const step of [-1, 1])
        for (let at = place.get(one)! + step; byHeight[at]; at += step) {
          const other = byHeight[at]!;
          // Too far away to matter, and so for a good part around it.
          if (isMore(facts, (other.middle - middle) * step, least! + highest / 2 + 1)) break;
          if (other.index < first && crowds(one, other.one)) [near, first] = [other.one, other.index];
        }
      if (!near) return [];
      foundByBox(facts, one.element, near.element);
      const size = smaller(facts, one.width, one.height);
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
