import { Aligned, Rule } from '@/core/audit/codes';
import type { Heights } from '@/core/audit/typeset/heights';
import type { TextGatherer } from './gather-text';
import { used } from './gather-text';

const px = (value: string) => parseFloat(value) || 0;
const STRETCHES = /^(auto|normal|stretch)$/;
const TOP = /^(normal|start|flex-start|self-start)$/;
const BOTTOM = /^(end|flex-end|self-end)$/;
const REPLACED = new Set(['img', 'video', 'canvas', 'svg', 'iframe', 'object', 'embed', 'input', 'textarea', 'select']);
/** Tracks that are as high as what stands in them. */
const AUTO_ROWS = /^(none|auto( auto)*)$/;
const SIDES = ['padding-top', 'padding-bottom', 'margin-top', 'margin-bottom'] as const;

type Side = 'Top' | 'Bottom';
/** What stands in what, one below the other. */
export interface Flow {
  readonly rule: Uint8Array;
  readonly units: readonly (readonly number[])[];
}

/** Reads how elements come to their heights where others stand beside them. */
export class HeightsReader {
  readonly #heights;
  /** What spreads what stands in it in other ways. */
  readonly #odd = new Set<number>();

  constructor(
    private readonly nodes: readonly HTMLElement[],
    private readonly gatherer: TextGatherer,
  ) {
    const numbers = (value = 0) => new Float64Array(nodes.length).fill(value);
    this.#heights = {
      rest: numbers(NaN),
      head: numbers(),
      gap: numbers(),
      above: numbers(),
      below: numbers(),
      align: numbers(),
      grows: new Int32Array(nodes.length).fill(-1),
      shares: new Uint8Array(nodes.length),
      least: numbers(),
      given: new Uint8Array(nodes.length),
      fills: new Uint8Array(nodes.length),
      keeps: new Uint8Array(nodes.length),
    } satisfies Heights;
  }

  #of(i: number): CSSStyleDeclaration {
    return this.gatherer.of(this.nodes[i]!);
  }

  /** A height of its own, or a least one; whether that is of px. */
  readOwn(i: number, height: string): boolean {
    const style = this.#of(i);
    // Their content lies in the middle.
    if (style.display.includes('table') || this.nodes[i]!.localName === 'button') return false;
    if (height !== 'auto') {
      if (!/^[\d.]+px$/.test(height)) return false;
      this.#heights.given[i] = 1;
    }
    if (/^(0px|auto)$/.test(style.minHeight)) return true;
    if (!/^[\d.]+px$/.test(style.minHeight)) return false;
    const around = style.boxSizing === 'border-box' ? 0 : this.#around(style, 'Top') + this.#around(style, 'Bottom');
    this.#heights.least[i] = used(style.minHeight) + around;
    return true;
  }

  #around(style: CSSStyleDeclaration, side: Side): number {
    return used(style[`padding${side}`]) + px(style[`border${side}Width`]);
  }

  /** The items of a column; whether it is known which takes the room that is left. */
  readColumn(i: number, units: readonly number[]): boolean {
    const items = units.filter((unit) => unit >= 0);
    if (items.some((item) => this.#of(item).order !== '0')) return false;
    this.#heights.fills[i] = 1;
    this.#heights.keeps[i] = items.every((item) => this.#isKept(item)) ? 1 : 0;
    const growing = items.filter((item) => px(this.#of(item).flexGrow) > 0);
    const isStill = growing.length === 1 ? px(this.#of(growing[0]!).flexGrow) >= 1 : growing.length === 0;
    const isPlain =
      isStill &&
      TOP.test(this.#of(i).justifyContent) &&
      items.every((item) => !this.#hasAutoMargins(item) && this.#of(item).maxHeight === 'none' && this.#isByContent(item));
    // That matters only where it is made higher than it asks for.
    if (isPlain) this.#heights.grows[i] = growing[0] ?? -1;
    else this.#odd.add(i);
    return true;
  }

  /** Whether an item of a column is at least as high as what stands in it (CSS Flexible Box 1, 4.5). */
  #isKept(item: number): boolean {
    const { flexShrink, minHeight, overflowY } = this.#of(item);
    const isAuto = String(this.nodes[item]!.computedStyleMap().get('height')) === 'auto';
    return px(flexShrink) === 0 || (isAuto && minHeight === 'auto' && /^(visible|clip)$/.test(overflowY));
  }

  /** Whether an item of a column begins with what stands in it. */
  #isByContent(item: number): boolean {
    const { flexBasis, flexGrow } = this.#of(item);
    return flexBasis === 'auto' || flexBasis === 'content' || (flexBasis === '0%' && px(flexGrow) > 0);
  }

  #hasAutoMargins(item: number): boolean {
    const specified = this.nodes[item]!.computedStyleMap();
    return ['margin-top', 'margin-bottom'].some((name) => String(specified.get(name)) === 'auto');
  }

  /** The rows that items stand in side by side; whether they are as high as these. */
  readBeside(i: number, items: readonly number[]): boolean {
    const style = this.#of(i);
    const isGrid = style.display.endsWith('grid');
    const specified = this.nodes[i]!.computedStyleMap();
    if (isGrid) {
      const isAuto = (name: string) => AUTO_ROWS.test(String(specified.get(name)));
      if (!isAuto('grid-template-rows') || !isAuto('grid-auto-rows')) return false;
    } else if (!style.flexDirection.startsWith('row') || style.flexWrap === 'wrap-reverse') return false;
    if (style.rowGap.includes('%') || !this.#areFixed(i)) return false;
    const { head, gap, shares, fills } = this.#heights;
    head[i] = this.#around(style, 'Top');
    gap[i] = used(style.rowGap);
    // One line that can't be more is as high as its element, wherever it would lie otherwise (CSS Flexible Box 1, 9.4).
    shares[i] = STRETCHES.test(style.alignContent) || (!isGrid && style.flexWrap === 'nowrap') ? 1 : 0;
    if (!shares[i] && !TOP.test(style.alignContent)) this.#odd.add(i);
    fills[i] = 1;
    return items.every((item) => this.#readItem(item, style.alignItems, isGrid));
  }

  #readItem(item: number, alignItems: string, isGrid: boolean): boolean {
    const style = this.#of(item);
    const { above, below, align } = this.#heights;
    [above[item], below[item]] = [used(style.marginTop), used(style.marginBottom)];
    if (above[item]! < 0 || below[item]! < 0 || this.#hasAutoMargins(item) || !this.#areFixed(item)) return false;
    const own = style.alignSelf === 'auto' ? alignItems : style.alignSelf;
    const height = String(this.nodes[item]!.computedStyleMap().get('height'));
    if (height.includes('%')) return false;
    const isOfItsOwn = isGrid && own === 'normal' && (REPLACED.has(this.nodes[item]!.localName) || style.aspectRatio !== 'auto');
    if (STRETCHES.test(own)) align[item] = height !== 'auto' || isOfItsOwn ? Aligned.top : Aligned.stretched;
    else if (TOP.test(own)) align[item] = Aligned.top;
    else if (own === 'center') align[item] = Aligned.middle;
    else if (BOTTOM.test(own)) align[item] = Aligned.bottom;
    else return false;
    return true;
  }

  /** Whether distances around and in an element don't go by the size of another. */
  #areFixed(i: number): boolean {
    const specified = this.nodes[i]!.computedStyleMap();
    return SIDES.every((name) => !String(specified.get(name)).includes('%'));
  }

  /** What is below the last of what stands in them. */
  finish(rule: Uint8Array, units: readonly (readonly number[])[]): Heights {
    const { rest, given, fills } = this.#heights;
    for (let i = 0; i < this.nodes.length; i++) {
      if (rule[i] !== Rule.stack && rule[i] !== Rule.beside) continue;
      if (given[i] && !fills[i]) rest[i] = 0;
      else if (
        !this.#odd.has(i) &&
        this.nodes[i]!.localName !== 'button' &&
        this.#areFixed(i) &&
        !this.#of(i).display.includes('table')
      )
        rest[i] =
          this.#around(this.#of(i), 'Bottom') + (rule[i] === Rule.stack ? this.#marginWithin(i, 'Bottom', { rule, units }) : 0);
    }
    return this.#heights;
  }

  /** Margins at both ends of what stands in a cell, together; NaN where they aren't known. */
  marginsInCell(i: number, flow: Flow): number {
    // Without a doctype browsers leave out some of them.
    if (this.nodes[i]!.ownerDocument.compatMode === 'BackCompat') return NaN;
    return this.#marginWithin(i, 'Top', flow) + this.#marginWithin(i, 'Bottom', flow);
  }

  /** Margins between an element and what stands before it, at most; NaN where they aren't known. */
  marginsAbove(i: number, before: number | undefined, flow: Flow): number {
    return (before === undefined || before < 0 ? 0 : this.#outer(before, 'Bottom', flow)) + this.#outer(i, 'Top', flow);
  }

  #outer(i: number, side: Side, flow: Flow): number {
    const inner = this.#isClosed(i, side) ? 0 : this.#marginOf(i, side, flow);
    return Math.max(used(this.#of(i)[`margin${side}`]), inner);
  }

  /** The margin at the end of what stands in an element, as if it held that, and what is below it. */
  atEnd(i: number, flow: Flow): [margin: number, below: number] {
    return [this.#marginOf(i, 'Bottom', flow), this.#around(this.#of(i), 'Bottom')];
  }

  /** The margin at one end of what stands in an element, where it counts within it; NaN where that isn't known. */
  #marginWithin(i: number, side: Side, flow: Flow): number {
    const margin = this.#marginOf(i, side, flow);
    return this.#isClosed(i, side) || margin === 0 ? margin : NaN;
  }

  /** The same, wherever it counts. */
  #marginOf(i: number, side: Side, { rule, units }: Flow): number {
    const style = this.#of(i);
    const end = units[i]!.at(side === 'Top' ? 0 : -1);
    if (end === undefined || end < 0) return 0;
    const margin = used(this.#of(end)[`margin${side}`]);
    if (margin < 0 || !this.#areFixed(end) || this.nodes[end]!.getBoundingClientRect().height === 0) return NaN;
    if (style.display.endsWith('flex')) return margin;
    if (style.alignContent !== 'normal') return NaN;
    const inner = this.#isClosed(end, side) ? 0 : rule[end] === Rule.stack ? this.#marginOf(end, side, { rule, units }) : NaN;
    return Math.max(margin, inner);
  }

  /** Whether margins of what stands in it don't reach through its upper or lower end (CSS 2.2, 8.3.1). */
  #isClosed(i: number, side: Side): boolean {
    const style = this.#of(i);
    const parent = this.nodes[i]!.parentElement;
    return (
      this.#around(style, side) > 0 ||
      (side === 'Bottom' && this.#heights.given[i]! + this.#heights.least[i]! > 0) ||
      !/^(block|list-item)$/.test(style.display) ||
      style.overflow !== 'visible' ||
      (parent !== null && /(flex|grid)$/.test(this.gatherer.of(parent).display))
    );
  }
}
