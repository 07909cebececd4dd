/** Browsers keep the size of type in such parts of a px, and draw letters in these, both cut off below. */
const KEPT = 100;
const DRAWN = 64;

/** What type of a size, px, is really set at: its letters are drawn at one size, and come nearer to each other by another. */
export function drawnSize(size: number): { readonly drawn: number; readonly kerned: number } {
  // As single floats, as browsers do: 19.99 is 1999 parts, not 1998.
  const kerned = Math.floor(Math.fround(Math.fround(size) * KEPT)) / KEPT;
  return { kerned, drawn: Math.floor(Math.fround(kerned) * DRAWN) / DRAWN };
}

const ACROSS = 1000;

/** How much nearer letters come to each other than they would stand by themselves, as a share of the size of type. */
export class Kerning {
  readonly #context: CanvasRenderingContext2D | null;
  readonly #known = new Map<string, number>();

  constructor(document: Document) {
    this.#context = document.createElement('canvas').getContext('2d');
  }

  of(text: string, { fontStyle, fontWeight, fontFamily, fontKerning }: CSSStyleDeclaration): number {
    const context = this.#context;
    if (!context || fontKerning === 'none') return 0;
    const font = `${fontStyle} ${fontWeight} ${ACROSS}px ${fontFamily}`;
    const key = `${font}\n${text}`;
    let share = this.#known.get(key);
    if (share === undefined) {
      context.font = font;
      const [kerned, apart] = (['normal', 'none'] as const).map((kerning) => {
        context.fontKerning = kerning;
        return context.measureText(text).width;
      });
      this.#known.set(key, (share = Math.abs(kerned! - apart!) / ACROSS));
    }
    return share;
  }
}
