import type { PageFacts } from '../facts';
import type { Straight } from './between';
import { between, onTheLine, sameArrangement } from './between';
import type { WidthResult } from './ledger';

/** The longest stretch of widths, px, that is taken on the word of a few measured ones in it. */
const LONGEST = 128;
/** Where in a stretch it is looked whether it runs straight. Not in its middle, and not at places that mirror. */
const FIRST_LOOK = 0.44;
const SECOND_LOOK = 0.77;
/** Stretches up to this many px are looked into once only. */
const SHORT = 24;

export interface Sweep {
  /** Whole px, ascending. */
  readonly widths: readonly number[];
  /** Widths at which a condition may begin or end: the first whole px of the new band. */
  readonly edges: readonly number[];
  /** Stretches nearer to this width come first. */
  readonly near: number;
  /** Lays the page out and reads it. Dear. */
  readonly measure: (width: number) => PageFacts;
  /** All that is wrong, by the checks that are asked. */
  readonly judge: (facts: PageFacts) => WidthResult['violations'];
  /** The page's own column grid; it follows the width by rules of its own. */
  readonly columns?: (width: number) => PageFacts['columns'];
}

export interface SweptPart {
  readonly results: readonly WidthResult[];
  /** How many layouts it took. */
  readonly layouts: number;
}

interface Stretch {
  readonly first: number;
  readonly last: number;
  /** The widest width of the band it lies in. */
  readonly top: number;
}

/** Runs of neighbouring widths inside one band, none longer than a limit, the nearest first. */
function stretchesOf({ widths, edges, near }: Pick<Sweep, 'widths' | 'edges' | 'near'>, widest: number): Stretch[] {
  const begins = [...new Set(edges)].sort((a, b) => a - b);
  const topOf = (width: number) => Math.min(widest, (begins.find((edge) => edge > width) ?? Infinity) - 1);
  const runs: { first: number; last: number; top: number }[] = [];
  for (const width of widths) {
    const run = runs[runs.length - 1];
    if (run && width === run.last + 1 && width <= run.top) run.last = width;
    else runs.push({ first: width, last: width, top: topOf(width) });
  }
  const stretches = runs.flatMap(({ first, last, top }) => {
    const parts = Math.ceil((last - first + 1) / LONGEST);
    const at = (part: number) => Math.round(first + ((last - first) * part) / parts);
    // Neighbours share the width between them, so that it is measured once.
    return Array.from({ length: parts }, (_, part) => ({ first: at(part), last: at(part + 1), top }));
  });
  const distance = ({ first, last }: Stretch) => Math.max(first - near, near - last, 0);
  return stretches.sort((a, b) => distance(a) - distance(b) || a.first - b.first);
}

/**
 * Decides what is wrong at every width asked for. What it says of a width that wasn't measured is worked out from two
 * measured ones around it, where three or four agree that everything between them moves evenly; and where a check met
 * a number too close to its limit, the width is measured after all. So the results are those of measuring every width.
 */
export function* sweepExactly(sweep: Sweep, widest: number): Generator<SweptPart> {
  const known = new Map<number, PageFacts>();
  const judged = new Map<number, WidthResult>();
  const edges = new Set(sweep.edges);
  let layouts = 0;
  const measured = (width: number) => {
    let facts = known.get(width);
    if (!facts) {
      facts = sweep.measure(width);
      known.set(width, facts);
      layouts++;
    }
    return facts;
  };
  const decide = (width: number, facts: PageFacts, bandTop: PageFacts): WidthResult => {
    const columns = sweep.columns?.(width);
    const violations = sweep.judge({ ...facts, columns, bandTop });
    const atEdge = edges.has(width) || edges.has(width + 1);
    return { width, violations, ...(atEdge && { sizes: sizesOf(facts) }) };
  };
  for (const { first, last, top } of stretchesOf(sweep, widest)) {
    let results: WidthResult[] = [];
    /** After each layout and each width judged, since of thousands of elements either takes long. */
    const soFar = (): SweptPart => {
      const part = { results, layouts };
      results = [];
      layouts = 0;
      return part;
    };
    const bandTop = measured(top);
    yield soFar();
    const settle = (width: number) => {
      if (judged.has(width)) return;
      const result = decide(width, measured(width), bandTop);
      judged.set(width, result);
      results.push(result);
    };
    function* fill(from: number, to: number, straight: Straight): Generator<SweptPart> {
      const at = between(measured(from), measured(to), straight);
      for (let width = from + 1; width < to; width++) {
        if (judged.has(width)) continue;
        const facts = at(width);
        const result = decide(width, facts, bandTop);
        if (facts.doubt!.near) settle(width);
        else {
          judged.set(width, result);
          results.push(result);
        }
        yield soFar();
      }
    }
    const straightBetween = (from: number, look: number, to: number) =>
      sameArrangement(measured(from), measured(to)) && sameArrangement(measured(from), measured(look))
        ? onTheLine(measured(from), measured(look), measured(to))
        : undefined;
    const parts: [number, number][] = [[first, last]];
    while (parts.length > 0) {
      const [from, to] = parts.pop()!;
      settle(from);
      yield soFar();
      settle(to);
      yield soFar();
      if (to - from < 2) continue;
      const look = from + Math.max(1, Math.round((to - from) * FIRST_LOOK));
      settle(look);
      yield soFar();
      let straight = straightBetween(from, look, to);
      if (!straight) {
        parts.push([look, to], [from, look]);
        continue;
      }
      if (to - from > SHORT) {
        const second = from + Math.round((to - from) * SECOND_LOOK);
        settle(second);
        yield soFar();
        const again = straightBetween(from, second, to);
        if (!again) {
          parts.push([second, to], [look, second], [from, look]);
          continue;
        }
        straight = { loose: straight.loose.map((one, i) => one | again.loose[i]!) };
      }
      yield* fill(from, to, straight);
    }
    // Only shared ends are asked for again.
    for (const width of known.keys()) if (width > first && width < last && width !== top) known.delete(width);
  }
}

/** The sizes of all type that shows, px, to compare on both sides of an edge. */
export function sizesOf(facts: PageFacts): Record<string, number> {
  const sizes: Record<string, number> = {};
  facts.lines.forEach((lines, i) => {
    if (lines.length > 0) sizes[facts.elements[i]!.id] = facts.fontSize[i]!;
  });
  return sizes;
}
