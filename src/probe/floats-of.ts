import { Floating, Rule } from '@/core/audit/codes';
import type { Floats } from '@/core/audit/typeset/float-gaps';
import type { TextGatherer } from './gather-text';
import { used } from './gather-text';
import type { Flow, HeightsReader } from './heights-of';
import type { ReadElement } from './style-facts';

/** What keeps the floats in it to itself, whatever else is said (CSS Display 3, block formatting context). */
const CONTEXTS = /^(flow-root|inline-block|table(-cell|-caption)?|inline-table|(inline-)?(flex|grid))$/;
const ITEMS = /^(inline-)?(flex|grid)$/;
const SIDES: Readonly<Record<string, number>> = {
  left: Floating.left,
  right: Floating.right,
  'inline-start': Floating.left,
  'inline-end': Floating.right,
};
const CLEARS: Readonly<Record<string, number>> = { ...SIDES, both: Floating.left | Floating.right };
const MARGINS = ['margin-top', 'margin-bottom', 'margin-left', 'margin-right'] as const;

/** Reads what floats, and what has to do with it. */
export class FloatsReader {
  readonly #within: Int32Array;
  readonly #context: Int32Array;
  readonly #before = new Map<number, number>();

  constructor(
    private readonly nodes: readonly HTMLElement[],
    private readonly elements: readonly ReadElement[],
    private readonly gatherer: TextGatherer,
  ) {
    this.#within = new Int32Array(nodes.length);
    this.#context = new Int32Array(nodes.length);
    for (let i = 1; i < nodes.length; i++) {
      const around = this.#context[elements[i]!.parent]!;
      this.#within[i] = around;
      this.#context[i] = this.#isContext(i) ? i : around;
    }
  }

  #isContext(i: number): boolean {
    const style = this.gatherer.of(this.nodes[i]!);
    const parent = this.nodes[i]!.parentElement;
    return (
      CONTEXTS.test(style.display) ||
      !/^(visible|clip)$/.test(style.overflowX) ||
      !/^(visible|clip)$/.test(style.overflowY) ||
      style.float !== 'none' ||
      /^(absolute|fixed)$/.test(style.position) ||
      style.columnCount !== 'auto' ||
      style.columnWidth !== 'auto' ||
      style.alignContent !== 'normal' ||
      /\b(layout|paint|strict|content)\b/.test(style.contain) ||
      this.nodes[i]!.localName === 'fieldset' ||
      (parent !== null && ITEMS.test(this.gatherer.of(parent).display))
    );
  }

  /** Notes a float. @param before which of what stands in its parent it lies before; where it stands among words, none */
  note(element: number, before?: number): void {
    if (before !== undefined || !this.#before.has(element)) this.#before.set(element, before ?? -1);
  }

  get #found(): number[] {
    return [...this.#before.keys()].sort((a, b) => a - b);
  }

  /** Whether lines that never break may have to go below one. @param behind index behind the last of all that stands in it */
  mayPushDown(i: number, behind: number): boolean {
    return this.#found.some((element) => element < behind && this.#within[element] === this.#context[i]);
  }

  /** Whether margins of any follow something else than type: they are read once. */
  get areFluid(): boolean {
    return this.#found.some((element) => {
      const specified = this.nodes[element]!.computedStyleMap();
      return MARGINS.some((name) => {
        const value = specified.get(name) as { readonly unit?: string; readonly value?: number } | undefined;
        // One that pulls it aside takes nothing of what it lies beside.
        return value?.unit !== 'px' && !(/left|right/.test(name) && value?.unit === 'percent' && value.value! <= 0);
      });
    });
  }

  finish(flow: Flow, heights: HeightsReader): Floats | undefined {
    const found = this.#found;
    if (found.length === 0) return undefined;
    const count = this.nodes.length;
    const styles = found.map((element) => this.gatherer.of(this.nodes[element]!));
    const least = (values: string[]) => Float64Array.from(values, (value) => Math.max(0, used(value)));
    const all = {
      element: Int32Array.from(found),
      parent: Int32Array.from(found, (element) => this.elements[element]!.parent),
      before: Int32Array.from(found, (element) => this.#before.get(element)!),
      side: Uint8Array.from(styles, ({ float }) => SIDES[float] ?? 0),
      top: Float64Array.from(styles, ({ marginTop }) => used(marginTop)),
      bottom: Float64Array.from(styles, ({ marginBottom }) => used(marginBottom)),
      left: least(styles.map(({ marginLeft }) => marginLeft)),
      right: least(styles.map(({ marginRight }) => marginRight)),
      within: this.#within,
      context: this.#context,
      clears: new Uint8Array(count),
      holds: new Uint8Array(count),
      above: new Float64Array(count),
      margin: new Float64Array(count),
      end: new Float64Array(count),
    } satisfies Floats;
    // Cells are as high as their rows: how high they would be themselves shows nowhere.
    for (const element of found) {
      const around = this.#within[element]!;
      if (this.gatherer.of(this.nodes[around]!).display === 'table-cell') flow.rule[around] = Rule.other;
    }
    for (let i = 0; i < count; i++) {
      const style = this.gatherer.of(this.nodes[i]!);
      all.clears[i] = CLEARS[style.clear] ?? 0;
      all.holds[i] = (i > 0 && this.#context[i] === i) || this.#isCleared(i) ? 1 : 0;
      if (all.clears[i]) {
        const around = i > 0 ? flow.units[this.elements[i]!.parent]! : [];
        all.above[i] = heights.marginsAbove(i, around[around.indexOf(i) - 1], flow);
      }
      if (all.holds[i]) [all.margin[i], all.end[i]] = heights.atEnd(i, flow);
    }
    return all;
  }

  /** Whether what a sheet puts at its end lies below all floats. */
  #isCleared(i: number): boolean {
    const { content, display, clear } = this.nodes[i]!.ownerDocument.defaultView!.getComputedStyle(this.nodes[i]!, '::after');
    return content !== 'none' && content !== 'normal' && /^(block|table|flow-root)$/.test(display) && clear === 'both';
  }
}
