import { Aligned, Rule } from '../codes';

/** How elements come to their heights where others stand beside them, by element; lengths in px. */
export interface Heights {
  /** From the lower end of what stands in it to its own, with margins that count there, if nothing makes it higher; NaN where that isn't known. */
  readonly rest: Float64Array;
  /** Of what lays its items side by side: from its upper edge to the first row, and between two rows. */
  readonly head: Float64Array;
  readonly gap: Float64Array;
  /** Margins above and below an item. */
  readonly above: Float64Array;
  readonly below: Float64Array;
  /** Of items: one of `Aligned`. */
  readonly align: Float64Array;
  /** The item of a column that takes all the room that is left; -1 where none does. */
  readonly grows: Int32Array;
  /** 1 where rows share the room that is left. */
  readonly shares: Uint8Array;
  /** How high it is at least, border to border. */
  readonly least: Float64Array;
  /** 1 where its height is given. */
  readonly given: Uint8Array;
  /** 1 where its items would be made lower in a height that is given and less than they ask for, or higher. */
  readonly fills: Uint8Array;
  /** 1 where none of its items is made lower than what stands in it asks for: what has no room reaches out. */
  readonly keeps: Uint8Array;
}

/** What is to be known of elements so that they can be worked out, and is. */
export interface Settled {
  readonly rule: Uint8Array;
  /** 1 for elements that may be higher than what stands in them asks for. */
  readonly slack: Uint8Array;
}

/** Takes out what can't be worked out since of something in it that isn't known. */
export function settled(
  found: Uint8Array,
  { rest, align, grows, least, given: isGiven }: Heights,
  units: readonly (readonly number[])[],
): Settled {
  const rule = found.slice();
  const count = rule.length;
  const isRigid = new Uint8Array(count);
  for (let i = count - 1; i >= 0; i--) {
    if (rule[i] === Rule.other) {
      isRigid[i] = 1;
      continue;
    }
    if (rule[i] === Rule.rows && units[i]!.some((row) => units[row]!.some((cell) => rule[cell] !== Rule.stack)))
      for (const one of [i, ...units[i]!]) rule[one] = Rule.other;
    const items = rule[i] === Rule.beside ? units[i]! : [];
    if (items.some((item) => align[item] === Aligned.stretched && isRigid[item])) rule[i] = Rule.other;
    // How high one that grows would be without is known of what stands in it alone.
    const grower = grows[i]!;
    const isKnown = !Number.isNaN(rest[i]!) && (grower < 0 || !(isRigid[grower] || isGiven[grower]));
    if ((rule[i] === Rule.beside || least[i]! > 0 || isGiven[i]) && !isKnown) rule[i] = Rule.other;
    if (!isKnown || rule[i] === Rule.other) isRigid[i] = 1;
  }
  const slack = new Uint8Array(count);
  for (let i = 0; i < count; i++) {
    if (rule[i] === Rule.other) continue;
    if (rule[i] === Rule.beside) for (const item of units[i]!) if (align[item] === Aligned.stretched) slack[item] = 1;
    if (least[i]! > 0 || isGiven[i]) slack[i] = 1;
    if (slack[i] && grows[i]! >= 0) slack[grows[i]!] = 1;
  }
  return { rule, slack };
}
