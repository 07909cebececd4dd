import type { PageFacts } from '../facts';
import { scrollHint } from './scroll-hint';

const at = (...points: readonly (readonly [number, number])[]) =>
  scrollHint(points.map(([width, scrollWidth]) => ({ viewport: { width, height: 600 }, scrollWidth }) as PageFacts));

test('a page stops scrolling sideways at what reaches out, if that stays where it is', () => {
  expect(at([320, 422], [599, 599])).toBe(422);
  expect(at([320, 421.5], [599, 599])).toBe(422);
});

test('what reaches further as the window grows is met later', () => {
  // By half a px a px: 400 + (w - 320) / 2 is w at 480 px.
  expect(at([320, 400], [340, 410], [599, 599])).toBe(480);
  expect(at([320, 400], [340, 420], [599, 599])).toBeUndefined();
});

test.each([
  ['nothing reaches out', [320, 320], [599, 599]],
  ['it scrolls at both ends', [320, 700], [599, 700]],
  ['it begins to scroll', [320, 320], [599, 640]],
  ['it would end next to the narrow end', [320, 330], [599, 599]],
] as const)('nothing is guessed where %s', (_, a, b) => {
  expect(at(a, b)).toBeUndefined();
});
