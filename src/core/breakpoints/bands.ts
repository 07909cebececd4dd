import type { At, Breakpoint } from './breakpoint';
import { BASE } from './breakpoint';
import { conditionEdge, conditionInterval } from './condition';
import type { Interval } from './interval';
import { contains } from './interval';

/** A stretch of widths between neighbouring breakpoints, inside which the same conditions hold. */
export interface Band extends Interval {
  readonly name: string;
  /** The breakpoints that hold here, weakest first. */
  readonly holds: readonly string[];
  /** Whose own band this is: the strongest breakpoint that holds here, or the base where none does. */
  readonly home: At;
}

export interface BreakpointSet {
  readonly breakpoints: readonly Breakpoint[];
  readonly baseName: string;
}

const memo = new WeakMap<BreakpointSet, readonly Band[]>();

/** The bands of a set, narrowest first; together they cover every width from 0 up without gap or overlap. */
export function bandsOf(set: BreakpointSet): readonly Band[] {
  const known = memo.get(set);
  if (known) return known;
  const edges = [...new Set(set.breakpoints.map((breakpoint) => conditionEdge(breakpoint.condition)))].sort(
    (a, b) => a - b,
  );
  const bands = [0, ...edges].map((from, index): Band => {
    const below = edges[index] ?? Infinity;
    const holding = set.breakpoints.filter((breakpoint) => contains([conditionInterval(breakpoint.condition)], from));
    const strongest = holding[holding.length - 1];
    return {
      from,
      below,
      name: bandName(set, from, below, holding),
      holds: holding.map((breakpoint) => breakpoint.id),
      home: strongest ? strongest.id : BASE,
    };
  });
  memo.set(set, bands);
  return bands;
}

/** A band is called after the breakpoint at whose edge it begins; between overlapping ones, after both. */
function bandName(set: BreakpointSet, from: number, below: number, holding: readonly Breakpoint[]): string {
  if (holding.length === 0) return set.baseName;
  const atEdge = holding.filter(({ condition }) =>
    'below' in condition ? condition.below === below : condition.from === from,
  );
  return (atEdge.length > 0 ? atEdge : holding.slice(-1)).map((breakpoint) => breakpoint.name).join(' and ');
}

export function bandAt(set: BreakpointSet, width: number): Band {
  const bands = bandsOf(set);
  return bands.find((band) => width < band.below) ?? bands[bands.length - 1]!;
}

/** "600 to 899", in whole px, as shown to people. */
export function describeInterval({ from, below }: Interval): string {
  const first = Math.ceil(from);
  if (below === Infinity) return `${first} and wider`;
  const last = Math.ceil(below) - 1;
  if (first <= 0) return `${last} and narrower`;
  return first === last ? `${first}` : `${first} to ${last}`;
}
