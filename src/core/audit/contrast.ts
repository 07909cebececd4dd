import type { Channels } from '../styles/luminance';
import { contrastRatio } from '../styles/luminance';
import type { PageFacts } from './facts';
import { Backdrop, Positioning } from './facts';
import { oncePerGiven } from './once';

type Colour = readonly [number, number, number];

const over = (top: ArrayLike<number>, at: number, under: Colour): Colour => {
  const alpha = top[at + 3]!;
  return [0, 1, 2].map((part) => top[at + part]! * alpha + under[part]! * (1 - alpha)) as unknown as Colour;
};
const mix = (a: Colour, b: Colour, share: number): Colour =>
  [0, 1, 2].map((part) => a[part]! + (b[part]! - a[part]!) * share) as unknown as Colour;

/** From 0 to 255 to shares of 1. */
const shares = ([red, green, blue]: Colour): Channels => [red / 255, green / 255, blue / 255];

const packed = (colour: Colour): number => colour.reduce((sum, byte) => sum * 256 + Math.round(byte), 0);

export interface TextContrast {
  /** Undefined where a picture or a gradient lies behind the text. */
  readonly ratio: number | undefined;
  /** Whether something opaque of the layer it stands in lies behind it, whatever else is under that. */
  readonly own: boolean;
  /** The text and what is behind it as they are painted, red, green and blue of 8 bits in one number; as `ratio`. */
  readonly ink: number | undefined;
  readonly ground: number | undefined;
}

/** All that painted contrasts follow from. */
export const paintedBy = ({ ink, ground, backdrop, opacity, position, elements }: PageFacts): readonly unknown[] => [
  ink,
  ground,
  backdrop,
  opacity,
  position,
  elements,
];

const known = oncePerGiven(paintedBy, (): TextContrast[] => []);

/**
 * Contrast of an element's text with what its ancestors paint behind it, composited from the canvas up, with groups of
 * lower opacity laid over what is under them (CSS Color 4, 3.2; WCAG 2.2, 1.4.3).
 */
export function paintedContrast(facts: PageFacts, element: number): TextContrast {
  const all = known(facts);
  return (all[element] ??= composite(facts, element));
}

/** What shows where an element paints nothing but its own background; undefined where a picture or a gradient lies there. */
export function paintedGround(facts: PageFacts, element: number): Colour | undefined {
  return painted(facts, element).ground;
}

/**
 * Contrast of a line in a colour of an element with what it lies on (WCAG 2.2, 1.4.11): all grounds beside it, the best of
 * them; undefined where none can be told.
 * @param line red, green, blue from 0 to 255, alpha from 0 to 1
 * @param grounds elements whose ground is beside the line
 */
export function lineContrast(facts: PageFacts, line: ArrayLike<number>, grounds: readonly number[]): number | undefined {
  const ratios = grounds.flatMap((element) => {
    const ground = paintedGround(facts, element);
    return ground ? [contrastRatio(shares(over(line, 0, ground)), shares(ground))] : [undefined];
  });
  return ratios.includes(undefined) ? undefined : Math.max(...(ratios as number[]));
}

function composite(facts: PageFacts, element: number): TextContrast {
  const { ground, text, own } = painted(facts, element);
  return {
    ratio: ground && contrastRatio(shares(text), shares(ground)),
    own,
    ink: packed(text),
    ground: ground && packed(ground),
  };
}

interface Painted {
  readonly ground: Colour | undefined;
  readonly text: Colour;
  readonly own: boolean;
}

function painted(facts: PageFacts, element: number): Painted {
  const path: number[] = [];
  for (let at = element; at >= 0; at = facts.elements[at]!.parent) path.unshift(at);
  let ground: Colour = [255, 255, 255];
  let told = true;
  let own = false;
  const groups: { under: Colour; opacity: number }[] = [];
  for (const at of path) {
    if (facts.position[at]! >= Positioning.absolute) own = false;
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
  return { ground: told ? ground : undefined, text, own };
}
