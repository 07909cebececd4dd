import type { Gathered } from './gather-text';
import type { Shapes } from './shapes';

/** The unit in which browsers lay out, px. */
const UNIT = 1 / 64;
/** Widths that differ by less, in units, are the same. */
const SAME = 1e-5;
/** What is laid out by itself, with the type of what it stands in. */
export const ALONE =
  'all: unset !important; position: absolute !important; left: 0 !important; top: 0 !important; white-space: pre !important; visibility: hidden !important';
/** Between these a space is as wide as it is by itself: letters that come nearer to none. */
const SPACED = 'n n';
const LETTER = /^[\p{L}\p{N}\p{P}\p{S}]$/u;

type Sides = { readonly left: number; readonly right: number };
export type SidesOf = (node: Text, from: number, to: number) => Sides;

/**
 * What lines begin with. Where letters come nearer to the space before them, or follow without one, browsers shape a line that begins with
 * them anew, up to the next letter that keeps to itself.
 */
export class LineBegins {
  /** By shape: how wide a space is. */
  readonly #spaces = new Map<number, number>();
  /** By shape and letter: how wide it is by itself, px. */
  readonly #alone = new Map<string, number>();

  constructor(
    private readonly sidesOf: SidesOf,
    private readonly shapes: Shapes,
  ) {}

  /** Finds out how wide letters and spaces are that nothing comes nearer to, by shape. */
  ask(all: readonly Gathered[]): void {
    const found = new Map<number, { readonly around: HTMLElement; readonly letters: Set<string> }>();
    for (const { words } of all)
      for (const { parts } of words)
        for (const { node, from, to } of parts) {
          if (node.nodeType !== 3) continue;
          const shape = this.shapes.number(node as Text);
          let one = found.get(shape);
          if (!one) found.set(shape, (one = { around: node.parentElement!, letters: new Set() }));
          for (const letter of node.nodeValue!.slice(from, to))
            if (LETTER.test(letter) && letter.length === 1) one.letters.add(letter);
        }
    const asked = [...found].map(([shape, { around, letters }]) => {
      const alone = around.ownerDocument.createElement('span');
      alone.style.cssText = ALONE;
      alone.textContent = [SPACED, ...letters].join('\n');
      around.append(alone);
      return { shape, alone, letters };
    });
    for (const { shape, alone, letters } of asked) {
      const text = alone.firstChild as Text;
      const wide = (at: number) => {
        const { left, right } = this.sidesOf(text, at, at + 1);
        return right - left;
      };
      this.#spaces.set(shape, wide(1));
      [...letters].forEach((letter, i) => this.#alone.set(`${shape} ${letter}`, wide(SPACED.length + 1 + i * 2)));
    }
    for (const { alone } of asked) alone.remove();
  }

  /**
   * Whether what begins at a place in a text comes nearer to the space before it, or follows without one.
   * @param near how near is taken to be none, px
   */
  isDrawn(node: Text, from: number, left: number, near: number): boolean {
    if (from === 0) return false;
    const before = node.nodeValue!.slice(0, from);
    if (!/\s$/.test(before)) return true;
    // Spaces that follow each other are one, at the last of which letters stand.
    const space = this.sidesOf(node, from - 1, from);
    const wide = left - (space.right > space.left ? space.left : this.sidesOf(node, before.trimEnd().length, from).left);
    return !(Math.abs(wide - (this.#spaces.get(this.shapes.number(node)) ?? NaN)) < near);
  }

  /**
   * How much room a line loses that begins with a letter that is shaped anew, px: Chromium counts from whole units on, and takes the room that
   * shaped letters need, rounded up, for that which they had. NaN where that isn't known.
   * @param origin where the text begins
   */
  lostAt(node: Text, from: number, origin: number, near: number): number {
    const written = node.nodeValue!;
    const shape = this.shapes.number(node);
    if (!/\s/.test(written[from - 1] ?? '')) return NaN;
    let at = from;
    for (let isNear = true; isNear && at < written.length; at++) {
      const { left, right } = this.sidesOf(node, at, at + 1);
      const own = /\s/.test(written[at]!) ? this.#spaces.get(shape) : this.#alone.get(`${shape} ${written[at]!}`);
      if (own === undefined) return NaN;
      isNear = Math.abs(right - left - own) >= near;
    }
    const { left, right } = this.sidesOf(node, from, at);
    const begin = (left - origin) / UNIT;
    const past = begin - Math.floor(begin + SAME);
    const wide = (right - left) / UNIT;
    return Math.max(0, past + Math.ceil(wide - SAME) - Math.ceil(past + wide - SAME)) * UNIT;
  }
}
