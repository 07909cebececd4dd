import type { PageFacts } from '../facts';
import type { Judged } from '../judge';
import { otherChecks } from './other-checks';
import { StillMargins } from './still-margins';
import type { Sweep } from './sweep';
import type { Judge, Verdict } from './verdicts';
import { SPARE, verdictsAlone, verdictsOn } from './verdicts';

/** What all checks of a sweep say of one viewport after the other, with what was met at measured ones. */
export class Judging {
  /** How long a trace was last. */
  #room: number | undefined;
  #kept: { readonly facts: PageFacts; readonly alone: boolean; readonly verdicts: readonly Verdict[] } | undefined;
  readonly #still = new StillMargins();
  readonly #met = new Set<number>();

  constructor(private readonly sweep: Pick<Sweep, 'judges' | 'columns'>) {}

  /** Facts as checks are asked of them. */
  asJudged(facts: PageFacts, width: number, bandTop: PageFacts): PageFacts {
    return { ...facts, columns: this.sweep.columns?.(width), bandTop };
  }

  /** Whether a width was judged as it is measured. */
  hasMet(width: number): boolean {
    return this.#met.has(width);
  }

  /** Of facts as checks are asked of them, to be compared with those on another viewport. */
  verdictsOn(facts: PageFacts): Verdict[] {
    return verdictsOn(this.sweep.judges, facts, this.#room);
  }

  /** The checks that say something else of a measured width than was said. */
  othersOn(facts: PageFacts, said: readonly Judged[]): string[] {
    return otherChecks(
      said,
      this.sweep.judges.flatMap(({ judge }) => judge(facts)),
    );
  }

  /** Whether a verdict on worked-out facts could be another on measured ones, by what was said at both ends. */
  isDoubtful(judge: Judge, verdict: Verdict, ends: readonly Verdict[]): boolean {
    return this.#still.isDoubtful(verdict, this.sweep.judges.indexOf(judge), ends);
  }

  /** What one says of worked-out facts by themselves, as checks are asked of them, and whether it could be otherwise on measured ones. */
  alone(judge: Judge, facts: PageFacts): readonly [Verdict, isDoubtful: boolean] {
    const verdict = verdictsAlone([judge], facts)[0]!;
    return [verdict, facts.doubt !== undefined && this.isDoubtful(judge, verdict, [])];
  }

  /** @param alone whether they aren't compared with those on another viewport */
  on(
    width: number,
    facts: PageFacts,
    bandTop: PageFacts,
    alone: boolean,
  ): { readonly verdicts: readonly Verdict[]; readonly doubtful: readonly Judge[] } {
    const { judges } = this.sweep;
    if (this.#kept?.facts !== facts || (this.#kept.alone && !alone)) {
      const judged = this.asJudged(facts, width, bandTop);
      const verdicts = alone ? verdictsAlone(judges, judged) : this.verdictsOn(judged);
      if (!alone) this.#room = (verdicts.at(-1)?.end ?? 0) + SPARE;
      this.#kept = { facts, alone, verdicts };
      if (!facts.doubt && !this.#met.has(width)) {
        this.#met.add(width);
        this.#still.meet(verdicts);
      }
    }
    const { verdicts } = this.#kept;
    const doubtful = facts.doubt ? judges.filter((_, i) => this.#still.isDoubtful(verdicts[i]!, i)) : [];
    return { verdicts, doubtful };
  }
}
