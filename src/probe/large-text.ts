/** Text twice as large, as a reader's browser sets it that enlarges text alone (WCAG 2.2, 1.4.4). */
const LARGER = 2;

/** The spacing that a reader may ask for (WCAG 2.2, 1.4.12), as a style sheet. */
export const SPACED_TEXT = `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }
p { margin-bottom: 2em !important; }`;

/** Sets all type of a document to twice its size and back. */
export class LargeText {
  readonly #nodes: readonly HTMLElement[];
  readonly #own: readonly (readonly [value: string, priority: string])[];

  constructor(nodes: readonly HTMLElement[]) {
    this.#nodes = nodes;
    this.#own = nodes.map(({ style }) => [style.fontSize, style.getPropertyPriority('font-size')]);
  }

  /** To what the document itself says. */
  restore(): void {
    this.#nodes.forEach((node, i) => {
      const [value, priority] = this.#own[i]!;
      if (value) node.style.setProperty('font-size', value, priority);
      else node.style.removeProperty('font-size');
    });
  }

  enlarge(sizes: ArrayLike<number>): void {
    this.#nodes.forEach((node, i) => node.style.setProperty('font-size', `${sizes[i]! * LARGER}px`, 'important'));
  }
}
