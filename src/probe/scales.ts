import type { Paragraph } from '@/core/audit/typeset/paragraph';
import type { Gathered } from './gather-text';
import { ALONE } from './line-begins';
import type { Shapes } from './shapes';

/** The unit in which browsers lay out, px. */
const UNIT = 1 / 64;
/** By more, for each px, nothing but the largest length that browsers know makes them differ. */
const MORE_MOST = 1e-4;
/** So many letters that a difference shows of which a unit is less than a millionth. */
const PROBE = 'n'.repeat(2_000);

/**
 * By how much letters are wider as they are shown than as they are shown much larger. Letters of fonts with 1,000 units are narrower at 16 px by
 * about a hundred-thousandth, as if the number by which units become px were kept in 1/65,536; of a line of 800 px that is more than half a unit.
 */
export class Scales {
  readonly #probes = new Map<number, HTMLElement>();
  readonly #plain = new Map<number, number>();
  /** By shape: how much wider letters are, for each px. */
  readonly #more = new Map<number, number>();

  constructor(private readonly shapes: Shapes) {}

  /** Sets a long text in each shape, and reads how long it is as it is shown. */
  begin(all: readonly Gathered[]): void {
    for (const { words } of all)
      for (const { parts } of words)
        for (const { node } of parts) {
          if (node.nodeType !== 3) continue;
          const shape = this.shapes.number(node as Text);
          if (this.#probes.has(shape)) continue;
          const probe = node.ownerDocument.createElement('span');
          probe.style.cssText = ALONE;
          probe.textContent = PROBE;
          this.#probes.set(shape, probe);
          node.parentElement!.append(probe);
        }
    for (const [shape, probe] of this.#probes) this.#plain.set(shape, probe.getBoundingClientRect().width);
  }

  /** Reads the same as it is shown so many times larger. */
  end(zoom: number): void {
    for (const [shape, probe] of this.#probes) {
      const large = probe.getBoundingClientRect().width / zoom;
      // What is shown is rounded up to whole units.
      const more = this.#plain.get(shape)! - large;
      const isKnown = Math.abs(more) > UNIT && Math.abs(more) < large * MORE_MOST;
      this.#more.set(shape, isKnown ? (more - UNIT / 2) / large : 0);
    }
    for (const probe of this.#probes.values()) probe.remove();
  }

  /** How wide a text is shown that is so wide as it was read much larger, px. */
  shown(text: Node, width: number): number {
    return width * (1 + this.#of(text));
  }

  #of(text: Node): number {
    return text.nodeType === 3 ? (this.#more.get(this.shapes.number(text as Text)) ?? 0) : 0;
  }

  /** What was read of a paragraph much larger, as wide as it is shown. @param texts its texts in order */
  asShown(read: Paragraph, texts: readonly Node[]): Paragraph {
    const more = texts.map((text) => this.#of(text));
    if (!more.some((one) => one !== 0)) return read;
    const { segments, pieces } = read;
    /** By text how much further right it begins. */
    const by = new Float64Array(texts.length);
    const wide = (text: number) => read.texts.right[text]! - read.texts.left[text]!;
    for (let text = 1; text < by.length; text++) by[text] = by[text - 1]! + wide(text - 1) * more[text - 1]!;
    const moved = (x: number, text: number) => x + by[text]! + (x - read.texts.left[text]!) * more[text]!;
    const [left, right] = [segments.left.slice(), segments.right.slice()];
    for (let piece = 0; piece < pieces.segment.length; piece++) {
      const [segment, text] = [pieces.segment[piece]!, pieces.text[piece]!];
      if (piece === 0 || pieces.segment[piece - 1] !== segment)
        left[segment] = segments.left[segment]! + moved(pieces.left[piece]!, text) - pieces.left[piece]!;
      right[segment] = segments.right[segment]! + moved(pieces.right[piece]!, text) - pieces.right[piece]!;
    }
    return {
      ...read,
      segments: { ...segments, left, right },
      pieces: {
        ...pieces,
        left: pieces.left.map((x, piece) => moved(x, pieces.text[piece]!)),
        right: pieces.right.map((x, piece) => moved(x, pieces.text[piece]!)),
      },
      texts: { ...read.texts, left: read.texts.left.map(moved), right: read.texts.right.map(moved) },
    };
  }
}
