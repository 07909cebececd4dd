import { longhandsOf } from '@/core/styles';
import type { FieldValue } from './field-value';
import type { Fields } from './watched';

/** Shorthands that are shown as one field, with their longhands folded away beneath. */
export interface Composite {
  readonly shorthand: string;
  readonly label: string;
  readonly longhands: readonly string[];
}

const composite = (shorthand: string, label: string): Composite => ({ shorthand, label, longhands: longhandsOf(shorthand) });

export const COMPOSITES: readonly Composite[] = [
  composite('overflow', 'Overflow'),
  composite('gap', 'Gap'),
  composite('padding', 'Padding'),
  composite('margin', 'Margin'),
  composite('inset', 'Offsets'),
  composite('border-width', 'Line widths'),
  composite('border-style', 'Lines'),
  composite('border-color', 'Line colours'),
  composite('border-radius', 'Radius'),
];

/** The longhands' values as the shortest form of the shorthand. */
export function compose(values: readonly string[]): string {
  const [a, b, c, d] = values;
  if (values.every((value) => value === a)) return a!;
  if (values.length === 2) return values.join(' ');
  if (b !== d) return values.join(' ');
  return a === c ? `${a} ${b}` : `${a} ${b} ${c}`;
}

/** One field for several properties, in the order of their shorthand: its story is that of the first that is set anywhere. */
export function gathered(fields: Fields, properties: readonly string[]): FieldValue {
  const each = properties.map((property) => fields.get(property)!);
  if (each.length === 1) return each[0]!;
  const values = each.map((field) => field.value);
  const strongest = each.reduce((a, b) => (a.carriage === 'default' ? b : a));
  return {
    ...strongest,
    value: values.some((value) => value === undefined) ? undefined : compose(values as string[]),
    ownHere: each.some((one) => one.ownHere),
    story: each.map((one) => one.story).join(),
  };
}
