import type { Gathered, TextGatherer } from './gather-text';

/** What may follow the size of type, and has to stay as it is where that is changed by a little. */
const ALONG = [
  'letter-spacing',
  'word-spacing',
  'padding-left',
  'padding-right',
  'margin-left',
  'margin-right',
  'border-left-width',
  'border-right-width',
] as const;
const MARK = 'data-mp-size';

/**
 * Shows type so many times larger that what browsers round is seen. They set type of broken sizes at the whole 1/64 px below, which a larger
 * size would be cut off otherwise: such type is made that large first.
 */
export class LargerType {
  readonly #marked = new Set<HTMLElement>();

  constructor(
    private readonly gatherer: Pick<TextGatherer, 'of'>,
    private readonly nodes: readonly HTMLElement[],
    private readonly zoom: number,
  ) {}

  /** Marks what texts stand in. @returns a style sheet that shows it larger */
  begin(texts: readonly Gathered[]): string {
    const sizeOf = (element: HTMLElement) => parseFloat(this.gatherer.of(element).fontSize);
    const elements = new Set(
      texts.flatMap(({ block, inlines }) => [block, ...inlines.map(({ element }) => element)].map((i) => this.nodes[i]!)),
    );
    const zoomed = `html { zoom: ${this.zoom} !important; }`;
    // What stands in something of another size may have its own from it: where one is changed, all are held.
    if ([...elements].every((element) => Number.isInteger(sizeOf(element) * this.zoom))) return zoomed;
    const rules = new Map<string, number>();
    for (const element of elements) {
      const style = this.gatherer.of(element);
      const held = ALONG.map((name) => `${name}: ${style.getPropertyValue(name)} !important;`).join(' ');
      const rule = `font-size: ${Math.floor(sizeOf(element) * this.zoom) / this.zoom}px !important; ${held}`;
      const number = rules.get(rule) ?? rules.size;
      rules.set(rule, number);
      this.#marked.add(element);
      element.setAttribute(MARK, String(number));
    }
    return zoomed + [...rules].map(([rule, number]) => `[${MARK}="${number}"] { ${rule} }`).join('\n');
  }

  end(): void {
    for (const element of this.#marked) element.removeAttribute(MARK);
    this.#marked.clear();
  }
}
