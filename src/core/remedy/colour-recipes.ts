import type { Recipe, Situation } from './situation';
import { passingColours } from '../styles/passing-colours';

/** Red, green and blue in one number, as measurements travel. */
const channels = (packed: number) =>
  [packed >> 16, (packed >> 8) & 255, packed & 255].map((byte) => byte / 255) as [number, number, number];

/** Colours for a text that stand out enough from what is measured to lie behind it: those of its hue first. */
export function inksFor({ finding }: Situation): string[] {
  const { ink, ground, least } = finding.worst.violation.measured;
  if (ink === undefined || ground === undefined || least === undefined) return ['#1f2b29', '#000000', '#ffffff'];
  return passingColours(channels(ink), channels(ground), least);
}

/** The nearest colours of the same hue that can be read, for the text, then for what is behind it. */
export function readable(situation: Situation): Recipe[] {
  const { finding, name, value } = situation;
  const { ink, ground, least } = finding.worst.violation.measured;
  const inks = inksFor(situation).map((colour): Recipe => ({
    title: `Text of ${name(finding.element)} in ${colour}`,
    values: [[finding.element, 'color', colour]],
  }));
  const painted = /^(transparent|rgba\(0, 0, 0, 0\))$/.test(value(finding.element, 'background-color'));
  if (painted || ink === undefined || ground === undefined || least === undefined) return inks;
  const grounds = passingColours(channels(ground), channels(ink), least).map((colour): Recipe => ({
    title: `Background of ${name(finding.element)} in ${colour}`,
    values: [[finding.element, 'background-color', colour]],
  }));
  return [...inks, ...grounds];
}
