import type { Paragraph } from '@/core/audit/typeset/paragraph';
import type { Gathered } from './gather-text';
import type { Shapes } from './shapes';
import { AT_ENDS } from './shapes';

/** Texts on one line that differ by less, px, are as wide. */
const SAME = 0.02;
/** Pages come and go in the same window. */
const KNOWN_MOST = 8_000;

/** What was read of a paragraph. */
export interface ReadText {
  /** As it is shown much larger; undefined where it can't be told by that. */
  readonly large: { readonly read: Paragraph | undefined } | undefined;
  /** How far off that may be since kerning follows another size, px. */
  readonly kernedOff: number;
  /** As it is shown, where that was read. */
  shown?: { readonly read: Paragraph | undefined };
}

interface Known {
  /** By style its type. */
  readonly types: readonly string[];
  readonly widths: readonly number[];
  readonly read: ReadText;
}

/** How a paragraph is set: what is asked of it to find it again. */
export interface Setting {
  readonly types: readonly string[];
  /** Of each text on one line, px. */
  readonly widths: readonly number[];
  readonly said: string;
}

/**
 * Paragraphs that were read under other conditions, or in another version of the page: mostly only how wide their boxes are is otherwise, and all in
 * them is set in the same way.
 */
export class KnownTexts {
  readonly #known = new Map<string, Known>();
  readonly #numbers = new Map<string, number>();

  /** A number for a type, the same wherever it is met. */
  numberOf(type: string): number {
    let number = this.#numbers.get(type);
    if (number === undefined) this.#numbers.set(type, (number = this.#numbers.size));
    return number;
  }

  /** What was read of the same paragraph, set in the same way; undefined where it isn't known. */
  find(gathered: Gathered, { types, widths, said }: Setting): ReadText | undefined {
    const known = this.#known.get(said);
    // A font may have come since.
    if (!known || !widths.every((one, i) => Math.abs(one - known.widths[i]!) < SAME)) return undefined;
    const numbers = known.types.map((type) => types.indexOf(type));
    const { large, shown, kernedOff } = known.read;
    const asNow = ({ read }: { readonly read: Paragraph | undefined }) => ({
      read: read && withNumbers(read, gathered, numbers),
    });
    return { large: large && asNow(large), kernedOff, ...(shown && { shown: asNow(shown) }) };
  }

  /** What stands in lines like a letter has a size of its own, so that a paragraph with any isn't kept. */
  keep({ atoms }: Gathered, { types, widths, said }: Setting, read: ReadText): void {
    if (atoms.length > 0) return;
    if (this.#known.size >= KNOWN_MOST) this.#known.clear();
    this.#known.set(said, { types, widths, read });
  }
}

/** What was read, where its block has other paddings, and styles other numbers. */
function withNumbers(read: Paragraph, { insetLeft, insetRight, strut }: Gathered, numbers: readonly number[]): Paragraph {
  const { segments, texts } = read;
  const renumbered = (styles: number) => {
    let found = 0;
    for (let style = 0; styles >>> style !== 0; style++) if ((styles >>> style) & 1) found |= 1 << numbers[style]!;
    return found >>> 0;
  };
  return {
    ...read,
    insetLeft,
    insetRight,
    strut,
    segments: { ...segments, styles: segments.styles.map(renumbered) },
    texts: { ...texts, style: texts.style.map((style) => numbers[style]!) },
  };
}

/** All that is said of how texts are set, written out, so that it is the same where they are set in the same way. */
export class Settings {
  readonly #elements = new Map<HTMLElement, string>();

  /**
   * @param numbers by style one for its type that is the same wherever it is met
   * @param of the style of an element
   * @param isDecorated whether a line is drawn along its text
   */
  constructor(
    private readonly nodes: readonly HTMLElement[],
    private readonly numbers: readonly number[],
    private readonly of: (element: Element) => CSSStyleDeclaration,
    private readonly shapes: Shapes,
    private readonly isDecorated: (element: HTMLElement) => boolean,
  ) {}

  /** Of a paragraph: what is written where in it, and all that is said of the elements that it stands in. */
  said({ block, align, strut, words, inlines }: Gathered): string {
    const order = new Map<Node | undefined, number>();
    const written: (string | null)[] = [];
    const types = (styles: number) => this.numbers.filter((_, style) => (styles >>> style) & 1).sort((a, b) => a - b);
    const all = words.map(({ text, hard, empty, parts }) => [
      text,
      hard,
      empty === undefined ? undefined : types(empty),
      ...parts.map(({ node, from, to, element, style, styles, kept }) => {
        if (!order.has(node)) order.set(node, written.push(node.nodeValue) - 1);
        return [order.get(node), from, to, element, this.numbers[style], types(styles), kept];
      }),
    ]);
    // With the spaces that stand at their ends.
    const around = inlines.map(({ element, from, to }) => [
      element,
      order.get(from),
      order.get(to),
      this.nodes[element]!.textContent,
    ]);
    const elements = [block, ...inlines.map(({ element }) => element)].map((element, i) => this.#of(this.nodes[element]!, i > 0));
    return JSON.stringify([block, align, this.numbers[strut], all, written, around, elements]);
  }

  #of(element: HTMLElement, isInline: boolean): string {
    let said = this.#elements.get(element);
    if (said === undefined) {
      const style = this.of(element);
      const ends = isInline ? AT_ENDS.map((name) => style.getPropertyValue(name)) : [];
      said = [this.shapes.said(element), ...ends, this.isDecorated(element)].join(';');
      this.#elements.set(element, said);
    }
    return said;
  }
}
