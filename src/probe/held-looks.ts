import { FOCUSABLE } from './focusable';
import { paintsIn } from './painted-only';
import { rulesOf } from './rules-of';
import { HELD_ATTRIBUTE as HELD } from '@/core/audit/codes';

/** States as elements are marked with them, for each way to look at a page. */
const STATES = { pointed: ['hover'], focused: ['focus-visible'], pressed: ['hover', 'active'] } as const;
export type HeldState = keyof typeof STATES;

export const isHeldState = (setting: string): setting is HeldState => Object.hasOwn(STATES, setting);

/**
 * What can look otherwise in a state, held in it. Pointing and pressing reach all that an element stands in, so those on the
 * inside are left out one layer after the other: each layer is what is seen when what it ends with is pointed at. The focus
 * is on one element alone, so there is one layer for each depth.
 */
export class HeldLooks {
  readonly #document: Document;
  readonly #layers = new Map<HeldState, readonly (readonly Element[])[]>();

  readonly #paints = new Map<HeldState, boolean>();

  constructor(document: Document) {
    this.#document = document;
  }

  /**
   * How many ways there are to be in that state; 0 where nothing would look otherwise.
   * @param always elements that are in it though nothing may be said of them
   */
  layers(state: HeldState, always: readonly Element[] = []): number {
    return this.#layersOf(state, always).length;
  }

  /** Whether all that is said of a state changes only what is painted, so that everything lies where it lies at rest. */
  paintsOnly(state: HeldState): boolean {
    let paints = this.#paints.get(state);
    if (paints === undefined) {
      paints = [...this.#document.styleSheets].every((sheet) => STATES[state].every((one) => paintsIn(sheet, one)));
      this.#paints.set(state, paints);
    }
    return paints;
  }

  hold(state: HeldState, layer: number, always: readonly Element[] = []): void {
    this.release();
    const layers = this.#layersOf(state, always);
    const held = state === 'focused' ? (layers[layer] ?? []) : layers.slice(0, layer + 1).flat();
    for (const element of held) element.setAttribute(HELD, STATES[state].join(' '));
  }

  release(): void {
    for (const element of this.#document.querySelectorAll(`[${HELD}]`)) element.removeAttribute(HELD);
  }

  #layersOf(state: HeldState, always: readonly Element[]): readonly (readonly Element[])[] {
    let layers = this.#layers.get(state);
    if (!layers) {
      this.release();
      this.#layers.set(state, (layers = this.#sorted(new Set([...this.#speaking(state), ...always]))));
    }
    return layers;
  }

  #speaking(state: HeldState): Element[] {
    const selectors = STATES[state].flatMap((one) =>
      [...this.#document.styleSheets].flatMap((sheet) => [...heldIn(rulesOf(sheet), one)]),
    );
    const found = [...new Set(selectors)].flatMap((selector) => [...this.#document.querySelectorAll(selector)]);
    // `:focus-visible` alone names all elements, and few of them can have it.
    return state === 'focused' ? found.filter((element) => element.matches(FOCUSABLE)) : found;
  }

  /** By how many of them each stands in. */
  #sorted(held: ReadonlySet<Element>): Element[][] {
    const layers: Element[][] = [];
    for (const element of held) {
      let depth = 0;
      for (let at = element.parentElement; at; at = at.parentElement) if (held.has(at)) depth++;
      (layers[depth] ??= []).push(element);
    }
    return Array.from(layers, (layer) => layer ?? []);
  }
}

/** Selectors of the elements that must be in a state for a rule to hold: each up to where it asks for it. */
function* heldIn(rules: Iterable<CSSRule>, state: string): Generator<string> {
  const said = `[${HELD}~="${state}"]`;
  for (const rule of rules) {
    if ('selectorText' in rule)
      for (const selector of listed(rule.selectorText as string))
        for (let at = selector.indexOf(said); at >= 0; at = selector.indexOf(said, at + 1)) {
          const rest = /^[^\s>+~]*/.exec(selector.slice(at + said.length))![0].replace(/::[\w-]+$/, '');
          yield `${selector.slice(0, at)}${said}${rest}`.replaceAll(`[${HELD}~="${state}"]`, ':is(*)');
        }
    if ('cssRules' in rule) yield* heldIn(rule.cssRules as CSSRuleList, state);
  }
}

/** A list of selectors, split at the commas that stand in no bracket. */
function listed(text: string): string[] {
  let depth = 0;
  let from = 0;
  const list: string[] = [];
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '(' || text[at] === '[') depth++;
    if (text[at] === ')' || text[at] === ']') depth--;
    if (text[at] !== ',' || depth > 0) continue;
    list.push(text.slice(from, at));
    from = at + 1;
  }
  return [...list, text.slice(from)].map((one) => one.trim());
}
