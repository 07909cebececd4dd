import type { Check } from '../check';
import { clippedContent } from './clipped-content';
import { faultsOf, inWordsOf } from './faults-of';
import { overlappingText } from './overlapping-text';
import { sidewaysScroll } from './sideways-scroll';

const LOSSES = [clippedContent, overlappingText] as const;
const LOSSES_IDS = LOSSES.map(({ id }) => id);

/** Text enlarged to twice its size is cut off or lies on other text. */
export const largeText: Check = {
  id: 'large-text',
  title: 'Text at 200% doesn’t fit',
  severity: 'poor',
  why: 'People who set their type larger lose what is cut off.',
  rule: 'WCAG 2.2, 1.4.4 Resize text',
  view: 'large-text',
  besides: LOSSES_IDS,
  judge: faultsOf(LOSSES),
  sentence: inWordsOf(LOSSES, 'With text twice as large'),
};

/** Text set with more space is cut off or lies on other text. */
export const spacedText: Check = {
  id: 'spaced-text',
  title: 'Text with more spacing doesn’t fit',
  severity: 'poor',
  why: 'People who space letters, words and lines to be able to read lose what is cut off.',
  rule: 'WCAG 2.2, 1.4.12 Text spacing',
  view: 'spaced-text',
  besides: LOSSES_IDS,
  judge: faultsOf(LOSSES),
  sentence: inWordsOf(LOSSES, 'With the spacing of 1.4.12'),
};

const REFLOW = [sidewaysScroll, clippedContent] as const;

/** At 320 by 256 px, which is a desktop screen enlarged to 400%, something is lost or needs scrolling both ways. */
export const reflow: Check = {
  id: 'reflow',
  title: 'Doesn’t reflow at 400%',
  severity: 'broken',
  why: 'Enlarged to 400%, a desktop screen is 320 by 256 px; people who need that must not scroll both ways.',
  rule: 'WCAG 2.2, 1.4.10 Reflow',
  view: 'reflow',
  besides: REFLOW.map(({ id }) => id),
  judge: faultsOf(REFLOW),
  sentence: inWordsOf(REFLOW, 'At 320 by 256 px'),
};
