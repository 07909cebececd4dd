import type { Check } from '../check';
import type { PageFacts } from '../facts';
import type { Box } from '../geometry';
import { areaExceeds, foundByBox, isMore, larger, orderBy, smaller } from '../readers';
import { isUnder, targetsOf } from '../targets';

/** From a point to the nearest one of a box, squared, px². */
function apart(facts: PageFacts, x: number, y: number, { left, right, top, bottom }: Box): number {
  const across = larger(facts, larger(facts, left - x, 0), x - right);
  const down = larger(facts, larger(facts, top - y, 0), y - bottom);
  return across ** 2 + down ** 2;
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
    const isSmall = targets.map((one) => isUnder(facts, one, least!));
    if (!isSmall.includes(true)) return [];
    const x = targets.map(({ box }) => (box.left + box.right) / 2);
    const y = targets.map(({ box }) => (box.top + box.bottom) / 2);
    const byHeight = orderBy(facts, targets.length, y);
    const place = new Int32Array(targets.length);
    byHeight.forEach((one, at) => (place[one] = at));
    const highest = targets.reduce((most, { height }) => larger(facts, most, height), 0);
    /** Too far away to matter, and so for a good part around it. */
    const far = least! + highest / 2 + 1;
    const crowds = (one: number, other: number) => {
      // A distance that is off by half a px is, squared, off by as many px² as it has px.
      const near = apart(facts, x[one]!, y[one]!, targets[other]!.box);
      if (!areaExceeds(facts, near, (least! / 2) ** 2, least! / 2)) return true;
      const between = (x[one]! - x[other]!) ** 2 + (y[one]! - y[other]!) ** 2;
      return isSmall[other]! && !areaExceeds(facts, between, least! ** 2, least!);
    };
    return targets.flatMap(({ element, width, height }, one) => {
      if (!isSmall[one]) return [];
      let first = Infinity;
      for (const step of [-1, 1])
        for (let at = place[one]! + step; at >= 0 && at < byHeight.length; at += step) {
          const other = byHeight[at]!;
          if (isMore(facts, (y[other]! - y[one]!) * step, far)) break;
          if (other < first && crowds(one, other)) first = other;
        }
      const near = targets[first];
      if (!near) return [];
      foundByBox(facts, element, near.element);
      return [
        {
          element: facts.elements[element]!.id,
          amount: least! - smaller(facts, width, height),
          measured: { width, height, least: least! },
          others: [facts.elements[near.element]!.id],
        },
      ];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} is ${Math.round(measured.width!)} by ${Math.round(measured.height!)} px, under ${measured.least}, and ${name(others[0]!)} is near.`,
};
