import type { Check } from '../check';
import { oncePerGiven } from '../once';
import { typeExceeds } from '../readers';
import { textHolders } from '../text';

/** Less below the least size is none, px. */
const NOTHING = 0.01;

const belowSize = oncePerGiven(
  (facts) => [textHolders(facts), facts.shown, facts.fontSize],
  (facts, least) => textHolders(facts).filter((i) => facts.shown[i] && least - facts.fontSize[i]! > NOTHING),
);

/** Visible text smaller than the project's smallest size. */
export const smallText: Check = {
  id: 'small-text',
  title: 'Text is small',
  severity: 'note',
  why: 'Small type is skipped, or makes people zoom, which brings back sideways scrolling.',
  rule: 'The smallest type (project profile)',
  limits: { least: { label: 'Smallest type', unit: 'px', usual: 12, least: 6, most: 24 } },
  judge(facts, { least }) {
    // Only the size of type that grows is worked out.
    const small = facts.doubt?.sized
      ? textHolders(facts).filter((i) => facts.shown[i] && typeExceeds(facts, least! - facts.fontSize[i]!, NOTHING))
      : belowSize(facts, least);
    return small.map((i) => {
      const size = facts.fontSize[i]!;
      return { element: facts.elements[i]!.id, amount: least! - size, measured: { size }, others: [] };
    });
  },
  sentence: ({ element, measured }, name) => `${name(element)} is set in ${Math.round(measured.size! * 10) / 10} px.`,
};
