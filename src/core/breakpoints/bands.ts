import type { At, Breakpoint } from './breakpoint';
import { BASE } from './breakpoint';
import { conditionInterval, isWidthOnly } from './condition';
import type { Interval } from './interval';
import type { Slice } from './viewport';
import { DEFAULT_SLICE, wholeReader } from './viewport';

/** A stretch of widths between neighbouring edges, inside which the same conditions hold. */
export interface Band extends Interval {
  readonly name: string;
  /** The breakpoints that hold here, weakest first. */
  readonly holds: readonly string[];
  /**
   * Whose own band this is: the strongest breakpoint that asks only for a width and holds here, or the base where none
   * does. Those that ask for a height, an orientation or a pointer hold across bands and have none of their own.
   */
  readonly home: At;
}

export interface BreakpointSet {
  readonly breakpoints: readonly Breakpoint[];
  readonly baseName: string;
}

const memo = new WeakMap<BreakpointSet, { slice: Slice; bands: readonly Band[] }[]>();

const sameSlice = (a: Slice, b: Slice): boolean =>
  a === b || (a.height === b.height && Object.values(wholeReader(a)).join() === Object.values(wholeReader(b)).join());

/**
 * The bands of a set at one height and pointer, narrowest first; together they cover every width from 0 up without
 * gap or overlap.
 */
export function bandsOf(set: BreakpointSet, slice: Slice = DEFAULT_SLICE): readonly Band[] {
  const known = memo.get(set) ?? [];
  const found = known.find((one) => sameSlice(one.slice, slice));
  if (found) return found.bands;
  const bands = cut(set, slice);
  memo.set(set, [...known.slice(-20), { slice, bands }]);
  return bands;
}

function cut(set: BreakpointSet, slice: Slice): Band[] {
  const placed = set.breakpoints.map((breakpoint) => ({ breakpoint, interval: conditionInterval(breakpoint.condition, slice) }));
  const edges = new Set(placed.flatMap(({ interval }) => [interval.from, interval.below]));
  const inner = [...edges].filter((edge) => edge > 0 && edge < Infinity).sort((a, b) => a - b);
  return [0, ...inner].map((from, index): Band => {
    const below = inner[index] ?? Infinity;
    const holding = placed.filter(({ interval }) => interval.from <= from && from < interval.below);
    const strongest = holding.findLast(({ breakpoint }) => isWidthOnly(breakpoint.condition))?.breakpoint;
    return {
      from,
      below,
      name: nameOf(
        set,
        holding.map(({ breakpoint }) => breakpoint),
        from,
        below,
      ),
      holds: holding.map(({ breakpoint }) => breakpoint.id),
      home: strongest ? strongest.id : BASE,
    };
  });
}

/**
 * A band is called after the breakpoint at whose edge it begins or ends, between overlapping ones after both; and
 * after those that hold for another reason than the width.
 */
function nameOf(set: BreakpointSet, holding: readonly Breakpoint[], from: number, below: number): string {
  const byWidth = holding.filter(({ condition }) => isWidthOnly(condition));
  const atEdge = byWidth.filter(({ condition }) =>
    condition.below !== undefined ? condition.below === below : condition.from === from,
  );
  const named = (atEdge.length > 0 ? atEdge : byWidth.slice(-1)).map(({ name }) => name);
  const across = holding.filter(({ condition }) => !isWidthOnly(condition)).map(({ name }) => name);
  return [...(named.length > 0 ? named : [set.baseName]), ...across].join(' and ');
}

export function bandAt(set: BreakpointSet, width: number, slice: Slice = DEFAULT_SLICE): Band {
  const bands = bandsOf(set, slice);
  return bands.find((band) => width < band.below) ?? bands[bands.length - 1]!;
}

/** "600 to 899", in whole px, as shown to people. */
export function describeInterval({ from, below }: Interval): string {
  const first = Math.ceil(from);
  if (below === Infinity) return first <= 0 ? 'all widths' : `${first} and wider`;
  const last = Math.ceil(below) - 1;
  if (first <= 0) return `${last} and narrower`;
  return first === last ? `${first}` : `${first} to ${last}`;
}
