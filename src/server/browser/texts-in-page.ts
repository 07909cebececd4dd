import type { PageFacts } from '@/core/audit';
import { chance } from '@/core/audit/sweep/chance';
import { between, disagreement, stretchesOf, textParts, Typesetter } from '@/core/audit/sweep/worked-out';
import type { MeasuredFrame } from '@/probe/measured-frame';

/** Widths that were worked out by their texts, and what was otherwise when they were measured. */
export interface ComparedTexts {
  readonly worked: number;
  readonly wrong: readonly { readonly width: number; readonly what: string }[];
}

/** Works out every width of which the texts can be worked out, and measures it too. */
export function compareTexts(frame: MeasuredFrame, widths: readonly number[]): ComparedTexts {
  const wrong: { width: number; what: string }[] = [];
  let worked = 0;
  const random = chance(widths.length);
  const known = new Map<number, PageFacts>();
  const measured = (width: number) => {
    const facts = known.get(width) ?? frame.read(width);
    known.set(width, facts);
    return facts;
  };
  const compare = (facts: PageFacts) => {
    if (!facts.doubt) return;
    worked++;
    const { width } = facts.viewport;
    const what = disagreement(facts, measured(width));
    if (what) wrong.push({ width, what });
  };
  /** Of several ways in which texts may be broken one has to be as measured. */
  const compareWays = (width: number, ways: readonly (() => PageFacts | undefined)[]) => {
    worked++;
    const told = ways.map((way) => {
      const facts = way();
      return facts && disagreement(facts, measured(width));
    });
    if (told.every((what) => what)) wrong.push({ width, what: told.join(', or ') });
  };
  const widest = widths[widths.length - 1]!;
  for (const { first, last } of stretchesOf({ widths, edges: frame.edges, bends: frame.bends, near: widest }, widest)) {
    const a = measured(first);
    const set = a.typesetting?.();
    if (!set) continue;
    const finding = textParts(first, last, measured, new Typesetter(set, (i) => a.elements[i]!.parent), random);
    let step = finding.next();
    while (!step.done) step = finding.next();
    for (const { runs } of step.value)
      for (const run of runs?.() ?? []) {
        if (!run) continue;
        const { from, to, first: begin, last: end, loose, others } = run;
        if (others) {
          compareWays(from, [() => begin, ...others]);
          continue;
        }
        compare(begin);
        if (to > from) compare(end);
        if (to - from < 2) continue;
        const at = between(begin, end, { loose });
        for (let width = from + 1; width < to; width++) compare(at(width));
      }
    known.clear();
  }
  return { worked, wrong };
}
