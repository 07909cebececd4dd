import type { Declarations } from '../document/element';
import { usesVariables } from '../styles/custom';
import { propertyRank } from '../styles/properties';

const WIDE = /^(inherit|initial|unset)$/;
const sides = ['top', 'right', 'bottom', 'left'] as const;
const corners = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

interface Compaction {
  readonly name: string;
  readonly longhands: readonly string[];
  readonly write: (values: readonly string[]) => string | undefined;
}

/** One to four values, as few as say the same; undefined where a part has a space of its own or a CSS-wide keyword. */
function shortest(values: readonly string[]): string | undefined {
  const [a, b, c, d] = values;
  if (values.every((value) => value === a)) return a;
  if (values.some((value) => WIDE.test(value))) return undefined;
  if (values.length === 2) return `${a} ${b}`;
  if (b !== d) return `${a} ${b} ${c} ${d}`;
  return a === c ? `${a} ${b}` : `${a} ${b} ${c}`;
}

const COMPACTIONS: readonly Compaction[] = [
  { name: 'margin', longhands: sides.map((side) => `margin-${side}`), write: shortest },
  { name: 'padding', longhands: sides.map((side) => `padding-${side}`), write: shortest },
  { name: 'inset', longhands: sides, write: shortest },
  { name: 'gap', longhands: ['row-gap', 'column-gap'], write: shortest },
  { name: 'overflow', longhands: ['overflow-x', 'overflow-y'], write: shortest },
  {
    name: 'border-radius',
    longhands: corners.map((corner) => `border-${corner}-radius`),
    write: (values) => (values.some((value) => /\s/.test(value)) ? undefined : shortest(values)),
  },
  {
    name: 'border',
    longhands: sides.flatMap((side) => ['width', 'style', 'color'].map((what) => `border-${side}-${what}`)),
    write: (values) => {
      const one = values.slice(0, 3);
      const same = values.every((value, i) => value === one[i % 3]);
      return same && !one.some((value) => WIDE.test(value)) ? one.join(' ') : undefined;
    },
  },
  {
    name: 'outline',
    longhands: ['outline-width', 'outline-style', 'outline-color'],
    write: (values) => (values.some((value) => WIDE.test(value)) ? undefined : values.join(' ')),
  },
  ...sides.map((side): Compaction => ({
    name: `border-${side}`,
    longhands: ['width', 'style', 'color'].map((what) => `border-${side}-${what}`),
    write: (values) => (values.some((value) => WIDE.test(value)) ? undefined : values.join(' ')),
  })),
  ...['width', 'style', 'color'].map((what): Compaction => ({
    name: `border-${what}`,
    longhands: sides.map((side) => `border-${side}-${what}`),
    write: (values) => (values.some((value) => /\s/.test(value)) ? undefined : shortest(values)),
  })),
];

/**
 * Declarations as lines of CSS in a fixed order, longhands gathered into shorthands where all of them are there.
 * `write` turns the stored value of a property into the one written.
 */
export function writeDeclarations(declarations: Declarations, write: (property: string, value: string) => string): string[] {
  const rest = new Map(Object.entries(declarations).sort(([a], [b]) => propertyRank(a) - propertyRank(b) || (a < b ? -1 : 1)));
  const lines: { rank: number; text: string }[] = [];
  for (const { name, longhands, write: compact } of COMPACTIONS) {
    if (!rest.has(longhands[0]!)) continue;
    const values = longhands.map((longhand) => rest.get(longhand));
    // In a shorthand, one variable without a value would take all of its parts along.
    if (values.some((value) => value === undefined || usesVariables(value))) continue;
    const value = compact(values as string[]);
    if (value === undefined) continue;
    lines.push({ rank: propertyRank(longhands[0]!), text: `${name}: ${write(name, value)};` });
    for (const longhand of longhands) rest.delete(longhand);
  }
  for (const [name, value] of rest) lines.push({ rank: propertyRank(name), text: `${name}: ${write(name, value)};` });
  return lines.sort((a, b) => a.rank - b.rank).map((line) => line.text);
}
