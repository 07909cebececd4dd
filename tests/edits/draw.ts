/** Chance from a seed, so that what it led to can be led to again. */
export class Draw {
  #state: number;

  constructor(seed: number) {
    this.#state = seed >>> 0;
  }

  /** 0 to below 1 (mulberry32). */
  number(): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0;
    let t = this.#state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  /** 0 to below `most`. */
  below(most: number): number {
    return Math.floor(this.number() * most);
  }

  chance(of: number): boolean {
    return this.number() < of;
  }

  from<T>(list: readonly T[]): T {
    return list[this.below(list.length)]!;
  }

  some<T>(list: readonly T[], most: number): T[] {
    return list.filter(() => this.chance(0.4)).slice(0, most);
  }

  /** An id that nothing has yet. */
  id(letter: string): string {
    return `${letter}${this.below(2 ** 31).toString(36)}${this.below(2 ** 31).toString(36)}`;
  }
}
