import type { PageFacts } from '../facts';
import type { Judged } from '../judge';
import type { Judging } from './judging';
import type { Judge, Telling, Verdict } from './verdicts';
import { verdictsAtEach, verdictsBetween } from './verdicts';

/** What is told of neighbouring widths, and what of it is in doubt. */
export class ToldRun {
  readonly found = new Map<number, Judged[]>();
  readonly doubts = new Map<number, Judge[]>();

  constructor(
    private readonly judges: readonly Judge[],
    private readonly judging: Judging,
    first: number,
    last: number,
  ) {
    for (let width = first; width <= last; width++) this.found.set(width, []);
  }

  tell(width: number, some: readonly Judged[]): void {
    if (some.length > 0) this.found.get(width)!.push(...some);
  }

  doubt(width: number, judge: Judge): void {
    this.doubts.set(width, [...(this.doubts.get(width) ?? []), judge]);
  }

  /** What was said at one width, by what is assumed between. */
  tellEnd(width: number, verdicts: readonly Verdict[]): void {
    this.judges.forEach((judge, i) => {
      if (this.judging.isDoubtful(judge, verdicts[i]!, [])) this.doubt(width, judge);
      else this.tell(width, verdicts[i]!.found);
    });
  }

  /**
   * What is said between two widths.
   * @param at facts as checks are asked of them, worked out; those of an earlier call are overwritten
   * @param inWindow the same of which nothing but the window counts
   */
  tellBetween(
    from: number,
    begin: readonly Verdict[],
    to: number,
    end: readonly Verdict[],
    at: (width: number) => PageFacts,
    inWindow: (width: number) => PageFacts,
  ): void {
    const telling: Telling = {
      at,
      tell: (width, some) => this.tell(width, some),
      doubt: (width, judge) => this.doubt(width, judge),
      isDoubtful: (...asked) => this.judging.isDoubtful(...asked),
    };
    const asked = at(from);
    const uneven = new Set(this.judges.filter(({ eachWidth }) => eachWidth?.(asked)));
    this.judges.forEach((judge, i) => uneven.has(judge) || verdictsBetween(judge, from, begin[i]!, to, end[i]!, telling));
    verdictsAtEach([...uneven], from, to, { ...telling, at: inWindow });
  }

  /** Tells by more exact facts what is in doubt, where those are known and leave none. */
  settle(exact: (width: number) => PageFacts | undefined): void {
    for (const [width, judges] of this.doubts) {
      const facts = exact(width);
      if (!facts) continue;
      const left = judges.filter((judge) => {
        const [verdict, isDoubtful] = this.judging.alone(judge, facts);
        if (!isDoubtful) this.tell(width, verdict.found);
        return isDoubtful;
      });
      if (left.length > 0) this.doubts.set(width, left);
      else this.doubts.delete(width);
    }
  }
}
