import type { FrameRoom } from './frame-room';
import type { LinesAt } from './lines-at';
import type { Paragraph } from './paragraph';
import type { TextsDown } from './texts-down';
import type { Parts } from './set-lines';

/** An element's lines that stand on more than before get room for this many times as many. */
const SPARE = 1.5;

/**
 * The worked-out lines of all elements, in one list, so that thousands are moved to their places in one go: from where the lines of their
 * paragraph begin, and its first line's top.
 */
export class LineSlots {
  #lines: Float64Array;
  /** By line its paragraph. */
  #owner: Int32Array;
  /** By element: where its lines begin, how many they are, and how many there is room for. */
  readonly #begin: Int32Array;
  readonly #count: Int32Array;
  readonly #room: Int32Array;
  #used = 0;
  /** By element the paragraphs that it has lines in; none for those whose lines aren't worked out. */
  readonly #paragraphs = new Map<number, number[]>();
  /** Elements whose lines are now elsewhere, or others in number, one after the other. */
  readonly #moved: number[] = [];

  /**
   * @param worked 1 for elements whose lines are worked out
   * @param room how many lines those have at most where that was seen
   */
  constructor(
    private readonly paragraphs: readonly Paragraph[],
    worked: Uint8Array,
    room: Int32Array,
  ) {
    this.#begin = new Int32Array(room.length);
    this.#count = new Int32Array(room.length);
    this.#room = room.slice();
    paragraphs.forEach(({ texts }, p) => {
      for (const element of texts.element) {
        if (element < 0 || !worked[element]) continue;
        const own = this.#paragraphs.get(element) ?? [];
        if (own.at(-1) !== p) own.push(p);
        this.#paragraphs.set(element, own);
      }
    });
    for (let i = 0; i < room.length; i++) {
      this.#begin[i] = this.#used;
      this.#used += room[i]!;
    }
    this.#lines = new Float64Array(this.#used * 4);
    this.#owner = new Int32Array(this.#used);
  }

  /** Takes in what isn't as before. @param changed the paragraphs */
  set(
    changed: readonly number[],
    lines: readonly (LinesAt | undefined)[],
    texts: TextsDown,
    partsOf: (p: number) => Parts,
  ): void {
    const elements = new Set<number>();
    const all = new Set<number>();
    for (const p of changed)
      for (const element of this.paragraphs[p]!.texts.element) {
        if (elements.has(element) || !this.#paragraphs.has(element)) continue;
        elements.add(element);
        for (const other of this.#paragraphs.get(element)!) all.add(other);
      }
    const paragraphs = [...all].sort((a, b) => a - b);
    const counts = new Map<number, number>();
    for (const p of paragraphs) {
      const one = lines[p];
      for (let i = 0; one && i < one.count; i++) counts.set(one.element[i]!, (counts.get(one.element[i]!) ?? 0) + 1);
    }
    for (const element of elements) this.#makeRoom(element, counts.get(element) ?? 0);
    const next = new Map<number, number>();
    for (const p of paragraphs) {
      const one = lines[p];
      if (!one) continue;
      const { tops } = texts.of[p]!;
      const { offset, height } = partsOf(p);
      for (let i = 0; i < one.count; i++) {
        const element = one.element[i]!;
        if (!elements.has(element)) continue;
        const slot = next.get(element) ?? this.#begin[element]!;
        next.set(element, slot + 1);
        const top = tops[one.line[i]!]! + offset[i]!;
        this.#owner[slot] = p;
        this.#lines[slot * 4] = one.left[i]!;
        this.#lines[slot * 4 + 1] = top;
        this.#lines[slot * 4 + 2] = one.right[i]!;
        this.#lines[slot * 4 + 3] = top + height[i]!;
      }
    }
  }

  #makeRoom(element: number, count: number): void {
    if (count === this.#count[element]) return;
    this.#count[element] = count;
    this.#moved.push(element);
    if (count <= this.#room[element]!) return;
    this.#room[element] = Math.ceil(count * SPARE);
    this.#begin[element] = this.#used;
    this.#used += this.#room[element]!;
    if (this.#used <= this.#owner.length) return;
    const [lines, owner] = [this.#lines, this.#owner];
    this.#owner = new Int32Array(Math.ceil(this.#used * SPARE));
    this.#lines = new Float64Array(this.#owner.length * 4);
    this.#owner.set(owner);
    this.#lines.set(lines);
  }

  /** Writes all to their places. @param origin by paragraph where its lines begin, px @param top and where its first line's type does */
  write(frame: FrameRoom, origin: Float64Array, top: Float64Array): void {
    const into = frame.roomFor(this.#lines.length);
    const [lines, owner, used] = [this.#lines, this.#owner, this.#used];
    for (let slot = 0, at = 0; slot < used; slot++, at += 4) {
      const p = owner[slot]!;
      const x = origin[p]!;
      const y = top[p]!;
      into[at] = lines[at]! + x;
      into[at + 1] = lines[at + 1]! + y;
      into[at + 2] = lines[at + 2]! + x;
      into[at + 3] = lines[at + 3]! + y;
    }
    frame.follow(this.#moved, (element) => [this.#begin[element]! * 4, this.#count[element]! * 4]);
  }
}
