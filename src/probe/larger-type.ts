import { drawnSize, Kerning } from './drawn-size';
import type { Gathered, TextGatherer } from './gather-text';
import { AT_ENDS } from './shapes';

/** What may follow the size of type, and has to stay as it is where that is changed by a little. */
const ALONG = ['letter-spacing', 'word-spacing', ...AT_ENDS] as const;
const MARK = 'data-mp-size';

/**
 * Shows type so many times larger that what browsers round is seen. They draw type of broken sizes at the whole 1/64 px below, which a larger
 * size would be cut off otherwise: such type is made that large first.
 */
export class LargerType {
  readonly #marked = new Set<HTMLElement>();
  /** Sizes that elements themselves say, and no sheet can say otherwise. */
  readonly #own = new Map<HTMLElement, string>();
  readonly #kerning: Kerning;

  constructor(
    private readonly gatherer: Pick<TextGatherer, 'of'>,
    private readonly nodes: readonly HTMLElement[],
    private readonly zoom: number,
    document: Document,
  ) {
    this.#kerning = new Kerning(document);
  }

  /** Marks what texts stand in. @returns a style sheet that shows it larger */
  begin(texts: readonly Gathered[]): string {
    const elements = new Set(
      texts.flatMap(({ block, inlines }) => [block, ...inlines.map(({ element }) => element)].map((i) => this.nodes[i]!)),
    );
    const zoomed = `html { zoom: ${this.zoom} !important; }`;
    const asked = [...elements].map((element) => {
      const style = this.gatherer.of(element);
      const size = parseFloat(style.fontSize);
      const held = ALONG.map((name) => `${name}: ${style.getPropertyValue(name)} !important;`).join(' ');
      return { element, size, drawn: drawnSize(size).drawn, held };
    });
    // What stands in something of another size may have its own from it: where one is changed, all are held.
    if (asked.every(({ size, drawn }) => drawn === size)) return zoomed;
    const rules = new Map<string, number>();
    for (const { element, drawn, held } of asked) {
      const rule = `font-size: ${drawn}px !important; ${held}`;
      const number = rules.get(rule) ?? rules.size;
      rules.set(rule, number);
      this.#marked.add(element);
      element.setAttribute(MARK, String(number));
      // As all text that is enlarged says it; no sheet can say otherwise.
      if (element.style.getPropertyPriority('font-size') !== 'important') continue;
      this.#own.set(element, element.style.fontSize);
      element.style.setProperty('font-size', `${drawn}px`, 'important');
    }
    return zoomed + [...rules].map(([rule, number]) => `[${MARK}="${number}"] { ${rule} }`).join('\n');
  }

  /** How far off what is read of a paragraph may be since kerning follows the size that is asked for, not that at which letters are drawn, px. */
  kernedOff({ words }: Gathered): number {
    const texts = new Set(words.flatMap(({ parts }) => parts.map(({ node }) => node)));
    let off = 0;
    for (const node of texts) {
      if (node.nodeType !== 3) continue;
      const style = this.gatherer.of(node.parentElement!);
      const { kerned, drawn } = drawnSize(parseFloat(style.fontSize));
      if (kerned > drawn) off += (kerned - drawn) * this.#kerning.of(node.nodeValue!.replace(/\s+/g, ' '), style);
    }
    return off;
  }

  end(): void {
    for (const element of this.#marked) element.removeAttribute(MARK);
    for (const [element, size] of this.#own) element.style.setProperty('font-size', size, 'important');
    this.#marked.clear();
    this.#own.clear();
  }
}
