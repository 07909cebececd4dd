/** Numbers come out with so many parts of a unit: finer than anything is measured. */
const PARTS = 1e3;
/** So far off they may be by what they are taken to be between two. */
const OFF = 0.4 / PARTS;
/** Where a stretch begins, and by how much a number is more than the one before: what is lost of both doesn't add up to as much again. */
const [BEGINS, STEPS] = [1e4, 1e9];

const cut = (value: number, parts: number) => Math.round(value * parts) / parts;

/** A list of numbers of which neighbours are mostly the same, or more by the same each time. */
export class Evenly {
  /** One stretch after the other: how many numbers, the first, and by how much each is more than the one before. */
  readonly list: number[] = [];
  #from = 0;
  #count = 0;
  /** Between which the step has to be for all numbers of the last stretch. */
  #least = 0;
  #most = 0;

  add(value: number): void {
    const least = Math.max(this.#least, (value - OFF - this.#from) / this.#count);
    const most = Math.min(this.#most, (value + OFF - this.#from) / this.#count);
    if (this.#count === 0 || !(least <= most)) {
      this.#from = cut(value, BEGINS);
      this.#count = 1;
      [this.#least, this.#most] = [-Infinity, Infinity];
      this.list.push(1, this.#from, 0);
      return;
    }
    [this.#least, this.#most] = [least, most];
    const at = this.list.length;
    this.list[at - 3] = ++this.#count;
    // What stays the same does so to the last digit.
    this.list[at - 1] = least <= 0 && most >= 0 ? 0 : cut((least + most) / 2, STEPS);
  }
}

/** The numbers that were added, to a thousandth. */
export function evenly(list: readonly number[]): number[] {
  const numbers: number[] = [];
  for (let at = 0; at < list.length; at += 3) {
    const [count, from, step] = [list[at]!, list[at + 1]!, list[at + 2]!];
    for (let i = 0; i < count; i++) numbers.push(cut(from + step * i, PARTS));
  }
  return numbers;
}
