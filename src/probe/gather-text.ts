import type { Paragraph } from '@/core/audit/typeset/paragraph';
import { isLax } from './style-leading';

/** A part of a word in one text. */
interface Part {
  /** Or what stands there like a letter. */
  readonly node: Text | HTMLElement;
  readonly from: number;
  readonly to: number;
  readonly element: number;
  readonly style: number;
  /** With those of all inline elements around it. */
  readonly styles: number;
  /** No line ends beside it in what is kept on one line, too. */
  readonly kept?: boolean;
}

/** What stands between two spaces. */
export interface Word {
  text: string;
  readonly parts: Part[];
  /** A line ends by hand behind it. */
  hard?: boolean;
  /** The styles of a line that holds nothing but its end. */
  readonly empty?: number;
}

export interface Gathered extends Pick<Paragraph, 'block' | 'insetLeft' | 'insetRight' | 'align' | 'strut'> {
  readonly words: readonly Word[];
  /** What stands in them like a letter. */
  readonly atoms: readonly HTMLElement[];
  /** Inline elements, with the first and the last text in each. */
  readonly inlines: readonly {
    readonly element: number;
    readonly from: Part['node'] | undefined;
    readonly to: Part['node'] | undefined;
  }[];
}

const ALIGNS: Readonly<Record<string, number>> = {
  start: 0,
  left: 0,
  center: 0.5,
  right: 1,
  end: 1,
  '-webkit-left': 0,
  '-webkit-center': 0.5,
  '-webkit-right': 1,
};
const SHIFTED = /^(top|bottom)$/;
const HIDDEN = new Set(['script', 'style', 'template', 'link', 'meta', 'noscript']);
const ATOMS = new Set([
  'img',
  'input',
  'textarea',
  'select',
  'video',
  'canvas',
  'svg',
  'iframe',
  'object',
  'math',
  'audio',
  'button',
  'embed',
  'meter',
  'progress',
  'wbr',
]);
const px = (value: string) => parseFloat(value) || 0;
/** Lengths are cut off to whole units; what was so is written with six digits. */
export const used = (value: string): number => Math.floor(px(value) * 64 + 0.01) / 64;

/** Spaces between elements, where they take no room. */
export const isBlank = (node: Node): boolean => node.nodeType === 3 && !/[^ \t\n\r\f]/.test(node.nodeValue!);

/** What a child node is to the lines around it. */
export type Standing = 'line' | 'block' | 'out' | 'nothing' | 'float' | 'unknown';

/** Gathers the words of texts, with the styles that their type has. */
export class TextGatherer {
  readonly styles = new Map<string, number>();
  /** By style: how its type is set; undefined where more than that counts. */
  readonly samples: (CSSStyleDeclaration | undefined)[] = [];
  /** Which styles stand in blocks of which: strut and style. */
  readonly pairs = new Map<string, readonly [number, number]>();
  readonly lax: boolean;
  readonly #style = new Map<Element, CSSStyleDeclaration>();

  constructor(
    private readonly window: Window,
    private readonly index: ReadonlyMap<Element, number>,
  ) {
    this.lax = isLax(window.document);
  }

  of(element: Element): CSSStyleDeclaration {
    let style = this.#style.get(element);
    if (!style) this.#style.set(element, (style = this.window.getComputedStyle(element)));
    return style;
  }

  standing(node: Node): Standing {
    if (node.nodeType === 3) return 'line';
    if (node.nodeType !== 1) return 'nothing';
    const element = node as HTMLElement;
    if (HIDDEN.has(element.localName)) return 'nothing';
    if (element.localName === 'br') return 'line';
    const { display, position, float } = this.of(element);
    if (display === 'none') return 'nothing';
    if (position === 'absolute' || position === 'fixed') return 'out';
    if (float !== 'none' && !this.#isItem(element)) return 'float';
    if (display === 'contents') return 'unknown';
    return display.startsWith('inline') ? 'line' : 'block';
  }

  /** Items of flex and grid never float (CSS Flexible Box 1, 3). */
  #isItem({ parentElement: parent }: Element): boolean {
    return parent !== null && /^(inline-)?(flex|grid)$/.test(this.of(parent).display);
  }

  /** What stands in a line as one box, where it does. */
  boxIn(node: Node): HTMLElement | undefined {
    if (node.nodeType !== 1 || this.standing(node) !== 'line') return undefined;
    const element = node as HTMLElement;
    const isBox = this.of(element).display !== 'inline' || ATOMS.has(element.localName);
    return isBox && element.getClientRects().length > 0 ? element : undefined;
  }

  /**
   * The words of nodes that follow each other in the lines of an element; undefined where its lines aren't worked out, nothing where there
   * are no words.
   */
  gather(owner: HTMLElement, children: readonly Node[]): Gathered | 'nothing' | undefined {
    const style = this.of(owner);
    const align = ALIGNS[style.textAlign];
    if (align === undefined || !isPlain(style) || style.textIndent !== '0px' || style.direction !== 'ltr') return undefined;
    if (
      hasFluidInsets(owner) ||
      this.#isAdorned(owner) ||
      (style.display === 'list-item' && style.listStylePosition === 'inside')
    )
      return undefined;
    const words: Word[] = [];
    const inlines: { element: number; from: Part['node'] | undefined; to: Part['node'] | undefined }[] = [];
    let word: Word | undefined;
    const strut = this.#styleOf(fontOf(style), style);
    this.pairs.set(`${strut} ${strut}`, [strut, strut]);
    const end = () => {
      if (word) words.push(word);
      word = undefined;
    };
    /** In list items, the block's own type counts on each line on which an inline element of theirs begins, whatever stands there. */
    const marked = this.lax && style.display === 'list-item' ? 1 << strut : 0;
    let begun = 0;
    const take = (part: Part, written: string, around: readonly number[]) => {
      word ??= { text: '', parts: [] };
      word.text += written;
      word.parts.push({ ...part, styles: part.styles | begun });
      begun = 0;
      for (const one of around) {
        inlines[one]!.from ??= part.node;
        inlines[one]!.to = part.node;
      }
    };
    const walk = (
      nodes: Iterable<Node>,
      element: number,
      key: string,
      own: number,
      styles: number,
      around: number[],
      whole = false,
    ): boolean => {
      for (const node of nodes) {
        if (node.nodeType === 3) {
          const text = node as Text;
          if (whole) {
            // No line breaks in it; a space at an end of it would be one of the line around it, too.
            const run = text.nodeValue!;
            if (/^[ \t\n\r\f]|[ \t\n\r\f]$|[\u00ad\u200b]/.test(run)) return false;
            take(
              { node: text, from: 0, to: run.length, element, style: own, styles, kept: true },
              'x'.repeat(run.length),
              around,
            );
            continue;
          }
          for (const { 0: run, index: from } of text.nodeValue!.matchAll(/[ \t\n\r\f]+|[^ \t\n\r\f]+/g)) {
            if (/^[ \t\n\r\f]/.test(run)) {
              end();
              continue;
            }
            if (/[\u00ad\u200b]/.test(run)) return false;
            // What the font doesn't have comes from another, which may be higher.
            const odd = [...new Set(run.match(ODD))].sort().join('');
            const all = odd ? styles | (1 << this.#styleOf(`${key} ${odd}`)) : styles;
            take({ node: text, from, to: from + run.length, element, style: own, styles: all }, run, around);
          }
          continue;
        }
        const standing = this.standing(node);
        if (standing === 'nothing' || standing === 'out') continue;
        if (standing !== 'line') return false;
        const inner = node as HTMLElement;
        if (inner.localName === 'br') {
          end();
          const last = words[words.length - 1];
          if (last && !last.hard) last.hard = true;
          else words.push({ text: '', parts: [], hard: true, empty: styles });
          continue;
        }
        const looks = this.of(inner);
        const at = this.index.get(inner);
        if (at === undefined) return false;
        if (looks.display !== 'inline' || ATOMS.has(inner.localName)) {
          if (SHIFTED.test(looks.verticalAlign) || inner.localName === 'wbr' || looks.verticalAlign.includes('%')) return false;
          const high = `${inner.offsetHeight} ${looks.marginTop} ${looks.marginBottom} ${looks.display} ${fontOf(looks)} | ${looks.verticalAlign} ${key}`;
          const style = this.#styleOf(high);
          const all = this.lax ? 1 << style : styles | (1 << style);
          take({ node: inner, from: 0, to: 1, element: -1, style, styles: all, kept: whole }, whole ? 'x' : '\ufffc', around);
          continue;
        }
        const holds = whole || looks.getPropertyValue('text-wrap-mode') === 'nowrap';
        if (!isPlain(looks, holds) || hasFluidInsets(inner) || SHIFTED.test(looks.verticalAlign) || this.#isAdorned(inner))
          return false;
        const innerKey =
          looks.verticalAlign === 'baseline'
            ? `${fontOf(looks)}${shiftsIn(key)}`
            : `${fontOf(looks)} | ${looks.verticalAlign} ${key}`;
        inlines.push({ element: at, from: undefined, to: undefined });
        const style = this.#styleOf(innerKey, innerKey.includes(' | ') ? undefined : looks);
        this.pairs.set(`${strut} ${style}`, [strut, style]);
        const all = this.lax ? 1 << style : styles | (1 << style);
        if (around.length === 0) begun = marked;
        if (!walk(inner.childNodes, at, innerKey, style, all, [...around, inlines.length - 1], holds)) return false;
      }
      return true;
    };
    const block = this.index.get(owner)!;
    const key = fontOf(style);
    if (!walk(children, block, key, strut, 1 << strut, [])) return undefined;
    end();
    if (words.length === 0) return 'nothing';
    // Borders that collapse lie half in the neighbouring cell (CSS 2.2, 17.6.2).
    const own = style.display === 'table-cell' && style.borderCollapse === 'collapse' ? 0.5 : 1;
    return {
      block,
      insetLeft: used(style.paddingLeft) + px(style.borderLeftWidth) * own,
      insetRight: used(style.paddingRight) + px(style.borderRightWidth) * own,
      align,
      strut,
      words,
      atoms: words.flatMap(({ parts }) => parts.flatMap(({ node }) => (node.nodeType === 1 ? [node as HTMLElement] : []))),
      inlines,
    };
  }

  #styleOf(key: string, sample?: CSSStyleDeclaration): number {
    let number = this.styles.get(key);
    if (number === undefined) {
      this.styles.set(key, (number = this.styles.size));
      this.samples.push(sample);
    }
    return number;
  }

  #isAdorned(element: Element): boolean {
    return ['::before', '::after'].some((pseudo) => {
      const { content } = this.window.getComputedStyle(element, pseudo);
      return content !== 'none' && content !== 'normal';
    });
  }
}

/** Whether paddings follow something else than type: they are read once. */
export const hasFluidInsets = (element: HTMLElement): boolean => {
  const specified = element.computedStyleMap();
  return ['padding-left', 'padding-right', 'padding-top', 'padding-bottom'].some(
    (name) => (specified.get(name) as { readonly unit?: string } | undefined)?.unit !== 'px',
  );
};

/** Letters that a usual font may not have. */
const ODD = /[^\u0000-\u024f\u2010-\u2027\u2030-\u203a\u20ac\u2122\ufffc]/gu;

const fontOf = (style: CSSStyleDeclaration) =>
  `${style.fontFamily} ${style.fontSize} ${style.fontWeight} ${style.fontStyle} ${style.fontStretch} ${style.fontVariantCaps} ${style.lineHeight}`;
/** What moves a line's type up or down is handed on to all that stands in it. */
const shiftsIn = (key: string) => (key.includes(' | ') ? key.slice(key.indexOf(' | ')) : '');

/** Whether lines break where words end, and nowhere else. */
const isPlain = (style: CSSStyleDeclaration, whole = false): boolean =>
  style.getPropertyValue('white-space-collapse') === 'collapse' &&
  (whole || style.getPropertyValue('text-wrap-mode') === 'wrap') &&
  !/balance|pretty/.test(style.getPropertyValue('text-wrap-style')) &&
  style.writingMode === 'horizontal-tb' &&
  style.wordBreak === 'normal' &&
  style.lineBreak === 'auto' &&
  style.hyphens !== 'auto' &&
  style.getPropertyValue('-webkit-line-clamp') === 'none' &&
  style.columnCount === 'auto' &&
  style.columnWidth === 'auto';
