import type { ElementFacts, PageFacts } from '@/core/audit/facts';

const CUTS: Readonly<Record<string, number>> = { hidden: 1, clip: 1, auto: 2, scroll: 2 };
const PLACES: Readonly<Record<string, number>> = { relative: 1, sticky: 1, absolute: 2, fixed: 3 };
const NO_LINES = new Float64Array(0);
const CONTENT = new Set(['img', 'input', 'textarea', 'button', 'hr']);

/**
 * Reads facts from one document, again and again at different widths. What can't change with the width is read once;
 * styles are read again only where `stylesEpoch` changes; a text's lines only when its box has changed its size; the
 * boxes of mere containers only where the page is wider than the viewport.
 */
export class DocumentReader {
  readonly #document: Document;
  readonly #window: Window;
  readonly #nodes: HTMLElement[] = [];
  readonly #elements: ElementFacts[] = [];
  readonly #texts: Text[][] = [];
  readonly #boxes: Float64Array;
  readonly #shown: Uint8Array;
  readonly #visible: Uint8Array;
  readonly #cutX: Uint8Array;
  readonly #cutY: Uint8Array;
  readonly #ellipsis: Uint8Array;
  readonly #position: Uint8Array;
  readonly #steady: Uint8Array;
  /** 1 for what a check asks about at any width: text, pictures, controls, and boxes that cut. */
  readonly #asked: Uint8Array;
  readonly #flow: Uint8Array;
  readonly #fixedHeight: Uint8Array;
  readonly #share: Float64Array;
  /** 1 for what a check of rows and grids asks about. */
  readonly #laid: Uint8Array;
  readonly #grids = new Map<number, { template: string; columns: number }>();
  readonly #fontSize: Float64Array;
  readonly #lines: Float64Array[];
  readonly #range: Range;
  #epoch: string | undefined;
  #layoutEpoch: string | undefined;

  constructor(document: Document) {
    this.#document = document;
    this.#window = document.defaultView!;
    const index = new Map<Element, number>();
    for (const node of document.body.parentElement!.querySelectorAll<HTMLElement>('[data-mp-node]')) {
      index.set(node, this.#nodes.length);
      this.#nodes.push(node);
      const parent = node.parentElement && index.get(node.parentElement);
      this.#elements.push({
        id: node.dataset.mpNode!,
        tag: node.localName,
        parent: parent ?? -1,
        role: node.getAttribute('role') ?? undefined,
      });
      this.#texts.push(
        [...node.childNodes].filter((child): child is Text => child.nodeType === 3 && /\S/.test(child.nodeValue ?? '')),
      );
    }
    const count = this.#nodes.length;
    this.#boxes = new Float64Array(count * 4);
    this.#shown = new Uint8Array(count);
    this.#visible = new Uint8Array(count);
    this.#cutX = new Uint8Array(count);
    this.#cutY = new Uint8Array(count);
    this.#ellipsis = new Uint8Array(count);
    this.#position = new Uint8Array(count);
    this.#steady = new Uint8Array(count);
    this.#asked = new Uint8Array(count);
    this.#flow = new Uint8Array(count);
    this.#fixedHeight = new Uint8Array(count);
    this.#share = new Float64Array(count);
    this.#laid = new Uint8Array(count);
    this.#fontSize = new Float64Array(count);
    this.#lines = Array.from({ length: count }, () => NO_LINES);
    this.#range = document.createRange();
  }

  /**
   * Facts of the document as it's laid out now. The arrays are the reader's own and are overwritten by the next call.
   * @param layoutEpoch names one in which nothing can change that was said of rows and grids: no condition begins or ends
   * @param columns the page's column grid at this viewport
   * @param stylesEpoch names a stretch of viewports in which no computed style read here can change
   */
  read(stylesEpoch: string, columns?: PageFacts['columns'], layoutEpoch = stylesEpoch): PageFacts {
    const fresh = stylesEpoch !== this.#epoch;
    if (fresh) this.#readStyles(layoutEpoch !== this.#layoutEpoch);
    this.#layoutEpoch = layoutEpoch;
    this.#epoch = stylesEpoch;
    const { scrollX, scrollY } = this.#window;
    const scrollWidth = this.#document.documentElement.scrollWidth;
    const wide = scrollWidth > this.#window.innerWidth;
    const boxes = this.#boxes;
    for (let i = 0; i < this.#nodes.length; i++) {
      const at = i * 4;
      if (!wide && !this.#asked[i]) {
        this.#shown[i] = 0;
        boxes.fill(0, at, at + 4);
        continue;
      }
      const box = this.#nodes[i]!.getBoundingClientRect();
      const left = box.left + scrollX;
      const top = box.top + scrollY;
      const right = box.right + scrollX;
      const bottom = box.bottom + scrollY;
      const shown = this.#visible[i] === 1 && right > left && bottom > top ? 1 : 0;
      const texts = this.#texts[i]!;
      if (texts.length > 0) {
        if (!shown) this.#lines[i] = NO_LINES;
        else if (
          fresh ||
          !this.#shown[i] ||
          !this.#steady[i] ||
          right - left !== boxes[at + 2]! - boxes[at]! ||
          bottom - top !== boxes[at + 3]! - boxes[at + 1]!
        )
          this.#lines[i] = this.#readLines(texts, scrollX, scrollY);
        else this.#shift(this.#lines[i]!, left - boxes[at]!, top - boxes[at + 1]!);
      }
      this.#shown[i] = shown;
      boxes[at] = left;
      boxes[at + 1] = top;
      boxes[at + 2] = right;
      boxes[at + 3] = bottom;
    }
    return {
      viewport: { width: this.#window.innerWidth, height: this.#window.innerHeight },
      scrollWidth,
      elements: this.#elements,
      boxes,
      shown: this.#shown,
      cutX: this.#cutX,
      cutY: this.#cutY,
      ellipsis: this.#ellipsis,
      position: this.#position,
      fontSize: this.#fontSize,
      flow: this.#flow,
      fixedHeight: this.#fixedHeight,
      share: this.#share,
      grids: this.#grids,
      columns,
      lines: this.#lines,
    };
  }

  #readStyles(layout: boolean): void {
    const transparent = new Uint8Array(this.#nodes.length);
    for (let i = 0; i < this.#nodes.length; i++) {
      const style = this.#window.getComputedStyle(this.#nodes[i]!);
      const replaced = this.#nodes[i]!.localName === 'img' || this.#nodes[i]!.localName === 'input';
      const parent = this.#elements[i]!.parent;
      transparent[i] = style.opacity === '0' || (parent >= 0 && transparent[parent]) ? 1 : 0;
      this.#visible[i] = style.visibility === 'visible' && !transparent[i] ? 1 : 0;
      this.#cutX[i] = replaced ? 0 : (CUTS[style.overflowX] ?? 0);
      this.#cutY[i] = replaced ? 0 : (CUTS[style.overflowY] ?? 0);
      this.#ellipsis[i] = style.textOverflow === 'clip' ? 0 : 1;
      this.#position[i] = PLACES[style.position] ?? (style.transform === 'none' ? 0 : 1);
      const content = this.#texts[i]!.length > 0 || CONTENT.has(this.#nodes[i]!.localName);
      this.#asked[i] = content || this.#cutX[i] || this.#cutY[i] ? 1 : 0;
      // Inside an inline box the lines can change while the box keeps its size.
      this.#steady[i] = style.display === 'inline' ? 0 : 1;
      if (this.#texts[i]!.length > 0) this.#fontSize[i] = parseFloat(style.fontSize);
      if (layout) this.#readLayout(i, style);
      this.#asked[i] ||= this.#laid[i]!;
    }
  }

  /** How it lays out its children, and what it is to its parent's layout. */
  #readLayout(i: number, style: CSSStyleDeclaration): void {
    const node = this.#nodes[i]!;
    const { parent } = this.#elements[i]!;
    const { display } = style;
    this.#flow[i] = /grid$/.test(display)
      ? 3
      : !/flex$/.test(display) || style.flexDirection.startsWith('column')
        ? 0
        : style.flexWrap === 'nowrap'
          ? 1
          : 2;
    this.#fixedHeight[i] = 0;
    this.#grids.delete(i);
    if (node.childElementCount > 0) {
      const specified = node.computedStyleMap();
      // The frame has classes of its own, so `instanceof` would say no.
      const height = specified.get('height') as { readonly unit?: string } | undefined;
      this.#fixedHeight[i] = height?.unit === 'px' ? 1 : 0;
      if (this.#flow[i] === 3)
        this.#grids.set(i, {
          template: String(specified.get('grid-template-columns')),
          columns: style.gridTemplateColumns.split(' ').length,
        });
    }
    this.#share[i] = this.#shareOf(node, parent, style);
    const around = parent >= 0 ? this.#flow[parent] : 0;
    if (
      this.#share[i] ||
      around === 2 ||
      around === 3 ||
      this.#flow[i] === 2 ||
      this.#flow[i] === 3 ||
      this.#fixedHeight[i]
    )
      this.#laid[i] = 1;
    else this.#laid[i] = 0;
  }

  #shareOf(node: HTMLElement, parent: number, style: CSSStyleDeclaration): number {
    if (parent < 0 || style.position === 'absolute' || style.position === 'fixed') return 0;
    const around = this.#flow[parent]!;
    if (around === 1 || around === 2) {
      const basis = style.flexBasis;
      return basis === '0px' || basis === '0%' ? parseFloat(style.flexGrow) : 0;
    }
    const template = around === 3 ? this.#grids.get(parent)?.template : undefined;
    if (!template || style.gridColumnStart !== 'auto' || style.gridColumnEnd !== 'auto') return 0;
    // `repeat(3, 1fr)` or the same track again and again.
    const even =
      /^repeat\((\d+|auto-fill|auto-fit), (minmax\([^)]*fr\)|[\d.]+fr)\)$/.test(template) ||
      /^([\d.]+fr)( \1)*$/.test(template);
    const free = !/^(start|end|center|left|right|self-start|self-end|flex-start|flex-end|baseline)/.test(
      style.justifySelf,
    );
    return even && free && String(node.computedStyleMap().get('width')) === 'auto' ? 1 : 0;
  }

  #readLines(texts: readonly Text[], scrollX: number, scrollY: number): Float64Array {
    const rects: DOMRect[] = [];
    for (const text of texts) {
      this.#range.selectNodeContents(text);
      const list = this.#range.getClientRects();
      for (let i = 0; i < list.length; i++) if (list[i]!.width > 0) rects.push(list[i]!);
    }
    const lines = new Float64Array(rects.length * 4);
    rects.forEach((rect, i) =>
      lines.set([rect.left + scrollX, rect.top + scrollY, rect.right + scrollX, rect.bottom + scrollY], i * 4),
    );
    return lines;
  }

  #shift(lines: Float64Array, x: number, y: number): void {
    if (x === 0 && y === 0) return;
    for (let at = 0; at < lines.length; at += 4) {
      lines[at]! += x;
      lines[at + 1]! += y;
      lines[at + 2]! += x;
      lines[at + 3]! += y;
    }
  }
}
