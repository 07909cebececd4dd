import type { PageFacts, StyleFacts } from '@/core/audit/facts';
import type { Typesetting } from '@/core/audit/typeset/paragraph';
import { copyMoved, isAsLarge, wholes } from './as-before';
import { arrangedFacts } from './arranged';
import type { DocumentConditions } from './conditions';
import { gapsOf } from './container-conditions';
import type { DropRow } from './fits';
import { droppedOf, dropRows, fits, wouldFit } from './fits';
import { KnownTexts } from './known-texts';
import { Panels } from './panels';
import { brokenWords, linesOf } from './text-lines';
import { mayFetchOthers, pictureFacts } from './pictures';
import type { ReadElement } from './style-facts';
import type { AskedOfSheets } from './typesetting';
import { TAB_STOPS } from './focusable';
import { readTypesetting } from './typesetting';
import { readStyles, withColumns, withLengths } from './style-facts';

/** What is thinner than this is a rounding of nothing, px. */
const NOTHING = 0.1;
const NO_LINES = new Float64Array(0);
const FIELDS = new Set(['input', 'textarea', 'select']);

const collapsed = (text: string) => text.replace(/\s+/g, ' ').trim();

/** Of `<details>` that is closed only the first summary is seen, unless a sheet shows the rest all the same. */
const hidesRest = (node: Element, window: Window): boolean =>
  node.localName === 'details' &&
  !node.hasAttribute('open') &&
  window.getComputedStyle(node, '::details-content').getPropertyValue('content-visibility') !== 'visible';

function isClosedIn(node: Element, window: Window): boolean {
  for (let at: Element | null = node; at?.parentElement; at = at.parentElement) {
    const around: Element = at.parentElement;
    if (hidesRest(around, window) && around.querySelector(':scope > summary') !== at) return true;
  }
  return false;
}

type Reading = Pick<DocumentConditions, 'follows' | 'containers' | 'selfContained'>;

const AS_IT_IS: Reading = {
  selfContained: false,
  follows: { type: false, insets: false, shifts: false, scrollPadding: false, spacing: false },
  containers: undefined,
};
const anyOf = (follows: Reading['follows']) => Object.values(follows).includes(true);

/** What was read of the styles in a stretch of viewports in which no condition begins or ends. */
interface Known {
  styles: StyleFacts;
  fontSize: Float64Array;
  readonly panels: PageFacts['panels'];
  pictures: PageFacts['pictures'];
  /** Where all that stands in an element goes by its size alone: the index behind the last of it; 0 where it doesn't. */
  readonly whole: Int32Array | undefined;
  /** What was read last, at a height of the viewport. */
  last: (Pick<PageFacts, 'boxes' | 'shown' | 'lines' | 'broken'> & { readonly height: number }) | undefined;
  /** Whether an element stands in something that is closed: browsers lay it out now and then, and never show it. */
  readonly closed: readonly boolean[];
  /** The same of its own text. */
  readonly closedTexts: readonly boolean[];
}
const EPOCHS_MOST = 24;

/** Of all documents that stand in this window: one that was edited mostly says what it said. */
const knownTexts = new KnownTexts();

/** On which side of each size that is asked for the containers are. */
const signsOf = (gaps: Float64Array | undefined) => (gaps ? Array.from(gaps, (gap) => Math.sign(gap) + 1).join('') : '');

/**
 * Reads facts from one document, again and again at different viewports. What can't change with the width is read once,
 * styles only where their epoch changes.
 */
export class DocumentReader {
  readonly elements: readonly ReadElement[];
  readonly nodes: readonly HTMLElement[];
  readonly #document: Document;
  readonly #window: Window;
  readonly #texts: readonly (readonly Text[])[];
  readonly #nothing: readonly boolean[];
  readonly #unfolds: boolean;
  readonly #fetchesOthers: boolean;
  /** What is opened and closed. */
  readonly panels: Panels;
  readonly #meta: string | undefined;
  readonly #range: Range;
  readonly #dropRows: readonly DropRow[];
  #containers: readonly HTMLElement[] = [];
  readonly #known = new Map<string, Known>();
  readonly #broken = new Map<number, { readonly sizes: string; readonly count: number }>();

  constructor(document: Document) {
    this.#document = document;
    this.#window = document.defaultView!;
    const index = new Map<Element, number>();
    const nodes = [...document.body.parentElement!.querySelectorAll<HTMLElement>('[data-mp-node]')];
    this.nodes = nodes;
    this.#unfolds = nodes.some(({ localName }) => localName === 'details');
    this.#nothing = nodes.map(() => false);
    this.#texts = nodes.map((node) =>
      [...node.childNodes].filter((child): child is Text => child.nodeType === 3 && /\S/.test(child.nodeValue ?? '')),
    );
    const arranged = arrangedFacts(nodes);
    this.elements = nodes.map((node, i) => {
      index.set(node, i);
      const text = collapsed(this.#texts[i]!.map((one) => one.nodeValue ?? '').join(' '));
      return {
        id: node.dataset.mpNode!,
        tag: node.localName,
        parent: (node.parentElement && index.get(node.parentElement)) ?? -1,
        role: node.getAttribute('role') ?? undefined,
        type: node.localName === 'input' ? (node as HTMLInputElement).type : undefined,
        focusable: node.matches(TAB_STOPS),
        words: text ? text.split(' ').length : 0,
        chars: text.length,
        text,
        breaks: node.querySelectorAll(':scope > br, :scope > * > br').length || undefined,
        first: node.dataset.mpFirst !== undefined,
        alternate: node.dataset.mpAlternate,
        panel: node.dataset.panel !== undefined,
        ...arranged[i],
      };
    });
    this.#fetchesOthers = nodes.some((node) => node.localName === 'img' && mayFetchOthers(node as HTMLImageElement));
    this.panels = new Panels(document, nodes);
    this.#dropRows = dropRows(document);
    this.#meta = document.querySelector('meta[name=viewport]')?.getAttribute('content') ?? undefined;
    this.#range = document.createRange();
  }

  /** Sizes of all type as it is set now, px. */
  fontSizes(): Float64Array {
    return Float64Array.from(this.nodes, (node) => parseFloat(this.#window.getComputedStyle(node).fontSize));
  }

  /** How its texts are made up as it's laid out now. @param known what was read of them before */
  typesetting(conditions: AskedOfSheets, known = knownTexts): Typesetting | undefined {
    return readTypesetting(this.#document, this.nodes, this.elements, conditions, known);
  }

  /**
   * Facts of the document as it's laid out now.
   * @param among names a stretch of viewports in which no condition begins or ends but those on containers, so that no
   * computed style read here can change, apart from lengths
   */
  read(among: string, { follows, containers, selfContained }: Reading = AS_IT_IS): PageFacts {
    // A container may be one only where another condition says so: what was read is looked at once more.
    let gaps = containers && gapsOf(this.#containers, containers, this.#window);
    let known = this.#known.get(`${among} ${signsOf(gaps)}`);
    if (known) {
      if (anyOf(follows)) known.styles = withLengths(known.styles, this.nodes, this.elements, follows, this.#window);
      const grids = withColumns(known.styles.grids, this.nodes, this.#window);
      if (grids !== known.styles.grids) known.styles = { ...known.styles, grids };
      if (this.#fetchesOthers || (follows.insets && known.pictures?.size))
        known.pictures = pictureFacts(this.nodes, this.#window);
      if (follows.type) known.fontSize = this.#textSizes();
    } else {
      const read = readStyles(this.nodes, this.elements, this.#window);
      this.#containers = read.containers;
      gaps = containers && gapsOf(read.containers, containers, this.#window);
      known = {
        styles: read.facts,
        fontSize: this.#textSizes(),
        panels: this.panels.read(),
        pictures: pictureFacts(this.nodes, this.#window),
        whole: selfContained ? wholes(this.elements, read.facts) : undefined,
        last: undefined,
        closed: this.#unfolds ? this.nodes.map((node) => isClosedIn(node, this.#window)) : this.#nothing,
        closedTexts: this.#unfolds ? this.nodes.map((node) => hidesRest(node, this.#window)) : this.#nothing,
      };
      if (this.#known.size >= EPOCHS_MOST) this.#known.clear();
      this.#known.set(`${among} ${signsOf(gaps)}`, known);
    }
    const { styles, closed, closedTexts, whole, last } = known;
    const count = this.nodes.length;
    const { scrollX, scrollY, innerHeight: height } = this.#window;
    const boxes = new Float64Array(count * 4);
    const shown = new Uint8Array(count);
    const broken = new Uint8Array(count);
    const lines: Float64Array[] = [];
    for (let i = 0; i < count; i++) {
      if (closed[i]) {
        lines.push(NO_LINES);
        continue;
      }
      const box = this.nodes[i]!.getBoundingClientRect();
      const at = i * 4;
      boxes[at] = box.left + scrollX;
      boxes[at + 1] = box.top + scrollY;
      boxes[at + 2] = box.right + scrollX;
      boxes[at + 3] = box.bottom + scrollY;
      shown[i] = styles.visible[i] === 1 && box.width > NOTHING && box.height > NOTHING ? 1 : 0;
      const behind = last && last.height === height && whole![i]! > 0 && isAsLarge(boxes, last.boxes, at) ? whole![i]! : 0;
      if (behind > 0) {
        copyMoved({ boxes, shown, lines, broken }, last!, i, behind);
        i = behind - 1;
        continue;
      }
      const texts = this.#texts[i]!;
      const isRead = shown[i] && texts.length > 0 && !closedTexts[i];
      lines.push(isRead ? linesOf(this.#range, texts, scrollX, scrollY) : NO_LINES);
      if (styles.breaks[i] && lines[i]!.length > 4) broken[i] = this.#brokenIn(i, lines[i]!);
    }
    if (whole) known.last = { height, boxes, shown, lines, broken };
    const { scrollWidth, scrollHeight } = this.#document.documentElement;
    return {
      ...styles,
      viewport: { width: this.#window.innerWidth, height },
      scrollWidth,
      scrollHeight,
      elements: this.elements,
      boxes,
      shown,
      fontSize: known.fontSize,
      lines,
      broken,
      meta: this.#meta,
      panels: known.panels,
      drops: this.#drops(),
      pictures: known.pictures,
      gaps,
    };
  }

  #drops(): PageFacts['drops'] {
    if (this.#dropRows.length === 0) return undefined;
    return new Map(
      this.#dropRows.map((one) => {
        const next = wouldFit(one);
        const item = next && this.nodes.indexOf(next.item);
        return [
          this.nodes.indexOf(one.row),
          {
            fits: fits(one.row),
            rest: one.items.length - droppedOf(one).length,
            ...(next && { next: { item: item!, fits: next.fits } }),
          },
        ];
      }),
    );
  }

  #textSizes(): Float64Array {
    return Float64Array.from(this.nodes, (node, i) =>
      this.#texts[i]!.length > 0 || FIELDS.has(node.localName) ? parseFloat(this.#window.getComputedStyle(node).fontSize) : 0,
    );
  }

  /** The same lines hold the same words: where all are as long as before, nothing has to be looked at again. */
  #brokenIn(element: number, lines: Float64Array): number {
    let sizes = '';
    // Lines that run down are as long as they are high.
    for (let at = 0; at < lines.length; at += 4)
      sizes += `${(lines[at + 2]! - lines[at]!).toFixed(2)} ${(lines[at + 3]! - lines[at + 1]!).toFixed(2)} `;
    let known = this.#broken.get(element);
    if (known?.sizes !== sizes) {
      known = { sizes, count: Math.min(255, brokenWords(this.#range, this.#texts[element]!)) };
      this.#broken.set(element, known);
    }
    return known.count;
  }
}
