import type { Check, Violation } from '../check';
import type { PageFacts } from '../facts';
import { isAbove } from '../geometry';
import { oncePerGiven } from '../once';

/** Whether an element, or anything in it, can be seen: one without a box of its own shows what stands in it. */
function isSeen(facts: PageFacts, element: number): boolean {
  if (facts.shown[element] === 1) return true;
  // In reading order all that stands in it follows it.
  for (let at = element + 1; at < facts.elements.length && isAbove(facts, element, at); at++) if (facts.shown[at]) return true;
  return false;
}

/** The innermost element in which all of them stand. */
function around(facts: PageFacts, members: readonly number[]): number {
  let at = facts.elements[members[0]!]!.parent;
  while (at >= 0 && !members.every((member) => isAbove(facts, at, member))) at = facts.elements[at]!.parent;
  return at;
}

/** Sets of alternates. */
const alternatesOf = oncePerGiven(
  ({ elements }) => [elements],
  ({ elements }) => {
    const sets = new Map<string, number[]>();
    elements.forEach(({ alternate }, i) => {
      if (alternate !== undefined) sets.set(alternate, [...(sets.get(alternate) ?? []), i]);
    });
    return [...sets.values()];
  },
);

/** None of several alternates can be seen, or more than one. */
export const notJustOne: Check = {
  id: 'not-just-one',
  title: 'Not exactly one alternate shows',
  severity: 'broken',
  why: 'Of alternates people should see one: with none something is missing, with several it is said twice.',
  rule: 'Exactly one of several alternates shows at every viewport (project profile)',
  judge(facts) {
    return alternatesOf(facts).flatMap((all): Violation[] => {
      const members = all.filter((member) => !all.some((other) => other !== member && isAbove(facts, other, member)));
      const place = members.length < 2 ? -1 : around(facts, members);
      if (place < 0 || !isSeen(facts, place)) return [];
      const seen = members.filter((member) => isSeen(facts, member));
      if (seen.length === 1) return [];
      const ids = (seen.length === 0 ? members : seen).map((member) => facts.elements[member]!.id);
      return [
        {
          element: ids[0]!,
          amount: Math.max(1, seen.length),
          measured: { shown: seen.length, of: members.length },
          others: ids.slice(1),
        },
      ];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    measured.shown === 0
      ? `None of ${measured.of} alternates shows, neither ${name(element)} nor the others.`
      : `${name(element)} and ${others.map(name).join(', ')} show at once, though they are alternates.`,
};
