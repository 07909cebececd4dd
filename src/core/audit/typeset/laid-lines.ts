import { LineSlots } from './line-slots';
import type { FrameRoom } from './frame-room';
import { InlineBoxes } from './inline-boxes';
import type { Starts } from './line-starts';
import type { LinesAt } from './lines-at';
import { roomIn } from './lines-at';
import type { Page } from './page';
import { SetLines } from './set-lines';
import type { Between } from './stack';
import { TextsDown } from './texts-down';

/** The lines of all texts between two measured viewports, at one width after the other: what is the same as at the last one is kept. */
export class LaidLines {
  /** By paragraph; undefined where it has none. */
  readonly lines: (LinesAt | undefined)[] = [];
  readonly texts: TextsDown;
  /** Where its lines begin, px. */
  readonly origin: Float64Array;
  readonly #setLines: readonly SetLines[];
  readonly #slots: LineSlots;
  #starts: (Int32Array | undefined)[] = [];
  /** Those whose lines aren't known to lie below each other; and those that lie otherwise at each width, across and down. */
  readonly #unknown = new Set<number>();
  readonly #followsRoom: readonly number[];
  readonly #uneven = new Set<number>();
  readonly #unsteady: readonly number[];
  readonly #inlines: InlineBoxes;
  /** Where the type of a first line is: at the first measured viewport, and how much lower at the last, px; 0 where what stands above decides. */
  readonly #from: Float64Array;
  readonly #by: Float64Array;
  #changed: number[] = [];
  readonly #block: Int32Array;
  readonly #insetLeft: Float64Array;

  constructor(
    private readonly page: Page,
    private readonly pair: Between,
  ) {
    const { paragraphs } = page.set;
    this.#setLines = paragraphs.map((paragraph, p) => new SetLines(page, pair, p, paragraph));
    this.texts = new TextsDown(paragraphs.length);
    this.#block = Int32Array.from(paragraphs, ({ block }) => block);
    this.#insetLeft = Float64Array.from(paragraphs, ({ insetLeft }) => insetLeft);
    this.origin = new Float64Array(paragraphs.length);
    [this.#from, this.#by] = [new Float64Array(paragraphs.length), new Float64Array(paragraphs.length)];
    const those = (is: (p: number) => boolean) => [...paragraphs.keys()].filter(is);
    this.#followsRoom = those((p) => this.#setLines[p]!.followsRoom);
    this.#unsteady = those((p) => !this.#setLines[p]!.isSteady);
    this.#inlines = new InlineBoxes(paragraphs);
    const [a, b] = [pair.a.facts.lines, pair.b.facts.lines];
    const { worked } = page.set;
    const room = Int32Array.from(a, (lines, i) => (worked[i] ? Math.max(lines.length, b[i]!.length) / 4 : 0));
    this.#slots = new LineSlots(paragraphs, worked, room);
  }

  /**
   * Breaks and moves all lines; whether all are known.
   * @param boxes between the two, of which those of blocks are known across
   * @param share where between the two, 0 to 1
   */
  set(starts: Starts, boxes: Float64Array, share: number): boolean {
    const { paragraphs } = this.page.set;
    const { origin, texts } = this;
    const { top } = texts;
    const [block, insetLeft, from, by, before] = [this.#block, this.#insetLeft, this.#from, this.#by, this.#starts];
    for (let p = 0; p < block.length; p++) {
      if (starts[p] !== before[p]) this.#begin(p, starts[p], boxes, share);
      origin[p] = boxes[block[p]! * 4]! + insetLeft[p]!;
      top[p] = from[p]! + by[p]! * share;
    }
    for (const p of this.#followsRoom) {
      if (!starts[p]) continue;
      this.lines[p] = this.#setLines[p]!.across(starts[p]!, roomIn(paragraphs[p]!, boxes).room);
      this.#changed.push(p);
    }
    for (const p of this.#uneven) {
      texts.set(p, this.#setLines[p]!.down(this.lines[p]!.styles, share));
      this.#changed.push(p);
    }
    return this.#unknown.size === 0 && !this.#unsteady.some((p) => starts[p]);
  }

  #begin(p: number, starts: Int32Array | undefined, boxes: Float64Array, share: number): void {
    const setting = this.#setLines[p]!;
    this.#starts[p] = starts;
    this.#changed.push(p);
    const lines = starts && setting.across(starts, roomIn(this.page.set.paragraphs[p]!, boxes).room);
    const down = lines && setting.down(lines.styles, share);
    this.lines[p] = lines;
    this.texts.set(p, down);
    if (lines && !down) this.#unknown.add(p);
    else this.#unknown.delete(p);
    const isMixed = lines !== undefined && setting.isAsAtEnds(lines.styles);
    if (isMixed && !setting.isEven) this.#uneven.add(p);
    else this.#uneven.delete(p);
    const [from, to] = isMixed ? [this.pair.a.tops[p]![0]!, this.pair.b.tops[p]![0]!] : [0, 0];
    [this.#from[p], this.#by[p]] = [from, to - from];
  }

  /** Writes the lines of all texts, and the boxes of inline elements around them. */
  write(frame: FrameRoom): void {
    const partsOf = (p: number) => this.#setLines[p]!.parts(this.lines[p]!);
    if (this.#changed.length > 0) this.#slots.set(this.#changed, this.lines, this.texts, partsOf);
    for (const p of this.#changed) {
      if (!this.#inlines.has(p)) continue;
      const lines = this.lines[p];
      this.#inlines.set(p, lines && { lines, parts: partsOf(p), down: this.texts.of[p]! }, this.pair.a.reach[p]!);
    }
    this.#changed = [];
    this.#slots.write(frame, this.origin, this.texts.top);
    this.#inlines.write(frame.boxes, this.origin, this.texts.top);
  }
}
