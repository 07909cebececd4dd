import type { PageFacts } from './facts';
import { Backdrop, Place } from './facts';

type Colour = readonly [number, number, number];

const over = (top: ArrayLike<number>, at: number, under: Colour): Colour => {
  const alpha = top[at + 3]!;
  return [0, 1, 2].map((part) => top[at + part]! * alpha + under[part]! * (1 - alpha)) as unknown as Colour;
};
const mix = (a: Colour, b: Colour, share: number): Colour =>
  [0, 1, 2].map((part) => a[part]! + (b[part]! - a[part]!) * share) as unknown as Colour;

/** Relative luminance, 0 to 1 (WCAG 2.2). */
export function luminance(colour: ArrayLike<number>): number {
  const [red, green, blue] = [0, 1, 2].map((part) => {
    const value = colour[part]! / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

/** Contrast ratio of two opaque colours, 1 to 21 (WCAG 2.2). */
export function contrastRatio(a: ArrayLike<number>, b: ArrayLike<number>): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

export interface TextContrast {
  /** Undefined where a picture or a gradient lies behind the text. */
  readonly ratio: number | undefined;
  /** Whether something opaque of the layer it stands in lies behind it, whatever else is under that. */
  readonly own: boolean;
}

const known = new WeakMap<Float64Array, Map<number, TextContrast>>();

/**
 * Contrast of an element's text with what its ancestors paint behind it, composited from the canvas up, with groups of
 * lower opacity laid over what is under them (CSS Color 4, 3.2; WCAG 2.2, 1.4.3).
 */
export function contrastOf(facts: PageFacts, element: number): TextContrast {
  let all = known.get(facts.ink);
  if (!all) known.set(facts.ink, (all = new Map()));
  let one = all.get(element);
  if (!one) all.set(element, (one = composite(facts, element)));
  return one;
}

function composite(facts: PageFacts, element: number): TextContrast {
  const path: number[] = [];
  for (let at = element; at >= 0; at = facts.elements[at]!.parent) path.unshift(at);
  let ground: Colour = [255, 255, 255];
  let told = true;
  let own = false;
  const groups: { under: Colour; opacity: number }[] = [];
  for (const at of path) {
    if (facts.position[at]! >= Place.absolute) own = false;
    if (facts.opacity[at]! < 1) groups.push({ under: ground, opacity: facts.opacity[at]! });
    if (facts.ground[at * 4 + 3]! > 0) {
      ground = over(facts.ground, at * 4, ground);
      if (facts.ground[at * 4 + 3] === 1) {
        told = true;
        own = true;
      }
    }
    // A picture is painted over the colour of the same box.
    if (facts.backdrop[at] !== Backdrop.none) {
      told = false;
      own = true;
    }
  }
  let text = over(facts.ink, element * 4, ground);
  for (const { under, opacity } of groups.reverse()) {
    text = mix(under, text, opacity);
    ground = mix(under, ground, opacity);
  }
  return { ratio: told ? contrastRatio(text, ground) : undefined, own };
}

/** Large text needs less: 24 px, or 14 pt (18.66 px) in bold. */
export const isLarge = (facts: PageFacts, element: number): boolean =>
  facts.fontSize[element]! >= 24 || (facts.bold[element] === 1 && facts.fontSize[element]! >= 18.66);
