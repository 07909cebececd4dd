import type { Check, View } from '../check';
import { contrast } from './contrast';
import { faultsOf, inWordsOf } from './faults-of';
import { smallTarget } from './small-target';

const LOOKS = [contrast, smallTarget] as const;
/** What is found where everything lies as at rest, and isn't found there. */
const PAINTED = [contrast] as const;
const [judge, judgePainted] = [faultsOf(LOOKS), faultsOf(PAINTED)];

/** Text that can't be read, or something that can't be hit, only while it is in a state. */
const inState = (view: View, words: string): Check => ({
  id: view,
  title: `Worse when ${words}`,
  severity: 'poor',
  why: 'People lose sight of it, or of where to press, just when they are about to.',
  rule: 'WCAG 2.2, 1.4.3 Contrast (minimum) and 2.5.8 Target size (minimum)',
  view,
  besides: LOOKS.map(({ id }) => id),
  likewise: LOOKS.map(({ id }) => id),
  judge: (facts, limits) => (facts.asAtRest ? judgePainted : judge)(facts, limits),
  byStyles: ({ asAtRest }) => asAtRest === true,
  sentence: inWordsOf(LOOKS, `When ${words}`),
});

export const pointed = inState('pointed', 'pointed at');
export const focused = inState('focused', 'focused');
export const pressed = inState('pressed', 'pressed');
