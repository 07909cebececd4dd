import type { Paragraph, Typesetting } from '@/core/audit/typeset/paragraph';
import { Rule, Unread } from '@/core/audit/codes';
import type { Gathered, TextGatherer } from './gather-text';
import { isBlank } from './gather-text';
import { CellsReader } from './cells-of';
import { FloatsReader } from './floats-of';
import { HeightsReader } from './heights-of';
import { heldBy } from './held-by';
import type { ReadElement } from './style-facts';

/** What lays its children one below the other. */
const STACKS =
  /^(inline-)?(block|flow-root|list-item|table|table-row-group|table-header-group|table-footer-group|table-cell|table-caption)$/;
/** What may lay its items side by side. */
const LANES = /^(inline-)?(flex|grid)$/;
const OF_THEIR_OWN = new Set([
  'fieldset',
  'select',
  'textarea',
  'input',
  'svg',
  'video',
  'img',
  'iframe',
  'object',
  'math',
  'meter',
  'progress',
]);

/** Whether a node in a line takes no room there, not even its line's. */
const isEmpty = (node: Node) => node.nodeType !== 1 || [...(node as Element).getClientRects()].every(({ width }) => width === 0);

/** Whether an element is as high as what stands in it asks for, or as it says itself. */
const isOrdinary = (node: HTMLElement, style: CSSStyleDeclaration): boolean =>
  style.maxHeight === 'none' &&
  style.columnCount === 'auto' &&
  style.columnWidth === 'auto' &&
  style.writingMode === 'horizontal-tb' &&
  style.aspectRatio === 'auto' &&
  !OF_THEIR_OWN.has(node.localName) &&
  // Of one that is closed a sheet may show more than its summary.
  (node.localName !== 'details' || node.hasAttribute('open'));

export interface FlowOfPage {
  readonly gathered: readonly Gathered[];
  readonly finish: (
    paragraphs: readonly (Paragraph | undefined)[],
    leading: Typesetting['leading'],
    strict: boolean,
  ) => Omit<Typesetting, 'plainShares' | 'written'>;
}

/** How elements push each other down; undefined where text flows around something. */
export function flowOfPage(
  nodes: readonly HTMLElement[],
  elements: readonly ReadElement[],
  index: ReadonlyMap<Element, number>,
  gatherer: TextGatherer,
  isFluid: boolean,
): FlowOfPage | undefined {
  const count = nodes.length;
  const rule = new Uint8Array(count);
  const holdsOn = new Int32Array(count).fill(-1);
  const holdsBy = new Uint8Array(count);
  const behind = Int32Array.from(nodes, (_, i) => i + 1);
  const still = new Uint8Array(count);
  const cells = new CellsReader(nodes, index, gatherer);
  const heights = new HeightsReader(nodes, gatherer);
  const floats = new FloatsReader(nodes, elements, gatherer);
  const gathered: Gathered[] = [];
  const units: number[][] = nodes.map(() => []);
  /** Of whose lines not all are known. */
  const partly = new Set<number>();
  for (let i = count - 1; i > 0; i--) {
    const { parent } = elements[i]!;
    if (parent >= 0) behind[parent] = Math.max(behind[parent]!, behind[i]!);
  }
  for (let i = 0; i < count; i++) {
    const node = nodes[i]!;
    const style = gatherer.of(node);
    const standing = i === 0 ? 'block' : gatherer.standing(node);
    if (standing === 'float' && node.getClientRects().length > 0) floats.note(i);
    if (standing === 'out') [holdsOn[i], holdsBy[i]] = heldBy(i, elements, nodes, gatherer);
    if (standing === 'nothing') continue;
    const { display } = style;
    if (display === 'inline') continue;
    still[i] = style.getPropertyValue('text-wrap-mode') === 'nowrap' ? 1 : 0;
    if (display === 'table-row') rule[i] = cells.readRow(i, units[i]!) ? Rule.row : Rule.other;
    if (node.getClientRects().length === 0 || !isOrdinary(node, style)) continue;
    const height = String(node.computedStyleMap().get('height'));
    const isAuto = height === 'auto' && /^(0px|auto)$/.test(style.minHeight);
    if (!isAuto && (isFluid || !heights.readOwn(i, height))) continue;
    const isColumn = /^(inline-)?flex$/.test(display) && style.flexDirection === 'column' && style.flexWrap === 'nowrap';
    if (STACKS.test(display) || isColumn) {
      if (!fill(i)) partly.add(i);
      else if (!isColumn || isFluid || heights.readColumn(i, units[i]!)) rule[i] = Rule.stack;
    } else if (!isFluid && LANES.test(display) && fillItems(i) && heights.readBeside(i, units[i]!)) rule[i] = Rule.beside;
  }

  if (floats.areFluid) return undefined;

  /** Notes what stands in an element; whether all of it is known. */
  function fill(i: number): boolean {
    const list = units[i]!;
    let line: Node[] = [];
    let known = true;
    const endLine = () => {
      const full = line.filter((node) => !isBlank(node));
      const only = full.length === 1 ? gatherer.boxIn(full[0]!) : undefined;
      // What stands in a line by itself is a line of its own, whatever size it is of.
      if (only && index.has(only)) list.push(index.get(only)!);
      else if (full.length > 0) {
        const one = gatherer.gather(nodes[i]!, line);
        if (one === 'nothing') known = known && line.every(isEmpty);
        else if (one) list.push(-gathered.push(one));
        else known = false;
      }
      line = [];
    };
    for (const child of nodes[i]!.childNodes) {
      const standing = gatherer.standing(child);
      if (standing === 'line') line.push(child);
      else if (standing === 'block') {
        endLine();
        const at = index.get(child as Element);
        if (at === undefined) known = false;
        else if ((child as Element).getClientRects().length > 0) list.push(at);
      } else if (standing === 'float') {
        const at = index.get(child as Element);
        const isAmong = !line.every(isBlank);
        if (at === undefined || isAmong) known = false;
        if (at !== undefined && (child as Element).getClientRects().length > 0)
          floats.note(at, isAmong ? undefined : list.length);
      } else if (standing === 'unknown') known = false;
    }
    endLine();
    return known;
  }

  /** Notes the items of what may lay them side by side; whether they are all. */
  function fillItems(i: number): boolean {
    for (const child of nodes[i]!.childNodes) {
      const standing = gatherer.standing(child);
      if (standing === 'nothing' || standing === 'out' || isBlank(child)) continue;
      const at = index.get(child as Element);
      if (standing !== 'block' || at === undefined) return false;
      if ((child as Element).getClientRects().length > 0) units[i]!.push(at);
    }
    return units[i]!.length > 0;
  }

  return {
    gathered,
    finish: (read, leading, strict) => {
      const unread = new Uint8Array(count);
      const worked = new Uint8Array(count);
      read.forEach((one, i) => one || partly.add(gathered[i]!.block));
      const paragraphs: Paragraph[] = [];
      const now = read.map((one) => (one && !partly.has(one.block) ? paragraphs.push(one) - 1 : -1));
      for (const block of partly) rule[block] = Rule.other;
      const lists = units.map((list, i) => (partly.has(i) ? [] : list.map((unit) => (unit >= 0 ? unit : -1 - now[-1 - unit]!))));
      for (const { texts } of paragraphs) for (const element of texts.element) if (element >= 0) worked[element] = 1;
      const blockOf = (i: number): number =>
        i > 0 && gatherer.of(nodes[i]!).display === 'inline' ? blockOf(elements[i]!.parent) : i;
      elements.forEach(({ words }, i) => {
        const block = blockOf(i);
        if (words === 0 || worked[i]) return;
        if (!still[block]) unread[i] = Unread.broken;
        else if (floats.mayPushDown(block, behind[block]!)) unread[i] = Unread.moved;
      });
      return {
        paragraphs,
        leading,
        strict,
        rule,
        units: lists,
        holdsOn,
        holdsBy,
        cells: cells.finish(rule, lists, heights),
        floats: floats.finish({ rule, units: lists }, heights),
        heights: heights.finish(rule, lists),
        behind,
        unread,
        worked,
      };
    },
  };
}
