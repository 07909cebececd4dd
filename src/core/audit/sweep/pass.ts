import type { PageFacts } from '../facts';
import type { Judged } from '../judge';
import { between } from './between';
import { Judging } from './judging';
import type { WidthResult } from './ledger';
import { looksBy } from './looks';
import { runsBetween } from './runs';
import { isAsStyled } from './straight';
import type { Straight } from './straight';
import type { TextRun, TextRuns } from './runs-of-texts';
import { Spots } from './spots';
import type { TextPart } from './text-runs';
import { textParts } from './text-runs';
import type { Typesetting } from '../typeset/paragraph';
import { Typesetter } from '../typeset/typesetter';
import { chance } from './chance';
import type { Stretch } from './stretches';
import { otherChecks } from './other-checks';
import { sizesOf } from './sizes';
import type { Sweep, SweptPart, WrongWidth } from './sweep';
import { ToldRun } from './told-run';
import type { Verdict } from './verdicts';
import { isSameSaid, isSameVerdict } from './verdicts';

/** So many widths in doubt where words may go from line to line, and it is worked out where they do. */
const DOUBTS_MOST = 8;

/** One sweep, with what it has measured so far. */
export class Pass {
  everyWidth: boolean;
  readonly #known = new Map<number, PageFacts>();
  readonly #told = new Set<number>();
  readonly #edges: ReadonlySet<number>;
  readonly #random: () => number;
  #layouts = 0;
  readonly #spots: Spots;
  #results: WidthResult[] = [];
  readonly #judging: Judging;
  readonly #typesetters = new Map<Typesetting, Typesetter>();

  constructor(
    private readonly sweep: Sweep,
    private readonly widest: number,
  ) {
    this.everyWidth = sweep.everyWidth ?? false;
    this.#judging = new Judging(sweep);
    this.#edges = new Set(sweep.edges);
    this.#random = chance(sweep.widths.length + (sweep.widths[0] ?? 0));
    this.#spots = new Spots(this.#known, this.#random);
  }

  #measured(width: number): PageFacts {
    let facts = this.#known.get(width);
    if (!facts) {
      facts = this.sweep.measure(width);
      this.#known.set(width, facts);
      this.#layouts++;
    }
    return facts;
  }

  /** After each layout, since of thousands of elements one takes long. */
  #soFar(wrong?: WrongWidth): SweptPart {
    const part = { results: this.#results, layouts: this.#layouts, ...(wrong && { wrong }) };
    this.#results = [];
    this.#layouts = 0;
    return part;
  }

  #tell(width: number, violations: readonly Judged[]): void {
    this.#told.add(width);
    const atEdge = this.#edges.has(width) || this.#edges.has(width + 1);
    this.#results.push({ width, violations, ...(atEdge && { sizes: sizesOf(this.#measured(width)) }) });
  }

  *measureAll({ first, last, top }: Stretch): Generator<SweptPart> {
    const bandTop = this.#measured(top);
    for (let width = first; width <= last; width++) {
      if (this.#told.has(width)) continue;
      const facts = this.#judging.asJudged(this.#measured(width), width, bandTop);
      this.#tell(
        width,
        this.sweep.judges.flatMap(({ judge }) => judge(facts)),
      );
      yield this.#soFar();
      if (width > first && width < last && width !== top) this.#known.delete(width);
    }
  }

  *decide({ first, last, top }: Stretch): Generator<SweptPart> {
    const bandTop = this.#measured(top);
    yield this.#soFar();
    const wrong = yield* this.#decideStretch(first, last, bandTop);
    if (wrong) {
      this.everyWidth = true;
      this.#told.clear();
      return yield this.#soFar(wrong);
    }
    yield this.#soFar();
    // Only shared ends are asked for again.
    for (const width of this.#known.keys()) if (width > first && width < last && width !== top) this.#forget(width);
  }

  *#decideStretch(first: number, last: number, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    const byStyles = yield* this.#decideByStyles(first, last, bandTop);
    if (byStyles) return byStyles.wrong;
    for (const part of yield* this.#partsOf(first, last)) {
      const wrong = part.runs
        ? yield* this.#decideTexts(part.from, part.to, part.runs(), bandTop)
        : yield* this.#decidePart(part.from, part.to, bandTop);
      if (wrong) return wrong;
    }
    return undefined;
  }

  /** Where nothing that is asked goes by where things lie, what is said at a few widths is said at all; undefined where it isn't so. */
  *#decideByStyles(first: number, last: number, bandTop: PageFacts): Generator<SweptPart, Pick<SweptPart, 'wrong'> | undefined> {
    const { judges } = this.sweep;
    if (!judges.every(({ byStyles }) => byStyles?.(bandTop))) return undefined;
    const at = (width: number) => this.#judging.asJudged(this.#measured(width), width, bandTop);
    const met: (readonly Verdict[])[] = [];
    for (const width of [first, last, ...looksBy(this.#random).map((share) => Math.round(first + (last - first) * share))]) {
      const facts = at(width);
      yield this.#soFar();
      const verdicts = this.#judging.verdictsOn(facts);
      if (!isAsStyled(at(first), facts) || met[0]?.some((one, i) => !isSameVerdict(one, verdicts[i]!))) return undefined;
      met.push(verdicts);
    }
    const said = met[0]!.flatMap(({ found }) => found);
    this.#spots.draw(first, last);
    for (let width = first; width <= last; width++) {
      if (this.#told.has(width)) continue;
      if (this.#spots.has(width)) {
        const checks = this.#judging.othersOn(at(width), said);
        yield this.#soFar();
        if (checks.length > 0) return { wrong: { width, checks } };
      }
      this.#tell(width, said);
    }
    return {};
  }

  #forget(width: number): void {
    this.#known.delete(width);
    for (const one of this.#typesetters.values()) one.forget(width);
  }

  /** Where a text stands on another number of lines at both ends, all lines are worked out. */
  *#partsOf(first: number, last: number): Generator<SweptPart, readonly TextPart[]> {
    const a = this.#measured(first);
    yield this.#soFar();
    const b = this.#measured(last);
    yield this.#soFar();
    const isOtherwise = a.lines.some((own, i) => own.length !== b.lines[i]!.length);
    const typesetter = isOtherwise ? this.#typesetterFor(a) : undefined;
    if (!typesetter) return [{ from: first, to: last, runs: undefined }];
    return yield* this.#telling(textParts(first, last, (width) => this.#measured(width), typesetter, this.#random));
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
    const parts = yield* this.#telling(textParts(from, to, (width) => this.#measured(width), typesetter, this.#random));
    return parts.length === 1 ? parts[0]!.runs?.() : undefined;
  }

  *#telling<T>(steps: Generator<undefined, T>): Generator<SweptPart, T> {
    for (;;) {
      const { value, done } = steps.next();
      yield this.#soFar();
      if (done) return value as T;
    }
  }

  *#decidePart(first: number, last: number, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    const { widths } = this.sweep;
    const outer = { first: Math.max(widths[0]!, first - 1), last: Math.min(widths[widths.length - 1]!, last + 1) };
    const runs = yield* this.#telling(runsBetween(first, last, (width) => this.#measured(width), this.#random, outer));
    this.#spots.draw(first, last);
    for (const { widths, straight } of runs) {
      const [from, to] = [widths[0]!, widths[widths.length - 1]!];
      const run = { from, to, first: this.#measured(from), last: this.#measured(to) };
      const wrong = yield* this.#decideRun(run, straight, bandTop, true);
      if (wrong) return wrong;
    }
    return undefined;
  }

  *#decideTexts(from: number, to: number, runs: TextRuns, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    this.#spots.draw(from, to);
    for (const end of [to, from]) if (!this.#judging.hasMet(end)) this.#judging.on(end, this.#measured(end), bandTop, true);
    for (const run of runs) {
      if (!run) {
        yield this.#soFar();
        continue;
      }
      const wrong = run.others
        ? yield* this.#decideWays(run, run.others, bandTop)
        : run.exact
          ? yield* this.#decideAlike(run, run.exact, bandTop)
          : yield* this.#decideRun(run, run, bandTop);
      if (wrong) return wrong;
    }
    return undefined;
  }

  /** Where a text may be broken in several ways: what is said in each of them, else what is measured. */
  *#decideWays(
    { from: width, first }: Pick<TextRun, 'from' | 'first'>,
    others: NonNullable<TextRun['others']>,
    bandTop: PageFacts,
  ): Generator<SweptPart, WrongWidth | undefined> {
    if (this.#told.has(width)) return undefined;
    let said: readonly Judged[] | undefined;
    let isSaid = !this.#known.has(width);
    for (const way of [() => first, ...others]) {
      const facts = isSaid ? way() : undefined;
      const { verdicts, doubtful } = facts ? this.#judging.on(width, facts, bandTop, true) : { verdicts: [], doubtful: [] };
      const found = verdicts.flatMap((one) => one.found);
      isSaid = facts !== undefined && doubtful.length === 0 && (!said || isSameSaid(said, found));
      said = found;
    }
    if (isSaid && !this.#spots.has(width)) {
      this.#tell(width, said!);
      yield this.#soFar();
      return undefined;
    }
    const one = this.#judging.asJudged(this.#measured(width), width, bandTop);
    yield this.#soFar();
    const found = this.sweep.judges.flatMap(({ judge }) => judge(one));
    const checks = isSaid ? otherChecks(said!, found) : [];
    if (checks.length > 0) return { width, checks };
    this.#tell(width, found);
    return undefined;
  }

  /** Tells what is said of the end of a run, measured or worked out. */
  *#decideEnd(
    width: number,
    facts: PageFacts,
    bandTop: PageFacts,
    alone = false,
  ): Generator<SweptPart, readonly Verdict[] | WrongWidth> {
    const { verdicts, doubtful } = this.#judging.on(width, facts, bandTop, alone);
    if (this.#told.has(width)) return verdicts;
    const said = verdicts.flatMap(({ found }, i) => (doubtful.includes(this.sweep.judges[i]!) ? [] : found));
    const isSpot = facts.doubt && this.#spots.has(width);
    if (isSpot || doubtful.length > 0) {
      const one = this.#judging.asJudged(this.#measured(width), width, bandTop);
      yield this.#soFar();
      said.push(...doubtful.flatMap(({ judge }) => judge(one)));
      const checks = isSpot ? this.#judging.othersOn(one, said) : [];
      if (checks.length > 0) return { width, checks };
    }
    this.#tell(width, said);
    return verdicts;
  }

  *#decideRun(
    run: Pick<TextRun, 'from' | 'to' | 'first' | 'last'>,
    straight: Straight,
    bandTop: PageFacts,
    mayAskTexts = false,
  ): Generator<SweptPart, WrongWidth | undefined> {
    const { from, to, first, last } = run;
    let begin = yield* this.#decideEnd(from, first, bandTop, to - from < 2);
    yield this.#soFar();
    if ('checks' in begin) return begin;
    if (to === from) return undefined;
    if (to - from < 2) {
      const end = yield* this.#decideEnd(to, last, bandTop, true);
      return 'checks' in end ? end : undefined;
    }
    const { at, inWindow } = this.#between(run, straight, bandTop);
    // Where it isn't known how far lines reach, or how type is rounded, the ends are judged by what is assumed between them.
    const isLoose = straight.loose.includes(1) || at(from).doubt!.sized;
    const endsAs = (width: number) => this.#judging.verdictsOn(at(width));
    // Ends that are worked out are by the same assumptions.
    const isAsBetween = ({ doubt }: PageFacts) => !isLoose || doubt?.loose === straight.loose;
    if (!isAsBetween(first)) begin = endsAs(from);
    const end = isAsBetween(last) ? yield* this.#decideEnd(to, last, bandTop) : endsAs(to);
    if ('checks' in end) return end;
    yield this.#soFar();
    const told = new ToldRun(this.sweep.judges, this.#judging, from + 1, to - 1);
    told.tellBetween(from, begin, to, end, at, inWindow);
    const byTexts = mayAskTexts && isLoose && told.doubts.size > DOUBTS_MOST ? yield* this.#byTexts(from, to, first) : undefined;
    if (byTexts) return yield* this.#decideTexts(from, to, byTexts, bandTop);
    const wrong = yield* this.#tellRun(told, bandTop);
    if (wrong) return wrong;
    if (!isAsBetween(last)) {
      const toldEnd = yield* this.#decideEnd(to, last, bandTop);
      if ('checks' in toldEnd) return toldEnd;
    }
    yield this.#soFar();
    return undefined;
  }

  /** Widths at which words go from line to line, and nothing else is otherwise: what hangs on which words is settled at each. */
  *#decideAlike(
    run: TextRun,
    exact: NonNullable<TextRun['exact']>,
    bandTop: PageFacts,
  ): Generator<SweptPart, WrongWidth | undefined> {
    const { from, to } = run;
    const { at, inWindow } = this.#between(run, run, bandTop);
    const [begin, end] = [this.#judging.verdictsOn(at(from)), this.#judging.verdictsOn(at(to))];
    const told = new ToldRun(this.sweep.judges, this.#judging, from, to);
    told.tellEnd(from, begin);
    told.tellEnd(to, end);
    told.tellBetween(from, begin, to, end, at, inWindow);
    told.settle((width) => {
      const facts = exact(width);
      return facts && this.#judging.asJudged(facts, width, bandTop);
    });
    yield this.#soFar();
    return yield* this.#tellRun(told, bandTop);
  }

  /** Facts between two widths as checks are asked of them; those of an earlier call are overwritten. */
  #between({ first, last }: Pick<TextRun, 'first' | 'last'>, straight: Straight, bandTop: PageFacts) {
    const worked = between(first, last, straight);
    let latest: PageFacts | undefined;
    return {
      at: (width: number) => {
        if (latest?.viewport.width !== width) latest = this.#judging.asJudged(worked(width), width, bandTop);
        return latest;
      },
      inWindow: (width: number) => this.#judging.asJudged({ ...first, viewport: { ...first.viewport, width } }, width, bandTop),
    };
  }

  /** Measures what is in doubt, and what is to be compared, and tells all of it. */
  *#tellRun({ found, doubts }: ToldRun, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    const facts = (width: number) => this.#judging.asJudged(this.#measured(width), width, bandTop);
    const spots = new Set([...found.keys()].filter((width) => !this.#told.has(width) && this.#spots.has(width)));
    for (const [width, judges] of doubts) {
      if (this.#told.has(width)) continue;
      const one = facts(width);
      for (const { judge } of judges) found.get(width)!.push(...judge(one));
      yield this.#soFar();
    }
    for (const [width, said] of found) {
      if (this.#told.has(width)) continue;
      if (spots.has(width)) {
        const checks = this.#judging.othersOn(facts(width), said);
        yield this.#soFar();
        if (checks.length > 0) return { width, checks };
      }
      this.#tell(width, said);
    }
    return undefined;
  }
}
