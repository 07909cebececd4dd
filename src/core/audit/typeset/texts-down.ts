import type { LinesDown } from './leading';

/** How the lines of all texts lie below each other, and where that is, by paragraph. */
export class TextsDown {
  /** Undefined where it has none, or they aren't known. */
  readonly of: (LinesDown | undefined)[];
  /** Where the type of its first line begins, px. */
  readonly top: Float64Array;
  /** From the end of what stands above it to there, and from there to its own end, px. */
  readonly above: Float64Array;
  readonly depth: Float64Array;

  constructor(count: number) {
    this.of = Array.from({ length: count }, () => undefined);
    [this.top, this.above, this.depth] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  }

  set(p: number, lines: LinesDown | undefined): void {
    this.of[p] = lines;
    if (!lines) return;
    this.above[p] = lines.above;
    this.depth[p] = lines.tops[lines.tops.length - 1]! + lines.below;
  }
}
