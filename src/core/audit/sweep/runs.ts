import type { PageFacts } from '../facts';
import { bendIn } from './bend';
import { crossings } from './crossings';
import { looksBy, shownBy, unseenIn } from './looks';
import { scrollHint } from './scroll-hint';
import { boxHint, wrapHint } from './wrap-hint';
import { isSized, onTheLine, sameArrangement, scrollsDown } from './straight';
import type { Straight } from './straight';

/** Widths that were measured, ascending, between which everything moves evenly. */
export interface Run {
  readonly widths: readonly number[];
  readonly straight: Straight;
}

/** So many widths on each side of a change it is looked whether it is one for good. */
const WAVERS = 2;
/** Runs up to this many px are looked into once only. */
const SHORT = 8;

const isAlike = (a: PageFacts, b: PageFacts): boolean => sameArrangement(a, b) && scrollsDown(a) === scrollsDown(b);

/** Where to look for a change of the arrangement: at both sides of where sideways scrolling seems to end or a text to need another line, or in the middle. */
function changes(a: PageFacts, b: PageFacts): number[] {
  const hint = scrollHint([a, b]) ?? wrapHint(a, b) ?? boxHint(a, b);
  return hint === undefined ? [Math.round((a.viewport.width + b.viewport.width) / 2)] : [hint - 1, hint];
}

/**
 * Divides what lies between two widths into runs in which everything moves evenly, by measuring as few as it takes. Where the
 * arrangement changes from one whole px to the next, one run ends and another begins.
 * @param measured lays the page out, or says what is known of it
 * @param random says where to look, from 0 to below 1
 * @param outer widths next to them, if there are any: where type grows, what changes from there may go back and forth in here
 */
export function* runsBetween(
  first: number,
  last: number,
  measured: (width: number) => PageFacts,
  random: () => number,
  outer = { first, last },
): Generator<undefined, Run[]> {
  const points = new Set([first, last]);
  const sorted = () => [...points].sort((a, b) => a - b);
  function* measure(width: number): Generator<undefined, PageFacts> {
    points.add(width);
    const facts = measured(width);
    yield;
    return facts;
  }
  /** Finds where the arrangement changes, and where a condition on a container begins. */
  function* part(from: number, to: number): Generator<undefined, void> {
    if (to - from < 2) return;
    const [a, b] = [measured(from), measured(to)];
    const alike = isAlike(a, b);
    const cuts = alike ? crossings(a, b) : changes(a, b);
    let before = from;
    for (const cut of cuts) yield* measure(cut);
    if (cuts.length === 0) return;
    for (const cut of [...cuts, to]) {
      yield* part(before, cut);
      before = cut;
    }
  }
  const runs: Run[] = [];
  /** Whether what lies between two measured widths runs straight; else it is divided once more. */
  function* straighten(from: number, to: number): Generator<undefined, void> {
    const inside = () => sorted().filter((width) => width > from && width < to);
    const wanted = to - from < 2 ? 0 : to - from <= SHORT ? 1 : 2;
    for (const look of looksBy(random)) {
      if (shownBy(inside(), from, to) >= wanted) break;
      yield* measure(Math.min(to - 1, from + Math.max(1, Math.round((to - from) * look))));
    }
    const unseen = unseenIn(inside(), from, to, random);
    if (unseen !== undefined) yield* measure(unseen);
    const [a, b] = [measured(from), measured(to)];
    let loose: Uint8Array | undefined;
    for (const width of inside()) {
      const straight = isAlike(a, measured(width)) ? onTheLine(a, measured(width), b) : undefined;
      // Something happens in between after all, which neither of the ends shows.
      if (!straight) return yield* cut(from, to, inside());
      loose = loose ? loose.map((one, i) => one | straight.loose[i]!) : straight.loose;
    }
    runs.push({ widths: [from, ...inside(), to], straight: { loose: loose ?? new Uint8Array(a.elements.length) } });
  }
  /** Divides what doesn't run straight: at its bend, where it has one. */
  function* cut(from: number, to: number, inside: readonly number[]): Generator<undefined, void> {
    const all = [from, ...inside, to].map(measured);
    const bend = all.every((one) => isAlike(all[0]!, one)) ? bendIn(all) : undefined;
    if (bend && 'look' in bend) {
      yield* measure(bend.look);
      return yield* straighten(from, to);
    }
    const middle = inside.toSorted((x, y) => Math.abs(x - (from + to) / 2) - Math.abs(y - (from + to) / 2))[0]!;
    const places = bend?.at.filter((width) => width > from && width < to) ?? [];
    let before = from;
    for (const place of places.length > 0 ? places : [middle]) {
      yield* measure(place);
      yield* divide(before, place);
      before = place;
    }
    yield* divide(before, to);
  }
  /** Widths next to where the arrangement changes and type grows: both are rounded, and a text may go back and forth before it stays. */
  function* wavering(from: number, to: number): Generator<undefined, number[]> {
    if (!isSized(measured(from), measured(to))) return [];
    const [low, high] = [from === first ? outer.first : from, to === last ? outer.last : to];
    for (const width of [low, high]) {
      measured(width);
      yield;
    }
    const inside = sorted().filter((width) => width >= from && width <= to);
    const within = [...new Set([low, ...inside, high])];
    const found = within.flatMap((here, i) => {
      const before = within[i - 1];
      if (before === undefined || here - before !== 1 || !isSized(measured(before), measured(here))) return [];
      if (isAlike(measured(before), measured(here))) return [];
      return Array.from({ length: WAVERS }, (_, more) => [before - more - 1, here + more + 1]).flat();
    });
    return [...new Set(found)].filter((width) => width > from && width < to && !points.has(width)).sort((a, b) => a - b);
  }
  function* divide(from: number, to: number): Generator<undefined, void> {
    for (let looked: number[] | undefined; looked === undefined || looked.length > 0;) {
      const within = sorted().filter((width) => width >= from && width <= to);
      for (let i = 1; i < within.length; i++) yield* part(within[i - 1]!, within[i]!);
      looked = yield* wavering(from, to);
      for (const width of looked) yield* measure(width);
    }
    // Neighbours that are alike belong to one run.
    const all = sorted().filter((width) => width >= from && width <= to);
    let begin = from;
    for (let i = 1; i < all.length; i++) {
      const [before, here] = [all[i - 1]!, all[i]!];
      const parted =
        here - before === 1 && (!isAlike(measured(before), measured(here)) || parts(measured(before), measured(here)));
      if (!parted) continue;
      yield* straighten(begin, before);
      begin = here;
    }
    yield* straighten(begin, to);
  }
  yield* measure(first);
  yield* measure(last);
  yield* divide(first, last);
  return runs;
}

/** Whether a condition on a container begins or ends between two neighbours. */
const parts = (a: PageFacts, b: PageFacts): boolean =>
  a.gaps?.some((gap, i) => gap > 0 !== b.gaps![i]! > 0 || (gap === 0) !== (b.gaps![i] === 0)) ?? false;
