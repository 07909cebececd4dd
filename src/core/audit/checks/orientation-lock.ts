import type { Check } from '../check';
import type { PageFacts } from '../facts';

const charsShown = (facts: PageFacts) =>
  facts.elements.reduce((sum, { chars }, i) => sum + (facts.lines[i]!.length > 0 ? chars : 0), 0);

/** Held one way, a device shows much less of the page than held the other way. */
export const orientationLock: Check = {
  id: 'orientation-lock',
  title: 'Page is locked to one orientation',
  severity: 'broken',
  why: 'Some devices are mounted one way, and some people can not turn theirs.',
  rule: 'WCAG 2.2, 1.3.4 Orientation',
  view: 'turned',
  limits: { least: { label: 'Least of the text that must show', unit: '%', usual: 40, least: 1, most: 100 } },
  judge(facts, { least }) {
    if (!facts.turned) return [];
    const [here, there] = [charsShown(facts), charsShown(facts.turned)];
    if (there === 0 || (100 * here) / there >= least!) return [];
    const share = Math.round((100 * here) / there);
    return [{ element: facts.elements[0]!.id, amount: 100 - share, measured: { share }, others: [] }];
  },
  sentence: ({ measured }) => `Held this way, the page shows ${measured.share}% of the text that it shows turned.`,
};
