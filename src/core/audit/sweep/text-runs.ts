import type { Off, PageFacts } from '../facts';
import { Level } from '../facts';
import type { Typesetter } from '../typeset/typesetter';
import type { LineStarts, Starts } from '../typeset/line-starts';
import { SLACK } from '../readers';
import { bendIn } from './bend';
import { crossings } from './crossings';
import { disagreement, farthestOff } from './disagreement';
import { looksBy, SEEN, shownBy, unseenIn } from './looks';
import type { TextRuns } from './runs-of-texts';
import { runsOf } from './runs-of-texts';
import { scrollHint } from './scroll-hint';
import { boxHint, wrapHint } from './wrap-hint';

/** A part of a stretch, and how its texts run; undefined where they aren't worked out. */
export interface TextPart {
  readonly from: number;
  readonly to: number;
  /** Yields nothing after a layout. */
  readonly runs: (() => TextRuns) | undefined;
}

/**
 * Where all is as it was worked out it may still be off by so much beside it, px: boxes in boxes are rounded to 1/64 px across, each by itself.
 * Below each other they are added up.
 */
const ROUNDED: Off = { across: 1 / 8, down: 1 / 16 };
/** Browsers round boxes that are a third of the window otherwise at each of so many neighbouring widths: it is looked at each. */
const THIRDS = 3;
/** With fewer widths that aren't known it isn't worth while to measure others for them. */
const FEW = 4;
/** Parts no wider, px, are looked at once only. */
const SHORT = 16;
/** Where more than this share of the widths of a part aren't known, it is left to be measured. */
const UNKNOWN_MOST = 0.3;

/**
 * Works out how texts run between two measured widths. Where boxes stop growing, and where what was worked out isn't so at a width that is
 * looked at, the part is divided.
 * @param measured lays the page out, or says what is known of it
 * @param random says where to look, from 0 to below 1
 */
export function* textParts(
  first: number,
  last: number,
  measured: (width: number) => PageFacts,
  typesetter: Typesetter,
  random: () => number,
): Generator<undefined, TextPart[]> {
  const parts: TextPart[] = [];
  const points = new Set([first, last]);
  const across = acrossOnly(measured(first));
  function* measure(width: number): Generator<undefined, void> {
    points.add(width);
    measured(width);
    yield;
  }
  const insideOf = (from: number, to: number) => [...points].filter((width) => width > from && width < to).sort((a, b) => a - b);
  /** What was measured between two widths, and enough of it. */
  function* looksIn(from: number, to: number): Generator<undefined, number[]> {
    const inside = () => insideOf(from, to);
    for (const [i, look] of looksBy(random).entries()) {
      if (shownBy(inside(), from, to) >= (to - from <= SHORT ? 1 : 2)) break;
      const near = Math.round((to - from) * look);
      yield* measure(Math.min(to - 1, from + Math.max(1, near - (near % THIRDS) + i + 1)));
    }
    const unseen = unseenIn(inside(), from, to, random);
    if (unseen !== undefined) yield* measure(unseen);
    return inside();
  }
  function* divide(from: number, to: number, places: readonly number[]): Generator<undefined, void> {
    let before = from;
    for (const place of places) {
      yield* measure(place);
      yield* part(before, place);
      before = place;
    }
    yield* part(before, to);
  }
  /** The neighbouring widths between which something turns: where a text needs another line or sideways scrolling ends, if that can be told, else by halving. */
  function* turnBetween(from: number, to: number, isLikeFirst: (facts: PageFacts) => boolean): Generator<undefined, number[]> {
    const ends = [measured(from), measured(to)] as const;
    const hint = scrollHint(ends, 0) ?? wrapHint(...ends, (element) => typesetter.isUnread(element)) ?? boxHint(...ends);
    const guesses = hint === undefined ? [] : [hint - 1, hint];
    const known = [...insideOf(from, to), to];
    const turned = known.findIndex((width) => !isLikeFirst(measured(width)));
    let [low, high] = [known[turned - 1] ?? from, known[turned]!];
    while (high - low > 1) {
      const guess = guesses.shift() ?? (low + high) >> 1;
      if (guess <= low || guess >= high) continue;
      yield* measure(guess);
      if (isLikeFirst(measured(guess))) low = guess;
      else high = guess;
    }
    return [low, high].filter((width) => width > from && width < to);
  }
  function* part(from: number, to: number): Generator<undefined, void> {
    const asMeasured = () => void parts.push({ from, to, runs: undefined });
    if (to - from < 2) return asMeasured();
    const between = typesetter.between(measured(from), measured(to));
    const isLikeFirst = between ? undefined : typesetter.parting(measured(from), measured(to));
    if (isLikeFirst) return yield* divide(from, to, yield* turnBetween(from, to, isLikeFirst));
    if (!between && to - from <= SHORT) return asMeasured();
    // Between two of them a condition may hold that does at neither end.
    const cuts = between ? crossings(measured(from), measured(to)) : [];
    if (cuts.length > 0) return yield* divide(from, to, cuts);
    let inside = yield* looksIn(from, to);
    const bend = bendIn([from, ...inside, to].map(measured), across);
    if (bend && 'look' in bend) {
      yield* measure(bend.look);
      return yield* part(from, to);
    }
    const places = bend?.at.filter((width) => width > from && width < to) ?? [];
    if (places.length > 0) return yield* divide(from, to, places);
    if (!between) return yield* divide(from, to, inside.slice(0, 1));
    let [starts, unknown]: [(Starts | undefined)[], number] = [[], 0];
    let lines: LineStarts;
    for (let lacks: number | undefined = from; lacks !== undefined; inside = insideOf(from, to)) {
      if (lacks > from) yield* measure(lacks);
      const shares = typesetter.sharesOf([from, ...insideOf(from, to), to].map(measured));
      lines = between.lineStarts(shares);
      starts = lines.all();
      unknown = starts.filter((one) => !one).length;
      lacks = unknown > FEW ? shares.lacks : undefined;
    }
    if (unknown > (to - from) * UNKNOWN_MOST) return asMeasured();
    let known = 0;
    let seen: Off = { across: 0, down: 0 };
    for (const look of inside) {
      const begin = starts[look - from];
      const worked = begin && between.factsAt(look, begin);
      if (!worked) continue;
      known++;
      if (disagreement(worked, measured(look), SEEN)) return yield* divide(from, to, [look]);
      const off = farthestOff(worked, measured(look));
      seen = { across: Math.max(seen.across, off.across), down: Math.max(seen.down, off.down) };
    }
    // What is learned of the lines where it was looked may be all that lacks.
    if (known === 0) return to - from > SHORT * 2 ? yield* divide(from, to, [inside[inside.length >> 1]!]) : asMeasured();
    const within = (side: keyof Off) => Math.min(SLACK, seen[side] / SEEN + ROUNDED[side]);
    if (known > 1) between.isWithin({ across: within('across'), down: within('down') });
    parts.push({ from, to, runs: () => runsOf(from, to, lines, starts, between, measured) });
  }
  yield* part(first, last);
  return parts;
}

/** The sides of boxes that don't move where words go from line to line. */
function acrossOnly({ level, elements }: PageFacts): (index: number) => boolean {
  const stands = new Uint8Array(elements.length);
  elements.forEach(({ parent }, i) => (stands[i] = level[i] === Level.block && (parent < 0 || stands[parent]) ? 1 : 0));
  return (index) => index % 2 === 0 && stands[index >> 2] === 1;
}
