import type { Paragraph } from '@/core/audit/typeset/paragraph';
import type { Gathered } from './gather-text';
import type { Shapes } from './shapes';

/** What an inline element has at its ends. */
const AT_ENDS = [
  'padding-left',
  'padding-right',
  'margin-left',
  'margin-right',
  'border-left-width',
  'border-right-width',
] as const;

/** Texts on one line that differ by less, px, are as wide. */
const SAME = 0.02;

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
  readonly gathered: Gathered;
  /** By style its type. */
  readonly types: readonly string[];
  readonly setBy: string;
  /** What each text says. */
  readonly written: readonly string[];
  readonly widths: readonly number[];
  readonly read: ReadText;
}

/** How the texts of a page are set under some conditions: what is asked of each paragraph to find it again. */
export interface Setting {
  readonly types: readonly string[];
  readonly widths: readonly number[];
  readonly setBy: string;
}

const nodesOf = ({ words }: Gathered) => new Set(words.flatMap(({ parts }) => parts.map(({ node }) => node)));
const writtenIn = (gathered: Gathered) => [...nodesOf(gathered)].map(({ nodeValue }) => nodeValue ?? '');
const sameStrings = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((one, i) => one === b[i]);

/** Paragraphs that were read under other conditions: mostly only how wide their boxes are is otherwise, and all in them is set in the same way. */
export class KnownTexts {
  /** By the first text of each. */
  readonly #known = new Map<Node, Known>();

  /** What was read of the same paragraph, set in the same way; undefined where it isn't known. What stands in lines like a letter has a size of its own. */
  find(gathered: Gathered, { types, widths, setBy }: Setting): ReadText | undefined {
    const first = gathered.words[0]?.parts[0]?.node;
    const known = first && this.#known.get(first);
    if (!known || known.setBy !== setBy || !sameStrings(known.written, writtenIn(gathered))) return undefined;
    const isAsWide = widths.length === known.widths.length && widths.every((one, i) => Math.abs(one - known.widths[i]!) < SAME);
    const numbers = known.types.map((type) => types.indexOf(type));
    if (!isAsWide || !isSame(known.gathered, gathered, numbers)) return undefined;
    const { large, shown, kernedOff } = known.read;
    const as = (one: { readonly read: Paragraph | undefined } | undefined) =>
      one && { read: one.read && asNow(one.read, gathered, numbers) };
    return { large: as(large), kernedOff, ...(shown && { shown: as(shown)! }) };
  }

  keep(gathered: Gathered, { types, widths, setBy }: Setting, read: ReadText): void {
    const first = gathered.words[0]?.parts[0]?.node;
    if (first && gathered.atoms.length === 0)
      this.#known.set(first, { gathered, types, widths, setBy, written: writtenIn(gathered), read });
  }
}

/** The styles of a list of bits, by other numbers; 0 where one of them isn't there any more. */
function renumbered(styles: number, numbers: readonly number[]): number {
  let found = 0;
  for (let style = 0; styles >>> style !== 0; style++) {
    if (((styles >>> style) & 1) === 0) continue;
    if (numbers[style]! < 0) return 0;
    found |= 1 << numbers[style]!;
  }
  return found >>> 0;
}

/** @param numbers by style of the first what it is in the second */
function isSame(a: Gathered, b: Gathered, numbers: readonly number[]): boolean {
  const isStyle = (one: number, other: number) => numbers[one] === other;
  const areStyles = (one: number, other: number) => renumbered(one, numbers) === other;
  return (
    a.block === b.block &&
    a.align === b.align &&
    isStyle(a.strut, b.strut) &&
    a.words.length === b.words.length &&
    a.words.every((word, w) => {
      const other = b.words[w]!;
      return (
        word.text === other.text &&
        word.hard === other.hard &&
        (word.empty === undefined ? other.empty === undefined : areStyles(word.empty, other.empty ?? 0)) &&
        word.parts.length === other.parts.length &&
        word.parts.every((part, i) => {
          const own = other.parts[i]!;
          const isThere = part.node === own.node && part.from === own.from && part.to === own.to && part.element === own.element;
          return isThere && part.kept === own.kept && isStyle(part.style, own.style) && areStyles(part.styles, own.styles);
        })
      );
    }) &&
    a.inlines.length === b.inlines.length &&
    a.inlines.every(({ element, from, to }, i) => {
      const other = b.inlines[i]!;
      return element === other.element && from === other.from && to === other.to;
    })
  );
}

/** What was read, where its block has other paddings, and styles other numbers. */
function asNow(read: Paragraph, { insetLeft, insetRight, strut }: Gathered, numbers: readonly number[]): Paragraph {
  const { segments, texts } = read;
  return {
    ...read,
    insetLeft,
    insetRight,
    strut,
    segments: { ...segments, styles: segments.styles.map((styles) => renumbered(styles, numbers)) },
    texts: { ...texts, style: texts.style.map((style) => numbers[style]!) },
  };
}

/** All that is said of how texts are set, by element, written out once. */
export class SetBy {
  readonly #said = new Map<Element, string>();

  /**
   * @param of the style of an element
   * @param isDecorated whether a line is drawn along its text
   */
  constructor(
    private readonly nodes: readonly HTMLElement[],
    private readonly of: (element: Element) => CSSStyleDeclaration,
    private readonly shapes: Shapes,
    private readonly isDecorated: (element: HTMLElement) => boolean,
  ) {}

  /** Of the elements that a paragraph's texts stand in. */
  in({ block, inlines }: Gathered): string {
    return [block, ...inlines.map(({ element }) => element)]
      .map((element, i) => this.#of(this.nodes[element]!, i > 0))
      .join('\n');
  }

  #of(element: HTMLElement, isInline: boolean): string {
    let said = this.#said.get(element);
    if (said === undefined) {
      const style = this.of(element);
      const ends = isInline ? AT_ENDS.map((name) => style.getPropertyValue(name)) : [];
      said = [this.shapes.said(element), ...ends, this.isDecorated(element)].join(';');
      this.#said.set(element, said);
    }
    return said;
  }
}
