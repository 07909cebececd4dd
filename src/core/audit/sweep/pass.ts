import type { PageFacts } from '../facts';
import { Deciding } from './deciding';
import { Judging } from './judging';
import { Progress } from './progress';
import { runsBetween } from './runs';
import type { Straight } from './straight';
import type { TextRun, TextRuns } from './runs-of-texts';
import { Spots } from './spots';
import type { TextPart } from './text-runs';
import { textParts } from './text-runs';
import type { Typesetting } from '../typeset/paragraph';
import { Typesetter } from '../typeset/typesetter';
import { chance } from './chance';
import type { Stretch } from './stretches';
import type { Sweep, SweptPart, WrongWidth } from './sweep';
import { ToldRun } from './told-run';

/** So many widths in doubt where words may go from line to line, and it is worked out where they do. */
const DOUBTS_MOST = 8;

/** One sweep, with what it has measured so far. */
export class Pass {
  everyWidth: boolean;
  readonly #progress: Progress;
  readonly #random: () => number;
  readonly #spots: Spots;
  readonly #judging: Judging;
  readonly #deciding: Deciding;
  readonly #typesetters = new Map<Typesetting, Typesetter>();

  constructor(
    private readonly sweep: Sweep,
    private readonly widest: number,
  ) {
    this.everyWidth = sweep.everyWidth ?? false;
    this.#judging = new Judging(sweep);
    this.#progress = new Progress(sweep);
    this.#random = chance(sweep.widths.length + (sweep.widths[0] ?? 0));
    this.#spots = new Spots(this.#progress.known, this.#random);
    this.#deciding = new Deciding(sweep, this.#progress, this.#judging, this.#spots, this.#random);
  }

  *measureAll({ first, last, top }: Stretch): Generator<SweptPart> {
    const bandTop = this.#progress.measured(top);
    for (let width = first; width <= last; width++) {
      if (this.#progress.told.has(width)) continue;
      const facts = this.#judging.asJudged(this.#progress.measured(width), width, bandTop);
      this.#progress.tell(
        width,
        this.sweep.judges.flatMap(({ judge }) => judge(facts)),
      );
      yield this.#progress.soFar();
      if (width > first && width < last && width !== top) this.#progress.known.delete(width);
    }
  }

  *decide({ first, last, top }: Stretch): Generator<SweptPart> {
    const bandTop = this.#progress.measured(top);
    yield this.#progress.soFar();
    const wrong = yield* this.#decideStretch(first, last, bandTop);
    if (wrong) {
      this.everyWidth = true;
      this.#progress.told.clear();
      return yield this.#progress.soFar(wrong);
    }
    yield this.#progress.soFar();
    // Only shared ends are asked for again.
    for (const width of this.#progress.known.keys()) if (width > first && width < last && width !== top) this.#forget(width);
  }

  *#decideStretch(first: number, last: number, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    const byStyles = yield* this.#deciding.decideByStyles(first, last, bandTop);
    if (byStyles) return byStyles.wrong;
    for (const part of yield* this.#partsOf(first, last)) {
      const wrong = part.runs
        ? yield* this.#decideTexts(part.from, part.to, part.runs(), bandTop)
        : yield* this.#decidePart(part.from, part.to, bandTop);
      if (wrong) return wrong;
    }
    return undefined;
  }

  #forget(width: number): void {
    this.#progress.known.delete(width);
    for (const one of this.#typesetters.values()) one.forget(width);
  }

  /** Where a text stands on another number of lines at both ends, all lines are worked out. */
  *#partsOf(first: number, last: number): Generator<SweptPart, readonly TextPart[]> {
    const a = this.#progress.measured(first);
    yield this.#progress.soFar();
    const b = this.#progress.measured(last);
    yield this.#progress.soFar();
    const isOtherwise = a.lines.some((own, i) => own.length !== b.lines[i]!.length);
    const typesetter = isOtherwise ? this.#typesetterFor(a) : undefined;
    if (!typesetter) return [{ from: first, to: last, runs: undefined }];
    return yield* this.#telling(textParts(first, last, (width) => this.#progress.measured(width), typesetter, this.#random));
  }

  #typesetterFor(facts: PageFacts): Typesetter | undefined {
    const set = facts.typesetting?.();
    if (!set) return undefined;
    let typesetter = this.#typesetters.get(set);
    if (!typesetter) this.#typesetters.set(set, (typesetter = new Typesetter(set, (i) => facts.elements[i]!.parent)));
    return typesetter;
  }

  /** A run in which words may go from line to line, by where they do; undefined where that isn't known of all of it. */
  *#byTexts(from: number, to: number, first: PageFacts): Generator<SweptPart, TextRuns | undefined> {
    const typesetter = this.#typesetterFor(first);
    if (!typesetter) return undefined;
    const parts = yield* this.#telling(textParts(from, to, (width) => this.#progress.measured(width), typesetter, this.#random));
    return parts.length === 1 ? parts[0]!.runs?.() : undefined;
  }

  *#telling<T>(steps: Generator<undefined, T>): Generator<SweptPart, T> {
    for (;;) {
      const { value, done } = steps.next();
      yield this.#progress.soFar();
      if (done) return value as T;
    }
  }

  *#decidePart(first: number, last: number, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    const { widths } = this.sweep;
    const outer = { first: Math.max(widths[0]!, first - 1), last: Math.min(widths[widths.length - 1]!, last + 1) };
    const runs = yield* this.#telling(runsBetween(first, last, (width) => this.#progress.measured(width), this.#random, outer));
    this.#spots.draw(first, last);
    for (const { widths, straight } of runs) {
      const [from, to] = [widths[0]!, widths[widths.length - 1]!];
      const run = { from, to, first: this.#progress.measured(from), last: this.#progress.measured(to) };
      const wrong = yield* this.#decideRun(run, straight, bandTop, true);
      if (wrong) return wrong;
    }
    return undefined;
  }

  *#decideTexts(from: number, to: number, runs: TextRuns, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    this.#spots.draw(from, to);
    for (const end of [to, from])
      if (!this.#judging.hasMet(end)) this.#judging.on(end, this.#progress.measured(end), bandTop, true);
    for (const run of runs) {
      if (!run) {
        yield this.#progress.soFar();
        continue;
      }
      const wrong = run.others
        ? yield* this.#deciding.decideWays(run, run.others, bandTop)
        : run.exact
          ? yield* this.#deciding.decideAlike(run, run.exact, bandTop)
          : yield* this.#decideRun(run, run, bandTop);
      if (wrong) return wrong;
    }
    return undefined;
  }

  *#decideRun(
    run: Pick<TextRun, 'from' | 'to' | 'first' | 'last'>,
    straight: Straight,
    bandTop: PageFacts,
    mayAskTexts = false,
  ): Generator<SweptPart, WrongWidth | undefined> {
    const { from, to, first, last } = run;
    let begin = yield* this.#deciding.decideEnd(from, first, bandTop, to - from < 2);
    yield this.#progress.soFar();
    if ('checks' in begin) return begin;
    if (to === from) return undefined;
    if (to - from < 2) {
      const end = yield* this.#deciding.decideEnd(to, last, bandTop, true);
      return 'checks' in end ? end : undefined;
    }
    const { at, inWindow } = this.#deciding.between(run, straight, bandTop);
    // Where it isn't known how far lines reach, or how type is rounded, the ends are judged by what is assumed between them.
    const isLoose = straight.loose.includes(1) || at(from).doubt!.sized;
    const endsAs = (width: number) => this.#judging.verdictsOn(at(width));
    // Ends that are worked out are by the same assumptions.
    const isAsBetween = ({ doubt }: PageFacts) => !isLoose || doubt?.loose === straight.loose;
    if (!isAsBetween(first)) begin = endsAs(from);
    const end = isAsBetween(last) ? yield* this.#deciding.decideEnd(to, last, bandTop) : endsAs(to);
    if ('checks' in end) return end;
    yield this.#progress.soFar();
    const told = new ToldRun(this.sweep.judges, this.#judging, from + 1, to - 1);
    told.tellBetween(from, begin, to, end, at, inWindow);
    const byTexts = mayAskTexts && isLoose && told.doubts.size > DOUBTS_MOST ? yield* this.#byTexts(from, to, first) : undefined;
    if (byTexts) return yield* this.#decideTexts(from, to, byTexts, bandTop);
    const wrong = yield* this.#deciding.tellRun(told, bandTop);
    if (wrong) return wrong;
    if (!isAsBetween(last)) {
      const toldEnd = yield* this.#deciding.decideEnd(to, last, bandTop);
      if ('checks' in toldEnd) return toldEnd;
    }
    yield this.#progress.soFar();
    return undefined;
  }
}
