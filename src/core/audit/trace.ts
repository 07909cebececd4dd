/** How a number that was compared follows the viewport's width where everything on a page moves evenly. */
export const Kind = {
  /** Evenly: the verdict turns where it meets its limit. */
  even: 0,
  /** Evenly, and the verdict is the same on both sides of the limit: an order. */
  turn: 1,
  /** As a parabola does: a distance squared, an area. */
  curved: 2,
  /** It isn't known how. */
  unknown: 3,
  /** Not at all: a place in an order, which two viewports share or not. */
  same: 4,
  /** Evenly, and which of two numbers it is says nothing where both are the same: the smaller or larger of them. */
  pick: 5,
} as const;

/** In one piece of memory: thousands are made. */
function columns(room: number): [Float64Array, Float64Array, Uint8Array] {
  const memory = new ArrayBuffer(room * 17);
  return [new Float64Array(memory, 0, room), new Float64Array(memory, room * 8, room), new Uint8Array(memory, room * 16, room)];
}

/**
 * All comparisons by which a check came to its verdict, in order: how far each number was from its limit, and how far off a
 * worked-out one can be. Two viewports whose traces say the same went the same way through the check, so what was compared
 * is the same expression in both: where its numbers move evenly, all viewports between went that way too.
 */
export class Trace {
  margins: Float64Array;
  slacks: Float64Array;
  kinds: Uint8Array;
  length = 0;
  /** Whether what was compared is: else only what is near to its limit is noted. */
  readonly isCompared: boolean = true;

  constructor(room = 64) {
    [this.margins, this.slacks, this.kinds] = columns(room);
  }

  add(margin: number, slack: number, kind: number): void {
    if (this.length === this.margins.length) this.#grow(this.length * 2 + 16);
    this.margins[this.length] = margin;
    this.slacks[this.length] = slack;
    this.kinds[this.length++] = kind;
  }

  /** What was compared to work out something that is asked for again. */
  from(start: number): Trace {
    const part = new Trace(this.length - start);
    part.append(this, start);
    return part;
  }

  append(other: Trace, start = 0): void {
    const more = other.length - start;
    if (this.length + more > this.margins.length) this.#grow(Math.max(this.length * 2, this.length + more));
    this.margins.set(other.margins.subarray(start, other.length), this.length);
    this.slacks.set(other.slacks.subarray(start, other.length), this.length);
    this.kinds.set(other.kinds.subarray(start, other.length), this.length);
    this.length += more;
  }

  /** Whether a verdict on worked-out numbers could be another on measured ones. */
  isDoubtful(start: number, end: number): boolean {
    for (let i = start; i < end; i++) if (isNear(this, i)) return true;
    return false;
  }

  #grow(size: number): void {
    const [margins, slacks, kinds] = columns(size);
    margins.set(this.margins.subarray(0, this.length));
    slacks.set(this.slacks.subarray(0, this.length));
    kinds.set(this.kinds.subarray(0, this.length));
    [this.margins, this.slacks, this.kinds] = [margins, slacks, kinds];
  }
}

/** Only what could be otherwise on a measured viewport: of one that isn't compared with another nothing else is asked. */
export class NearTrace extends Trace {
  override readonly isCompared = false;

  override add(margin: number, slack: number, kind: number): void {
    if (nearBy(margin, slack, kind)) super.add(margin, slack, kind);
  }
}

const nearBy = (margin: number, slack: number, kind: number): boolean =>
  kind === Kind.unknown || ((kind === Kind.even || kind === Kind.curved) && Math.abs(margin) <= slack);

export const isNear = ({ margins, slacks, kinds }: Trace, i: number): boolean => nearBy(margins[i]!, slacks[i]!, kinds[i]!);
