import type { Cells } from '@/core/audit/typeset/paragraph';
import { Rule } from '@/core/audit/codes';
import type { TextGatherer } from './gather-text';
import { hasFluidInsets, used } from './gather-text';
import type { HeightsReader } from './heights-of';

const px = (value: string) => parseFloat(value) || 0;

/** Reads what the cells of tables ask their rows for. */
export class CellsReader {
  readonly #cells;

  constructor(
    private readonly nodes: readonly HTMLElement[],
    private readonly index: ReadonlyMap<Element, number>,
    private readonly gatherer: TextGatherer,
  ) {
    const numbers = () => new Float64Array(nodes.length).fill(NaN);
    this.#cells = {
      least: numbers(),
      most: numbers(),
      align: numbers(),
      onBaseline: new Uint8Array(nodes.length),
      spans: new Uint16Array(nodes.length).fill(1),
    } satisfies Cells;
  }

  /** Notes the cells of a row; whether they are all. */
  readRow(row: number, list: number[]): boolean {
    const { least, most, align, onBaseline, spans } = this.#cells;
    const collapses = this.gatherer.of(this.nodes[row]!).borderCollapse === 'collapse';
    let areAll = true;
    for (const child of this.nodes[row]!.children) {
      const at = this.index.get(child);
      const style = this.gatherer.of(child);
      if (at === undefined || style.display !== 'table-cell' || hasFluidInsets(child as HTMLElement)) areAll = false;
      if (at === undefined) continue;
      const borders = px(style.borderTopWidth) + px(style.borderBottomWidth);
      least[at] = used(style.paddingTop) + used(style.paddingBottom) + (collapses ? borders / 2 : borders);
      most[at] = least[at] + this.#marginsIn(child, 'firstElementChild') + this.#marginsIn(child, 'lastElementChild');
      align[at] = style.verticalAlign === 'middle' ? 0.5 : style.verticalAlign === 'bottom' ? 1 : 0;
      onBaseline[at] = style.verticalAlign === 'baseline' ? 1 : 0;
      spans[at] = (child as HTMLTableCellElement).rowSpan ?? 1;
      list.push(at);
    }
    return areAll && list.length > 0;
  }

  /** Margins that may count at one end of what stands in an element, all together. */
  #marginsIn(element: Element, end: 'firstElementChild' | 'lastElementChild'): number {
    let sum = 0;
    for (let at = element[end]; at; at = at[end]) {
      const style = this.gatherer.of(at);
      sum += Math.abs(px(end === 'firstElementChild' ? style.marginTop : style.marginBottom));
    }
    return sum;
  }

  /**
   * What is known of them once it is known how all elements come to their heights; rows of which cells reach over several are theirs
   * together.
   * @param units what stands in each element
   */
  finish(rule: Uint8Array, units: readonly (readonly number[])[], heights: HeightsReader): Cells {
    const { least, most } = this.#cells;
    for (let i = 0; i < rule.length; i++) {
      if (rule[i] !== Rule.row) continue;
      for (const cell of units[i]!) {
        const margins = rule[cell] === Rule.stack ? heights.marginsInCell(cell, { rule, units }) : NaN;
        if (!Number.isNaN(margins)) least[cell] = most[cell] = least[cell]! + margins;
      }
    }
    for (let i = 0; i < rule.length; i++) {
      const rows = units[i]!.filter((unit) => unit >= 0 && this.gatherer.of(this.nodes[unit]!).display === 'table-row');
      if (!rows.some((row) => units[row]!.some((cell) => this.#cells.spans[cell] !== 1))) continue;
      const isKnown = rule[i] === Rule.stack && rows.length === units[i]!.length && this.#areKnown(rows, rule, units);
      if (isKnown) rule[i] = Rule.rows;
      else for (const row of rows) rule[row] = Rule.other;
    }
    return this.#cells;
  }

  /** Whether it is known how rows share what a cell needs that reaches over several: browsers do as they like (CSS 2.2, 17.5.3). */
  #areKnown(rows: readonly number[], rule: Uint8Array, units: readonly (readonly number[])[]): boolean {
    const { least, most, spans, onBaseline } = this.#cells;
    const hasHeight = (i: number) => String(this.nodes[i]!.computedStyleMap().get('height')) !== 'auto';
    let [from, to] = [0, 0];
    return rows.every((row, first) => {
      if (rule[row] !== Rule.row || hasHeight(row)) return false;
      return units[row]!.every((cell) => {
        const behind = first + spans[cell]!;
        // All that reach over a row begin and end with it, or are those of the same rows.
        if (spans[cell] !== 1 && first >= to) [from, to] = [first, behind];
        else if (spans[cell] !== 1 && (first !== from || behind !== to)) return false;
        return spans[cell] !== 0 && behind <= rows.length && most[cell] === least[cell] && !onBaseline[cell] && !hasHeight(cell);
      });
    });
  }
}
