import type { Paragraph } from '@/core/audit/typeset/paragraph';
import { Columns } from './columns';
import type { Gathered, Word } from './gather-text';
import { ALONE, LineBegins } from './line-begins';
import type { Shapes } from './shapes';

type Standing = Text | HTMLElement;
interface ReadText {
  readonly node: Standing;
  readonly element: number;
  readonly style: number;
  readonly whole: { readonly left: number; readonly right: number };
  readonly kept: boolean;
  readonly first: number;
  last: number;
}

/** What is thinner than this is a rounding of nothing, px. */
const NOTHING = 0.02;
/** How exactly browsers say where a letter stands, both ends together, px. */
const PLAINLY = 0.032;

/** Writing that is broken between any two letters, none of which come nearer to each other. */
const APART =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}]/u;
/** Letters that come nearer to each other by less, px, are taken not to. */
const NEARER = 0.004;

/** What is known by how letters before and behind a place in a text come near to each other; undefined at its end. */
function pairAt({ nodeValue }: Text, shape: number, to: number): string | undefined {
  const next = nodeValue![to];
  return next === undefined ? undefined : `${shape} ${nodeValue!.slice(Math.max(0, to - 2), to)}${/\s/.test(next) ? ' ' : next}`;
}

/** Whether lines of a text are measured: of what isn't seen they aren't, though it takes its room. */
const isRead = ({ nodeValue, parentElement: parent }: Node): boolean =>
  /\S/.test(nodeValue ?? '') &&
  parent !== null &&
  parent.ownerDocument.defaultView!.getComputedStyle(parent).visibility === 'visible';

/** Reads paragraphs as they stand on one line. */
export class ParagraphReader {
  readonly #range: Range;
  /** By shape and letters: how much wider what ends with them is without what follows. */
  readonly #apart = new Map<string, number>();
  readonly #begins: LineBegins;
  readonly #decorated = new Map<HTMLElement, boolean>();
  #zoom = 1;

  /**
   * @param breaksOf where words may be broken inside
   * @param sizes how wide what stands there like a letter is where lines are broken
   */
  constructor(
    document: Document,
    private readonly nodes: readonly HTMLElement[],
    private readonly index: ReadonlyMap<Element, number>,
    private readonly breaksOf: (word: string) => readonly number[],
    private readonly sizes: ReadonlyMap<HTMLElement, number>,
    private readonly shapes: Shapes,
  ) {
    this.#begins = new LineBegins((node, from, to) => this.#rectOf(node, from, to), shapes);
    this.#range = document.createRange();
  }

  /** The texts of a paragraph, in order. */
  textsOf({ words }: Gathered): Standing[] {
    return [...new Set(words.flatMap(({ parts }) => parts.map((part) => part.node)))];
  }

  /** How wide each text of a paragraph is, as it is shown. */
  widthsOf(gathered: Gathered): number[] {
    return this.textsOf(gathered).map((node) => {
      this.#range.selectNodeContents(node);
      return this.#range.getBoundingClientRect().width;
    });
  }

  /**
   * @param zoom how many times larger than usual everything is shown
   * @returns undefined where it can't be told where its lines are broken
   */
  read({ words, inlines, atoms: _, ...gathered }: Gathered, zoom: number): Paragraph | undefined {
    this.#zoom = zoom;
    const pieces = new Columns('segment', 'text', 'left', 'right');
    const segments = new Columns('left', 'right', 'apart', 'drawn', 'lost', 'hard', 'styles');
    const texts: ReadText[] = [];
    const order = new Map<Standing, number>();
    for (const word of words) this.#readWord(word, pieces, segments, texts, order);
    const whole = texts.map((text) => text.whole);
    const reach = new Columns('element', 'first', 'last', 'before', 'after');
    for (const { element, from, to } of inlines) {
      const box = this.#boxOf(this.nodes[element]!);
      if (!from || !to) {
        if (box.width > NOTHING) return undefined;
        continue;
      }
      // On which line such a space stands, and the padding before it, isn't worked out.
      if (this.#hasSpaceAtEnd(this.nodes[element]!, from, to)) return undefined;
      const { first } = texts[order.get(from)!]!;
      const { last } = texts[order.get(to)!]!;
      const [left, right] = [whole[order.get(from)!]!.left, whole[order.get(to)!]!.right];
      const [before, after] = [left - box.left, box.right - right];
      const [leads, trails] = [pieces.of('left')[first]! - left > NOTHING, right - pieces.of('right')[last]! > NOTHING];
      // A space at the end that has room around it: on which side of a break that is, isn't worked out.
      if ((before > NOTHING && leads) || (after > NOTHING && trails) || before < -NOTHING || after < -NOTHING) return undefined;
      reach.push({ element, first, last, before, after });
      const [begin, end] = [pieces.of('segment')[first]!, pieces.of('segment')[last]!];
      if (!leads) segments.of('left')[begin] = Math.min(segments.of('left')[begin]!, box.left);
      if (!trails) segments.of('right')[end] = Math.max(segments.of('right')[end]!, box.right);
    }
    const atoms = new Columns('element', 'text', 'before', 'width');
    for (const [text, { node }] of texts.entries()) {
      if (node.nodeType !== 1) continue;
      const box = this.#boxOf(node as HTMLElement);
      const width = this.sizes.get(node as HTMLElement)!;
      if (Math.abs(width - box.width) > NOTHING) {
        // It gives way to what stands beside it.
        if (pieces.length > 1) return undefined;
        pieces.of('right')[0]! += width - box.width;
        segments.of('right')[0]! += width - box.width;
      }
      atoms.push({ element: this.index.get(node as HTMLElement)!, text, before: box.left - whole[text]!.left, width });
    }
    const numbers = (list: readonly number[]) => Float64Array.from(list);
    return {
      ...gathered,
      exact: PLAINLY / zoom,
      segments: {
        left: numbers(segments.of('left')),
        right: numbers(segments.of('right')),
        apart: numbers(segments.of('apart')),
        drawn: Uint8Array.from(segments.of('drawn')),
        lost: numbers(segments.of('lost')),
        hard: Uint8Array.from(segments.of('hard')),
        styles: Uint32Array.from(segments.of('styles')),
      },
      pieces: {
        segment: Int32Array.from(pieces.of('segment')),
        text: Int32Array.from(pieces.of('text')),
        left: numbers(pieces.of('left')),
        right: numbers(pieces.of('right')),
      },
      texts: {
        // What holds nothing but spaces that don't break has no lines of its own.
        element: Int32Array.from(texts, ({ node, element }) => (isRead(node) ? element : -1)),
        left: Float64Array.from(whole, ({ left }) => left),
        right: Float64Array.from(whole, ({ right }) => right),
        first: Int32Array.from(texts, ({ first }) => first),
        last: Int32Array.from(texts, ({ last }) => last),
        style: Uint8Array.from(texts, ({ style }) => style),
        kept: Uint8Array.from(texts, ({ kept }) => (kept ? 1 : 0)),
        spaceless: Uint8Array.from(texts, ({ node }) => (gathered.align !== 0 || this.isDecorated(node.parentElement!) ? 1 : 0)),
      },
      inlines: {
        element: Int32Array.from(reach.of('element')),
        first: Int32Array.from(reach.of('first')),
        last: Int32Array.from(reach.of('last')),
        before: numbers(reach.of('before')),
        after: numbers(reach.of('after')),
      },
      atoms: {
        element: Int32Array.from(atoms.of('element')),
        text: Int32Array.from(atoms.of('text')),
        before: numbers(atoms.of('before')),
        width: numbers(atoms.of('width')),
      },
    };
  }

  /** Whether an inline element begins or ends with a text of nothing but a space that takes room. */
  #hasSpaceAtEnd(element: HTMLElement, from: Node, to: Node): boolean {
    const walker = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      if (/[^ \t\n\r\f]/.test(node.nodeValue!)) continue;
      const isBefore = (from.compareDocumentPosition(node) & Node.DOCUMENT_POSITION_PRECEDING) !== 0;
      const isBehind = (to.compareDocumentPosition(node) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0 && !to.contains(node);
      if (!isBefore && !isBehind) continue;
      this.#range.selectNodeContents(node);
      if (this.#range.getBoundingClientRect().width > NOTHING * this.#zoom) return true;
    }
    return false;
  }

  #readWord(
    { text: written, parts, hard, empty }: Word,
    pieces: Columns<'segment' | 'text' | 'left' | 'right'>,
    segments: Columns<'left' | 'right' | 'apart' | 'drawn' | 'lost' | 'hard' | 'styles'>,
    texts: ReadText[],
    order: Map<Standing, number>,
  ): void {
    if (empty !== undefined) {
      const at = segments.of('right').at(-1) ?? 0;
      return segments.push({ left: at, right: at, apart: 0, drawn: 0, lost: 0, hard: 1, styles: empty });
    }
    const cuts = [...this.#cutsIn(written, parts), written.length];
    let [at, cut] = [0, 0];
    const nothing = { left: Infinity, right: -Infinity, styles: 0, drawn: 0, lost: 0 };
    let row = nothing;
    const end = (byHand: boolean, apart = 0) => {
      segments.push({ ...row, apart, hard: byHand ? 1 : 0 });
      row = nothing;
    };
    for (const { node, element, style, styles, ...part } of parts) {
      for (let { from } = part; from < part.to;) {
        const to = Math.min(part.to, from + cuts[cut]! - at);
        const { left, right } = this.#rectOf(node, from, to);
        let text = order.get(node);
        if (text === undefined) {
          order.set(node, (text = texts.length));
          const whole = this.#rectOf(node, 0, node.nodeValue?.length ?? 0);
          texts.push({ node, element, style, whole, kept: part.kept ?? false, first: pieces.length, last: 0 });
        }
        texts[text]!.last = pieces.length;
        pieces.push({ segment: segments.length, text, left, right });
        const begins = row === nothing ? this.#beginOf(texts[text]!, from, left) : row;
        row = {
          ...begins,
          left: Math.min(row.left, left),
          right: Math.max(row.right, right),
          styles: (row.styles | styles) >>> 0,
        };
        at += to - from;
        from = to;
        if (at === cuts[cut] && at < written.length) {
          end(false, this.#apartAt(node, to));
          cut++;
        }
      }
    }
    const last = parts[parts.length - 1]!;
    end(hard ?? false, this.#apartAt(last.node, last.to));
  }

  /** What a line would begin with. */
  #beginOf({ node, whole }: ReadText, from: number, left: number): { readonly drawn: number; readonly lost: number } {
    const near = this.#zoom > 1 ? NEARER : PLAINLY;
    if (node.nodeType !== 3 || !this.#begins.isDrawn(node as Text, from, left, near)) return { drawn: 0, lost: 0 };
    return { drawn: 1, lost: this.#zoom > 1 ? this.#begins.lostAt(node as Text, from, whole.left, near) : NaN };
  }

  /** Where a line may end inside a word: whatever stands beside what stands there like a letter, one may end on both sides of that. */
  #cutsIn(written: string, parts: Word['parts']): readonly number[] {
    const cuts = this.breaksOf(written);
    if (!parts.some(({ node }) => node.nodeType === 1)) return cuts;
    const all = new Set(cuts);
    let at = 0;
    parts.forEach(({ from, to }, i) => {
      const before = parts[i - 1];
      const isBeside = parts[i]!.node.nodeType === 1 || before?.node.nodeType === 1;
      if (before && isBeside && !(before.kept && parts[i]!.kept)) all.add(at);
      at += to - from;
    });
    return [...all].sort((a, b) => a - b);
  }

  /**
   * Finds out how much wider parts of words that may end a line are without what follows them, since letters come nearer to each other: and to
   * spaces: for each shape of type and pair of letters once.
   */
  askEnds(all: readonly Gathered[], zoom: number): void {
    this.#zoom = zoom;
    this.#apart.clear();
    this.#begins.ask(all);
    const asked = new Map<
      string,
      { readonly alone: HTMLElement; readonly text: Text; readonly from: number; readonly to: number }
    >();
    const ask = ({ node, from }: Word['parts'][number], to: number) => {
      const pair = this.#pairAt(node, to);
      if (pair === undefined || asked.has(pair)) return;
      const text = node as Text;
      const alone = text.ownerDocument.createElement('span');
      alone.style.cssText = ALONE;
      alone.textContent = text.nodeValue!.slice(from, to);
      asked.set(pair, { alone, text, from, to });
    };
    for (const { words } of all)
      for (const { text: written, parts } of words) {
        if (APART.test(written)) continue;
        const cuts = this.#cutsIn(written, parts);
        let at = 0;
        for (const part of parts) {
          for (const cut of cuts) if (cut > at && cut <= at + part.to - part.from) ask(part, part.from + cut - at);
          ask(part, part.to);
          at += part.to - part.from;
        }
      }
    for (const { alone, text } of asked.values()) text.parentElement!.append(alone);
    for (const [pair, { alone, text, from, to }] of asked) {
      const { left, right } = this.#rectOf(text, from, to);
      const more = alone.getBoundingClientRect().width / zoom - (right - left);
      if (Math.abs(more) > NEARER) this.#apart.set(pair, more);
    }
    for (const { alone } of asked.values()) alone.remove();
  }

  /** Whether a line is drawn along the text in an element: its own, or that of what it stands in the flow of (CSS Text Decoration 3, 2). */
  isDecorated(element: HTMLElement): boolean {
    let is = this.#decorated.get(element);
    if (is === undefined) {
      const style = getComputedStyle(element);
      const isApart = /^inline-/.test(style.display) || style.float !== 'none' || /^(absolute|fixed)$/.test(style.position);
      const around = isApart ? null : element.parentElement;
      is = style.textDecorationLine !== 'none' || (around !== null && this.isDecorated(around));
      this.#decorated.set(element, is);
    }
    return is;
  }

  #pairAt(node: Standing, to: number): string | undefined {
    return node.nodeType === 3 ? pairAt(node as Text, this.shapes.number(node as Text), to) : undefined;
  }

  #apartAt(node: Standing, to: number): number {
    const pair = this.#pairAt(node, to);
    return pair === undefined ? 0 : (this.#apart.get(pair) ?? 0);
  }

  #rectOf(node: Standing, from: number, to: number): { readonly left: number; readonly right: number } {
    if (node.nodeType === 1) {
      const { left, right } = this.#boxOf(node as HTMLElement);
      const style = getComputedStyle(node as HTMLElement);
      return { left: left - (parseFloat(style.marginLeft) || 0), right: right + (parseFloat(style.marginRight) || 0) };
    }
    this.#range.setStart(node, from);
    this.#range.setEnd(node, to);
    const { left, right } = this.#range.getBoundingClientRect();
    return { left: left / this.#zoom, right: right / this.#zoom };
  }

  #boxOf(element: HTMLElement): { readonly left: number; readonly right: number; readonly width: number } {
    const { left, right, width } = element.getBoundingClientRect();
    return { left: left / this.#zoom, right: right / this.#zoom, width: width / this.#zoom };
  }
}
