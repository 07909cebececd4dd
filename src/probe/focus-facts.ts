import type { ElementFacts, FocusFacts } from '@/core/audit/facts';
import { colourOf } from './colour';

const SIDES = ['Top', 'Right', 'Bottom', 'Left'] as const;
/** What can be seen to change; where a line isn't drawn, its colour and place are nothing. */
function lookOf(style: CSSStyleDeclaration): string {
  const drawn = (width: string, kind: string, ...rest: string[]) =>
    kind === 'none' || kind === 'hidden' || parseFloat(width) === 0 ? '' : [width, kind, ...rest].join(' ');
  const outline = colourOf(style.outlineColor)[3] === 0 && style.outlineStyle !== 'auto' ? 'none' : style.outlineStyle;
  return [
    drawn(style.outlineWidth, outline, style.outlineColor, style.outlineOffset),
    ...SIDES.map((side) => drawn(style[`border${side}Width`], style[`border${side}Style`], style[`border${side}Color`])),
    style.boxShadow,
    style.color,
    style.backgroundColor,
    style.backgroundImage,
    style.textDecorationLine,
    style.opacity,
    style.visibility,
    style.display,
    style.transform,
    style.fontSize,
    style.fontWeight,
    style.fontStyle,
    style.width,
    style.height,
    style.padding,
    style.margin,
    style.filter,
  ].join('|');
}

function looks(node: Element, window: Window): string {
  return ['', '::before', '::after']
    .map((box) => {
      const style = window.getComputedStyle(node, box || undefined);
      return box && (style.content === 'none' || style.content === 'normal') ? '' : style.content + lookOf(style);
    })
    .join('~');
}

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** What the focus makes of each element that can have it. */
export class FocusReader {
  /** Elements that can have the focus, each with all that stands in it. */
  readonly #inside: ReadonlyMap<number, readonly number[]>;

  constructor(
    readonly nodes: readonly HTMLElement[],
    elements: readonly ElementFacts[],
    readonly window: Window,
  ) {
    const inside = new Map<number, number[]>();
    elements.forEach(({ focusable }, i) => {
      if (focusable) inside.set(i, []);
      for (let at = i; at >= 0; at = elements[at]!.parent) inside.get(at)?.push(i);
    });
    this.#inside = inside;
  }

  /** All that can have the focus. */
  get focusable(): readonly HTMLElement[] {
    return [...this.#inside.keys()].map((i) => this.nodes[i]!);
  }

  /**
   * Reads what is held now against what it is at rest.
   * @param isHeld whether an element has the focus now; of others nothing is read
   */
  read(rest: () => void, hold: () => void, isHeld: (node: Element) => boolean): FocusFacts {
    hold();
    const held = [...this.#inside].filter(([i]) => isHeld(this.nodes[i]!));
    const seen = () => held.map(([, inside]) => inside.map((i) => looks(this.nodes[i]!, this.window)).join('§'));
    const focused = seen();
    const lines = held.map(([i]) => this.#line(this.nodes[i]!));
    rest();
    const resting = seen();
    const restingLines = held.map(([i]) => this.#line(this.nodes[i]!));
    hold();
    const { changed, ring, drawnByBrowser, apart } = this.#fresh();
    held.forEach(([i], at) => {
      changed[i] = focused[at] === resting[at] ? 0 : 1;
      const line = lines[at]!;
      if (!line || JSON.stringify(line) === JSON.stringify(restingLines[at])) return;
      ring.set(line.colour, i * 4);
      drawnByBrowser[i] = line.auto ? 1 : 0;
      apart[i] = line.apart ? 1 : 0;
    });
    // What can't have the focus now was looked at before or will be.
    const now = new Set(held.map(([i]) => i));
    for (const i of this.#inside.keys()) if (!now.has(i)) changed[i] = 1;
    return { changed, ring, drawnByBrowser, apart };
  }

  #fresh(): Writable<FocusFacts> {
    const count = this.nodes.length;
    const bytes = () => new Uint8Array(count);
    return { changed: bytes(), ring: new Float64Array(count * 4), drawnByBrowser: bytes(), apart: bytes() };
  }

  /** The line around an element: its outline, else a shadow that is one, else its border. */
  #line(node: HTMLElement): { colour: readonly number[]; auto: boolean; apart: boolean } | undefined {
    const style = this.window.getComputedStyle(node);
    const outlined = style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) > 0;
    if (outlined) {
      const colour = [...colourOf(style.outlineColor)];
      const auto = style.outlineStyle === 'auto';
      if (auto || colour[3]! > 0) return { colour, auto, apart: parseFloat(style.outlineOffset) > 0 };
    }
    const shadow = /^(rgba?\([^)]*\)) (.*)$/.exec(style.boxShadow);
    if (shadow) return { colour: [...colourOf(shadow[1]!)], auto: false, apart: false };
    const border = SIDES.find((side) => parseFloat(style[`border${side}Width`]) > 0 && style[`border${side}Style`] !== 'none');
    return border && { colour: [...colourOf(style[`border${border}Color`])], auto: false, apart: false };
  }
}
