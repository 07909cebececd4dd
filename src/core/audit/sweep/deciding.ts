import type { PageFacts } from '../facts';
import type { Judged } from '../judge';
import { between } from './between';
import type { Judging } from './judging';
import { looksBy } from './looks';
import { otherChecks } from './other-checks';
import type { Progress } from './progress';
import type { TextRun } from './runs-of-texts';
import type { Spots } from './spots';
import type { Straight } from './straight';
import { isAsStyled } from './straight';
import type { Sweep, SweptPart, WrongWidth } from './sweep';
import { ToldRun } from './told-run';
import type { Verdict } from './verdicts';
import { isSameSaid, isSameVerdict } from './verdicts';

/** Says what checks say of runs of widths, by what is measured of them and worked out. */
export class Deciding {
  constructor(
    private readonly sweep: Pick<Sweep, 'judges'>,
    private readonly progress: Progress,
    private readonly judging: Judging,
    private readonly spots: Spots,
    private readonly random: () => number,
  ) {}

  /** Where nothing that is asked goes by where things lie, what is said at a few widths is said at all; undefined where it isn't so. */
  *decideByStyles(first: number, last: number, bandTop: PageFacts): Generator<SweptPart, Pick<SweptPart, 'wrong'> | undefined> {
    const { judges } = this.sweep;
    if (!judges.every(({ byStyles }) => byStyles?.(bandTop))) return undefined;
    const at = (width: number) => this.judging.asJudged(this.progress.measured(width), width, bandTop);
    const met: (readonly Verdict[])[] = [];
    for (const width of [first, last, ...looksBy(this.random).map((share) => Math.round(first + (last - first) * share))]) {
      const facts = at(width);
      yield this.progress.soFar();
      const verdicts = this.judging.verdictsOn(facts);
      if (!isAsStyled(at(first), facts) || met[0]?.some((one, i) => !isSameVerdict(one, verdicts[i]!))) return undefined;
      met.push(verdicts);
    }
    const said = met[0]!.flatMap(({ found }) => found);
    this.spots.draw(first, last);
    for (let width = first; width <= last; width++) {
      if (this.progress.told.has(width)) continue;
      if (this.spots.has(width)) {
        const checks = this.judging.othersOn(at(width), said);
        yield this.progress.soFar();
        if (checks.length > 0) return { wrong: { width, checks } };
      }
      this.progress.tell(width, said);
    }
    return {};
  }

  /** Where a text may be broken in several ways: what is said in each of them, else what is measured. */
  *decideWays(
    { from: width, first }: Pick<TextRun, 'from' | 'first'>,
    others: NonNullable<TextRun['others']>,
    bandTop: PageFacts,
  ): Generator<SweptPart, WrongWidth | undefined> {
    if (this.progress.told.has(width)) return undefined;
    let said: readonly Judged[] | undefined;
    let isSaid = !this.progress.known.has(width);
    for (const way of [() => first, ...others]) {
      const facts = isSaid ? way() : undefined;
      const { verdicts, doubtful } = facts ? this.judging.on(width, facts, bandTop, true) : { verdicts: [], doubtful: [] };
      const found = verdicts.flatMap((one) => one.found);
      isSaid = facts !== undefined && doubtful.length === 0 && (!said || isSameSaid(said, found));
      said = found;
    }
    if (isSaid && !this.spots.has(width)) {
      this.progress.tell(width, said!);
      yield this.progress.soFar();
      return undefined;
    }
    const one = this.judging.asJudged(this.progress.measured(width), width, bandTop);
    yield this.progress.soFar();
    const found = this.sweep.judges.flatMap(({ judge }) => judge(one));
    const checks = isSaid ? otherChecks(said!, found) : [];
    if (checks.length > 0) return { width, checks };
    this.progress.tell(width, found);
    return undefined;
  }

  /** Tells what is said of the end of a run, measured or worked out. */
  *decideEnd(
    width: number,
    facts: PageFacts,
    bandTop: PageFacts,
    alone = false,
  ): Generator<SweptPart, readonly Verdict[] | WrongWidth> {
    const { verdicts, doubtful } = this.judging.on(width, facts, bandTop, alone);
    if (this.progress.told.has(width)) return verdicts;
    const said = verdicts.flatMap(({ found }, i) => (doubtful.includes(this.sweep.judges[i]!) ? [] : found));
    const isSpot = facts.doubt && this.spots.has(width);
    if (isSpot || doubtful.length > 0) {
      const one = this.judging.asJudged(this.progress.measured(width), width, bandTop);
      yield this.progress.soFar();
      said.push(...doubtful.flatMap(({ judge }) => judge(one)));
      const checks = isSpot ? this.judging.othersOn(one, said) : [];
      if (checks.length > 0) return { width, checks };
    }
    this.progress.tell(width, said);
    return verdicts;
  }

  /** Widths at which words go from line to line, and nothing else is otherwise: what hangs on which words is settled at each. */
  *decideAlike(
    run: TextRun,
    exact: NonNullable<TextRun['exact']>,
    bandTop: PageFacts,
  ): Generator<SweptPart, WrongWidth | undefined> {
    const { from, to } = run;
    const { at, inWindow } = this.between(run, run, bandTop);
    const [begin, end] = [this.judging.verdictsOn(at(from)), this.judging.verdictsOn(at(to))];
    const told = new ToldRun(this.sweep.judges, this.judging, from, to);
    told.tellEnd(from, begin);
    told.tellEnd(to, end);
    told.tellBetween(from, begin, to, end, at, inWindow);
    told.settle((width) => {
      const facts = exact(width);
      return facts && this.judging.asJudged(facts, width, bandTop);
    });
    yield this.progress.soFar();
    return yield* this.tellRun(told, bandTop);
  }

  /** Facts between two widths as checks are asked of them; those of an earlier call are overwritten. */
  between({ first, last }: Pick<TextRun, 'first' | 'last'>, straight: Straight, bandTop: PageFacts) {
    const worked = between(first, last, straight);
    let latest: PageFacts | undefined;
    return {
      at: (width: number) => {
        if (latest?.viewport.width !== width) latest = this.judging.asJudged(worked(width), width, bandTop);
        return latest;
      },
      inWindow: (width: number) => this.judging.asJudged({ ...first, viewport: { ...first.viewport, width } }, width, bandTop),
    };
  }

  /** Measures what is in doubt, and what is to be compared, and tells all of it. */
  *tellRun({ found, doubts }: ToldRun, bandTop: PageFacts): Generator<SweptPart, WrongWidth | undefined> {
    const facts = (width: number) => this.judging.asJudged(this.progress.measured(width), width, bandTop);
    const spots = new Set([...found.keys()].filter((width) => !this.progress.told.has(width) && this.spots.has(width)));
    for (const [width, judges] of doubts) {
      if (this.progress.told.has(width)) continue;
      const one = facts(width);
      for (const { judge } of judges) found.get(width)!.push(...judge(one));
      yield this.progress.soFar();
    }
    for (const [width, said] of found) {
      if (this.progress.told.has(width)) continue;
      if (spots.has(width)) {
        const checks = this.judging.othersOn(facts(width), said);
        yield this.progress.soFar();
        if (checks.length > 0) return { width, checks };
      }
      this.progress.tell(width, said);
    }
    return undefined;
  }
}
