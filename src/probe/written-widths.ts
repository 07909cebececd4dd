import type { Written, WrittenWidth } from '@/core/audit/typeset/written-widths';

/** CSS Typed OM 1: a length, a share, or a sum of such, of which some may be taken away. */
interface Typed {
  readonly value?: number | Typed;
  readonly unit?: string;
  readonly operator?: string;
  readonly values?: Iterable<Typed>;
}

/** Undefined for what isn't made of px and per cent alone. */
function lengthOf({ value, unit, operator, values }: Typed): Written | undefined {
  if (typeof value === 'number') {
    if (unit === 'px') return { share: 0, px: value };
    return unit === 'percent' ? { share: value, px: 0 } : undefined;
  }
  if (operator === 'negate' && value) {
    const one = lengthOf(value);
    return one && { share: -one.share, px: -one.px };
  }
  if (operator !== 'sum' || !values) return undefined;
  const parts = [...values].map(lengthOf);
  if (parts.includes(undefined)) return undefined;
  const sum = (name: keyof Written) => parts.reduce((all, one) => all + one![name], 0);
  return { share: sum('share'), px: sum('px') };
}

const isNothing = ({ padding, border, margin, width }: WrittenWidth) =>
  !width && [...padding, ...margin].every((one) => one && one.share === 0 && one.px === 0) && border.every((px) => px === 0);

/** What is written of how wide elements are, by index; those of which nothing is aren't told. */
export function writtenWidths(nodes: readonly HTMLElement[], window: Window): Map<number, WrittenWidth> {
  const all = new Map<number, WrittenWidth>();
  nodes.forEach((node, i) => {
    const style = window.getComputedStyle(node);
    if (style.display === 'inline' || style.display === 'none') return;
    const specified = node.computedStyleMap();
    const read = (name: string) => lengthOf((specified.get(name) ?? {}) as Typed);
    const around = node.parentElement && window.getComputedStyle(node.parentElement);
    // CSS Flexbox 1, 7.2: what isn't `auto` comes before the width.
    const isItem = around && /flex$/.test(around.display) && around.flexDirection.startsWith('row');
    const width = (isItem ? read('flex-basis') : undefined) ?? read('width');
    const one: WrittenWidth = {
      padding: [read('padding-left'), read('padding-right')],
      border: [parseFloat(style.borderLeftWidth) || 0, parseFloat(style.borderRightWidth) || 0],
      margin: [read('margin-left'), read('margin-right')],
      // Columns of tables are as wide as all of them together ask for.
      width: width && width.share !== 0 && style.display !== 'table-cell' ? width : undefined,
    };
    if (!isNothing(one)) all.set(i, one);
  });
  return all;
}
