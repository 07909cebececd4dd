import type { PageFacts } from '@/core/audit';
import { chance } from '@/core/audit/sweep/chance';
import { between, disagreement, stretchesOf, textParts, Typesetter } from '@/core/audit/sweep/worked-out';
import type { Paragraph, Typesetting } from '@/core/audit/typeset/paragraph';
import type { MeasuredFrame } from '@/probe/measured-frame';

/** Widths that were worked out by their texts, and what was otherwise when they were measured. */
export interface ComparedTexts {
  readonly worked: number;
  readonly wrong: readonly { readonly width: number; readonly what: string }[];
}

/** Places of letters that are read anew may differ by less, px. */
const AS_READ = 0.002;

/** Paragraphs that were found again, and are another when they are read anew. */
function otherwiseIn(set: Typesetting, anew: Typesetting | undefined): string[] {
  const isSame = (one: unknown, other: unknown): boolean => {
    if (typeof one === 'number' && typeof other === 'number')
      return Number.isNaN(one) ? Number.isNaN(other) : Math.abs(one - other) < AS_READ;
    if (typeof one !== 'object' || one === null) return one === other;
    const keys = Object.keys(one);
    const areAll = keys.length === Object.keys(other ?? {}).length;
    return areAll && keys.every((key) => isSame(Reflect.get(one, key), Reflect.get(other!, key)));
  };
  if (set.paragraphs.length !== anew?.paragraphs.length) return ['another number of texts'];
  const isAlike = (one: Paragraph, other: Paragraph) => {
    // Where widths aren't exact nobody asks how much less room a line has.
    const isExact = one.exact === 0 && other.exact === 0;
    return isSame(fromItsBegin(one, isExact), fromItsBegin(other, isExact));
  };
  return set.paragraphs.flatMap((one, p) => (isAlike(one, anew.paragraphs[p]!) ? [] : [`text ${p} is set otherwise`]));
}

/** Its block may lie elsewhere, which makes no difference. */
function fromItsBegin(one: Paragraph, isExact: boolean): Paragraph {
  const begin = one.texts.left[0] ?? 0;
  // Lines that hold nothing before the first letter lie nowhere.
  const from = (x: number) => (x === 0 ? 0 : x - begin);
  const moved = <T extends { readonly left: Float64Array; readonly right: Float64Array }>(places: T): T => ({
    ...places,
    left: places.left.map(from),
    right: places.right.map(from),
  });
  const { lost: own } = one.segments;
  const lost = isExact ? own : own.map(() => NaN);
  return { ...one, segments: { ...moved(one.segments), lost }, pieces: moved(one.pieces), texts: moved(one.texts) };
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
  const compare = (facts: PageFacts | undefined, isCounted = true) => {
    if (!facts?.doubt) return;
    if (isCounted) worked++;
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
    for (const what of otherwiseIn(set, frame.typesettingAnew(a))) wrong.push({ width: first, what });
    const finding = textParts(first, last, measured, new Typesetter(set, (i) => a.elements[i]!.parent), random);
    let step = finding.next();
    while (!step.done) step = finding.next();
    for (const { runs } of step.value)
      for (const run of runs?.() ?? []) {
        if (!run) continue;
        const { from, to, first: begin, last: end, loose, others, exact } = run;
        if (others) {
          compareWays(from, [() => begin, ...others]);
          continue;
        }
        if (!exact) compare(begin);
        if (!exact && to > from) compare(end);
        const at = to - from > 1 ? between(begin, end, { loose }) : undefined;
        // How far lines reach is less well known between them.
        for (let width = from + 1; at && width < to; width++) compare(at(width), !exact);
        for (let width = from; exact && width <= to; width++) compare(exact(width));
      }
    known.clear();
  }
  return { worked, wrong };
}
