import type { Check, Limits, Violation } from '../check';

/**
 * Type grows when the screen shrinks. Decided from the sizes on both sides of each edge of a band, which a sweep
 * records there; at one viewport alone nothing can be said.
 */
export const growingType: Check = {
  id: 'growing-type',
  title: 'Type grows on a smaller screen',
  severity: 'poor',
  why: 'Passing a breakpoint makes it larger where there is less room: a value was forgotten, or leaks into this band.',
  rule: 'Type gets no larger as the screen gets narrower (project profile)',
  limits: { most: { label: 'Growth that is let pass', unit: 'px', usual: 0.5, least: 0, most: 40 } },
  judge: () => [],
  sentence: ({ element, measured }, name) =>
    `${name(element)} is ${round(measured.below!)} px just below the breakpoint and ${round(measured.above!)} px from it on.`,
};

const round = (size: number) => Math.round(size * 10) / 10;

/** @param below sizes at the last width of a band, px by element @param above sizes at the next width */
export function grows(
  below: Readonly<Record<string, number>>,
  above: Readonly<Record<string, number>>,
  { most }: Limits,
): Violation[] {
  return Object.entries(below).flatMap(([element, size]) => {
    const next = above[element];
    if (next === undefined || size - next <= most!) return [];
    return [{ element, amount: size - next, measured: { below: size, above: next }, others: [] }];
  });
}
