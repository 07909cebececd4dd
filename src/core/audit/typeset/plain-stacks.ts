import { Rule } from '../codes';
import type { Gaps } from './gaps';
import type { Page } from './page';
import { SAME } from './same';

/**
 * Elements that are as high as what lies one below the other in them, and nothing else but what makes them higher around them. Most are; at each
 * width thousands are placed, so that what is needed of them stands in a few lists.
 */
export class PlainStacks {
  /** By element: 1 where it is one. */
  readonly is: Uint8Array;
  /** By element where its units begin; its distances begin as many elements later, since it has one more. */
  readonly begin: Int32Array;
  readonly units: Int32Array;
  /** Distances at the first measured viewport, and by how much they are larger at the last, px. */
  readonly gap: Float64Array;
  readonly by: Float64Array;
  /** By element that may be higher than it asks for: the paragraph that it ends with; -1 for others. */
  readonly ends: Int32Array;

  constructor({ set: { rule, units, floats, heights }, slack }: Pick<Page, 'set' | 'slack'>, gapsA: Gaps, gapsB: Gaps) {
    this.is = new Uint8Array(rule.length);
    this.begin = new Int32Array(rule.length + 1);
    this.ends = new Int32Array(rule.length).fill(-1);
    for (let i = 0; i < rule.length; i++) {
      const [a, b] = [gapsA.of[i], gapsB.of[i]];
      const isPlain = rule[i] === Rule.stack && !heights.given[i] && !(heights.least[i]! > 0);
      this.is[i] = isPlain && !floats && a && b && !(Math.abs(a[0]! - b[0]!) > SAME) ? 1 : 0;
      this.begin[i + 1] = this.begin[i]! + (this.is[i] ? units[i]!.length : 0);
    }
    const count = this.begin[rule.length]!;
    this.units = new Int32Array(count);
    [this.gap, this.by] = [new Float64Array(count + rule.length), new Float64Array(count + rule.length)];
    for (let i = 0; i < rule.length; i++) {
      if (!this.is[i]) continue;
      this.units.set(units[i]!, this.begin[i]!);
      const [a, b] = [gapsA.of[i]!, gapsB.of[i]!];
      for (let at = 0; at < a.length; at++) {
        this.gap[this.begin[i]! + i + at] = a[at]!;
        this.by[this.begin[i]! + i + at] = b[at]! - a[at]!;
      }
      if (!slack[i]) continue;
      const last = units[i]!.at(-1) ?? 0;
      if (last < 0) this.ends[i] = -1 - last;
      // It may have been stretched where it was measured.
      [this.gap[this.begin[i + 1]! + i], this.by[this.begin[i + 1]! + i]] = [heights.rest[i]!, 0];
    }
  }
}
