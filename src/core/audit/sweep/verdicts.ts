import type { PageFacts } from '../facts';
import type { Judged } from '../judge';
import { isNear, Kind, NearTrace, Trace } from '../trace';

/** A check with its numbers, or all that is asked for one height. */
export interface Judge {
  readonly judge: (facts: PageFacts) => readonly Judged[];
  /** Whether it goes by nothing but the window and the column grid, which doesn't move evenly, so that it is asked at every width. */
  readonly eachWidth?: (facts: PageFacts) => boolean;
  /** Whether it goes by styles and by what shows alone here, but for what it notes. */
  readonly byStyles?: (facts: PageFacts) => boolean;
}

/** What a judge says of one viewport, and the part of a trace that it left. */
export interface Verdict {
  readonly found: readonly Judged[];
  readonly trace: Trace;
  readonly start: number;
  readonly end: number;
}

/** The verdicts of all judges on one viewport, to be compared with those on another. */
export const verdictsOn = (judges: readonly Judge[], facts: PageFacts, room?: number): Verdict[] =>
  traced(judges, facts, new Trace(room));

/** The same for themselves: what is noted are only the numbers that are near to their limits. */
export const verdictsAlone = (judges: readonly Judge[], facts: PageFacts): Verdict[] => traced(judges, facts, new NearTrace());

function traced(judges: readonly Judge[], facts: PageFacts, trace: Trace): Verdict[] {
  const noting = { ...facts, trace };
  return judges.map(({ judge }) => {
    const start = trace.length;
    const found = judge(noting);
    return { found, trace, start, end: trace.length };
  });
}

/** What a judge says between two viewports is forgotten when all is told of those, so that its trace is written over. */
const scratch = new Trace();

/** By how much a trace may be longer than the one before without being copied. */
export const SPARE = 64;

/** Margins that differ by less are the same number: additions of the same terms in another order. */
const SAME = 1e-6;

/** Where two viewports parted, and the width at which; undefined where they went the same way. */
function parting(x: Verdict, y: Verdict, from: number, to: number): number | undefined {
  const [a, b] = [x.trace, y.trace];
  const shift = y.start - x.start;
  const both = Math.min(x.end, y.end - shift);
  for (let i = x.start; i < both; i++) {
    const [p, q] = [a.margins[i]!, b.margins[i + shift]!];
    if (a.kinds[i] !== b.kinds[i + shift]) return (from + to) / 2;
    if (a.kinds[i] === Kind.same ? p === q : p > 0 === q > 0) continue;
    if (a.kinds[i] === Kind.pick && Math.abs(p) < SAME && Math.abs(q) < SAME) continue;
    return a.kinds[i] === Kind.curved || a.kinds[i] === Kind.same ? (from + to) / 2 : from + ((to - from) * p) / (p - q);
  }
  return x.end - x.start === y.end - y.start ? undefined : (from + to) / 2;
}

const sameFound = (a: readonly Judged[], b: readonly Judged[]) =>
  a.length === b.length &&
  a.every(({ check, violation }, i) => check === b[i]!.check && violation.element === b[i]!.violation.element);

const isSame = (x: Judged['violation'], y: Judged['violation']) =>
  x.amount === y.amount && Object.keys(x.measured).every((name) => x.measured[name] === y.measured[name]);

/** Whether the same was found, by the same numbers. */
export const isSameSaid = (a: readonly Judged[], b: readonly Judged[]): boolean =>
  sameFound(a, b) &&
  a.every(({ violation: { amount, measured, others } }, i) => {
    const other = b[i]!.violation;
    return (
      Math.abs(amount - other.amount) < SAME &&
      Object.entries(measured).every(([name, value]) => Math.abs(value - (other.measured[name] ?? Infinity)) < SAME) &&
      others.every((one, at) => one === other.others[at])
    );
  });

/** Whether a judge found the same on two viewports, by the same numbers. */
export function isSameVerdict(x: Verdict, y: Verdict): boolean {
  if (x.end - x.start !== y.end - y.start || !isSameSaid(x.found, y.found)) return false;
  const shift = y.start - x.start;
  for (let i = x.start; i < x.end; i++)
    if (x.trace.kinds[i] !== y.trace.kinds[i + shift] || Math.abs(x.trace.margins[i]! - y.trace.margins[i + shift]!) >= SAME)
      return false;
  return true;
}

/** A verdict between two of the same kind, at a share of the way. */
function mixed(a: readonly Judged[], b: readonly Judged[], share: number): readonly Judged[] {
  const mix = (x: number, y: number) => {
    const value = x + (y - x) * share;
    return Number.isInteger(x) && Number.isInteger(y) ? Math.round(value) : value;
  };
  return a.map((one, i) => {
    const [x, y] = [one.violation, b[i]!.violation];
    if (isSame(x, y)) return one;
    const measured = Object.fromEntries(
      Object.entries(x.measured).map(([name, value]) => [name, mix(value, y.measured[name] ?? value)]),
    );
    return { ...one, violation: { ...x, amount: mix(x.amount, y.amount), measured } };
  });
}

/** Shares of the way between two viewports in which a number is nearer to its limit than it is known. */
function nearBetween(x: number, y: number, slack: number): readonly [number, number] | undefined {
  if (Math.abs(x) > slack && Math.abs(y) > slack) return undefined;
  const at = (value: number) => (value - x) / (y - x);
  const [one, other] = [at(slack), at(-slack)];
  return [Math.min(one, other), Math.max(one, other)];
}

/** Whether a parabola through the margins at both ends and in the middle keeps away from 0. */
function curveKeepsAway(x: number, middle: number, y: number, slack: number): boolean {
  const bend = 2 * (x + y - 2 * middle);
  const slope = y - x - bend;
  const turn = -slope / (2 * bend);
  const values = [x, middle, y, ...(turn > 0 && turn < 1 ? [x + slope * turn + bend * turn * turn] : [])];
  return values.every((value) => value > slack) || values.every((value) => value < -slack);
}

/** What is told of the widths strictly between two. */
export interface Telling {
  /** Facts at a width, worked out. Those of an earlier call are overwritten. */
  readonly at: (width: number) => PageFacts;
  readonly tell: (width: number, found: readonly Judged[]) => void;
  /** It can't be told without measuring. */
  readonly doubt: (width: number, judge: Judge) => void;
  /** Whether a verdict on worked-out facts could be another on measured ones, by what was said at both ends. */
  readonly isDoubtful: (judge: Judge, verdict: Verdict, ends: readonly Verdict[]) => boolean;
}

/** A judge's verdict on worked-out facts, told or doubted. */
function tellOne(judge: Judge, width: number, telling: Telling, ends?: readonly Verdict[]): Verdict {
  const [verdict] = traced([judge], telling.at(width), scratch);
  const isNearly = scratch.isDoubtful(verdict!.start, verdict!.end);
  if (isNearly && (!ends || telling.isDoubtful(judge, verdict!, ends))) telling.doubt(width, judge);
  else telling.tell(width, verdict!.found);
  return verdict!;
}

/** The verdicts of judges that are asked at every width strictly between two. */
export function verdictsAtEach(judges: readonly Judge[], from: number, to: number, telling: Telling): void {
  if (judges.length > 0)
    for (let width = from + 1; width < to; width++)
      for (const judge of judges) {
        scratch.length = 0;
        tellOne(judge, width, telling);
      }
}

/**
 * A judge's verdicts at all whole widths strictly between two, where everything on the page moves evenly. Where both ends went
 * the same way through the check, all widths between do; where they parted, the width follows from the number that did.
 */
export function verdictsBetween(judge: Judge, from: number, first: Verdict, to: number, last: Verdict, telling: Telling): void {
  scratch.length = 0;
  const one = (width: number) => tellOne(judge, width, telling, [first, last]);
  const parts: [number, Verdict, number, Verdict][] = [[from, first, to, last]];
  while (parts.length > 0) between(...parts.pop()!);

  function cut(a: number, x: Verdict, place: number, b: number, y: Verdict): void {
    const low = Math.min(b - 1, Math.max(a, Math.floor(place)));
    const left = low > a ? one(low) : x;
    const right = low + 1 < b ? one(low + 1) : y;
    parts.push([low + 1, right, b, y], [a, x, low, left]);
  }

  function between(a: number, x: Verdict, b: number, y: Verdict): void {
    if (b - a < 2) return;
    const place = parting(x, y, a, b);
    if (place !== undefined || !sameFound(x.found, y.found)) return cut(a, x, place ?? (a + b) / 2, b, y);
    const doubts = doubtsBetween(a, x, b, y);
    if (!doubts) return cut(a, x, (a + b) / 2, b, y);
    for (let width = a + 1; width < b; width++) {
      const share = (width - a) / (b - a);
      if (doubts.some(([begin, end]) => share >= begin && share <= end)) telling.doubt(width, judge);
      else telling.tell(width, x.found.length === 0 ? x.found : mixed(x.found, y.found, share));
    }
  }

  /** Shares of the way that are in doubt; undefined where it has to be looked at more closely. */
  function doubtsBetween(a: number, x: Verdict, b: number, y: Verdict): (readonly [number, number])[] | undefined {
    const doubts: (readonly [number, number])[] = [];
    const { kinds, margins, slacks } = x.trace;
    const shift = y.start - x.start;
    let middle: Verdict | undefined;
    for (let i = x.start; i < x.end; i++) {
      const kind = kinds[i];
      if (kind === Kind.turn || kind === Kind.pick || kind === Kind.same) continue;
      if (kind === Kind.unknown) return [[0, 1]];
      const [p, q] = [margins[i]!, y.trace.margins[i + shift]!];
      const slack = slacks[i]!;
      if (kind === Kind.curved) {
        middle ??= traced([judge], telling.at((a + b) / 2), scratch)[0]!;
        if (middle.end - middle.start !== x.end - x.start) return undefined;
        const at = i - x.start + middle.start;
        const between = scratch.margins[at]!;
        if (Math.abs(p - q) < SAME && Math.abs(p - between) < SAME) continue;
        // At measured ends nothing is in doubt, so that it isn't known there what may be off between. What is so in the middle is
        // no more than twice as much anywhere.
        const off = Math.min(slack, 2 * scratch.slacks[at]!);
        if (!curveKeepsAway(p, between, q, off)) return undefined;
      } else if (isNear(x.trace, i) || isNear(y.trace, i + shift)) {
        if (Math.abs(p - q) < SAME) continue;
        const near = nearBetween(p, q, slack);
        if (near) doubts.push(near);
      }
    }
    return doubts;
  }
}
