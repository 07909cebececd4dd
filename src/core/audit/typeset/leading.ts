/*
 * How far lines lie apart: a line reaches as far above and below its type as the largest of all that stands on it (CSS Inline 3, 4), so
 * that only hangs on which styles are on it. All lengths are px from the top of the block's own type, called its strut.
 */

/** Numbers that should be the same and differ by more, px, are not what they are taken for. */
const SAME = 0.04;

/** What one style does to a line of a block with a strut. */
export interface StyleOnLine {
  readonly strut: number;
  readonly style: number;
  /** How much lower the top of its type lies than that of the strut's. */
  readonly offset: number;
  /** How far the line reaches above the strut's type and below its top, with this style on it. */
  readonly above: number;
  readonly below: number;
}

/** The tops of a paragraph's lines as they were measured. */
export interface MeasuredLines {
  readonly strut: number;
  /** The styles on each line, a bit for each. */
  readonly styles: Uint32Array;
  readonly tops: Float64Array;
}

/** How far lines reach in one direction by what is on them, by strut and style. */
class Reach {
  constructor(
    private readonly values = new Map<number, number>(),
    /** Of what reaches no further than the strut that stood beside it: how far it would by itself isn't known. */
    private readonly beside = new Map<number, number>(),
  ) {}

  copy(): Reach {
    return new Reach(new Map(this.values), new Map(this.beside));
  }

  set(strut: number, style: number, value: number): void {
    this.values.set(key(strut, style), value);
  }

  /** The largest of all; undefined where that isn't known of one of them, unless those are left out. */
  of(strut: number, styles: number, leavesOut = false): number | undefined {
    let found = -Infinity;
    const hasStrut = ((styles >>> strut) & 1) === 1;
    for (let style = 0; styles >>> style !== 0; style++) {
      if (((styles >>> style) & 1) === 0) continue;
      const value = this.values.get(key(strut, style)) ?? (hasStrut ? this.beside.get(key(strut, style)) : undefined);
      if (value === undefined && !leavesOut) return undefined;
      if (value !== undefined && value > found) found = value;
    }
    return found;
  }

  /** Of a line on which nothing but the strut and one more style is. */
  learn(strut: number, styles: number, value: number): void {
    const others = (styles & ~(1 << strut)) >>> 0;
    if (others === 0 || (others & (others - 1)) !== 0) return;
    const own = styles === others ? undefined : this.values.get(key(strut, strut));
    const into = own !== undefined && value <= own + SAME ? this.beside : this.values;
    into.set(key(strut, 31 - Math.clz32(others)), value);
  }
}

/** What is known of the leading of all styles of a page. */
export class Leading {
  #offsets = new Map<number, number>();
  #above = new Reach();
  #below = new Reach();
  #heights = new Map<number, number>();
  /** Measured steps from one line to the next, by the styles on both: what browsers round shows there. */
  #steps = new Map<string, number>();
  /** Changes with each offset that is learned: what was read with other ones is to be read again. */
  version = 0;

  constructor(known: readonly StyleOnLine[]) {
    for (const { strut, style, offset, above, below } of known) {
      this.#offsets.set(key(strut, style), offset);
      this.#above.set(strut, style, above);
      this.#below.set(strut, style, below);
    }
  }

  /** What is known now. */
  copy(): Leading {
    const copy = new Leading([]);
    copy.#offsets = new Map(this.#offsets);
    copy.#above = this.#above.copy();
    copy.#below = this.#below.copy();
    copy.#heights = new Map(this.#heights);
    copy.#steps = new Map(this.#steps);
    copy.version = this.version;
    return copy;
  }

  /** How high a style's type is. */
  height(style: number): number {
    return this.#heights.get(style) ?? NaN;
  }

  /** @returns whether it is as it was */
  learnHeight(style: number, height: number): boolean {
    const known = this.#heights.get(style);
    if (known === undefined) this.#heights.set(style, height);
    return known === undefined || Math.abs(known - height) <= SAME;
  }

  /** How much lower the top of a style's type lies than that of the strut, on the same line; undefined where it isn't known. */
  offset(strut: number, style: number): number | undefined {
    return strut === style ? 0 : this.#offsets.get(key(strut, style));
  }

  /** @returns whether it is as it was */
  learnOffset(strut: number, style: number, offset: number): boolean {
    const known = this.offset(strut, style);
    if (known === undefined) {
      this.#offsets.set(key(strut, style), offset);
      this.version++;
    }
    return known === undefined || Math.abs(known - offset) <= SAME;
  }

  /** How far a line with these styles reaches above the strut's type; undefined where that isn't known of one of them. */
  above(strut: number, styles: number): number | undefined {
    return this.#above.of(strut, styles);
  }

  /** From the top of the strut's type down to the line's end. */
  below(strut: number, styles: number): number | undefined {
    return this.#below.of(strut, styles);
  }

  /** The same of those styles of which it is known; -Infinity where it is of none. */
  belowAtLeast(strut: number, styles: number): number {
    return this.#below.of(strut, styles, true)!;
  }

  /** From the top of the strut's type on one line to that on the next; NaN where it isn't known. */
  step(strut: number, styles: number, next: number): number {
    const measured = this.#steps.get(`${strut} ${styles} ${next}`);
    return measured ?? (this.below(strut, styles) ?? NaN) + (this.above(strut, next) ?? NaN);
  }

  /** Learns from lines that follow each other. @returns whether they are as they were */
  learn({ strut, styles, tops }: MeasuredLines): boolean {
    for (let i = 1; i < tops.length; i++) {
      const step = tops[i]! - tops[i - 1]!;
      const [below, above] = [this.below(strut, styles[i - 1]!), this.above(strut, styles[i]!)];
      if (below !== undefined && above !== undefined) {
        if (Math.abs(below + above - step) > SAME) return false;
        const between = `${strut} ${styles[i - 1]} ${styles[i]}`;
        if (!this.#steps.has(between)) this.#steps.set(between, step);
      } else if (above !== undefined) this.#below.learn(strut, styles[i - 1]!, step - above);
      else if (below !== undefined) this.#above.learn(strut, styles[i]!, step - below);
    }
    return true;
  }
}

const key = (strut: number, style: number) => strut * 32 + style;

/** How far the lines of a paragraph reach above the first one's type and below the top of the last one's, px. */
export interface LineEnds {
  readonly above: number;
  readonly below: number;
  /** How far the last one reaches at least, where it isn't known how far. */
  readonly least?: number | undefined;
  /** Whether it isn't known how far the first one reaches above, or the last one below. */
  readonly isOpen: boolean;
}

/** The lines of a paragraph, one below the other. */
export interface LinesDown extends LineEnds {
  /** Of each line's own type, px below that of the first. */
  readonly tops: Float64Array;
  /** What stands on each, as in measured lines. */
  readonly styles: Uint32Array;
}

/** What is not known is taken to be nothing, and counted to the distance. */
export function lineEnds(strut: number, styles: Uint32Array, leading: Leading): LineEnds {
  const below = leading.below(strut, styles[styles.length - 1]!);
  const least = below === undefined ? leading.belowAtLeast(strut, styles[styles.length - 1]!) : undefined;
  const above = leading.above(strut, styles[0]!);
  return { above: above ?? 0, below: below ?? 0, least, isOpen: above === undefined || below === undefined };
}
