import type { PageFacts } from '../facts';
import type { Leading } from './leading';
import type { LinesAt } from './lines-at';
import { hasBrokenWords, linesAt, roomIn } from './lines-at';
import type { Paragraph, Typesetting } from './paragraph';
import type { Rows } from './rows';

/** A worked-out end of a line may be off by so much, px. */
const OFF = 0.1;

/** The texts of one measured viewport: what is worked out for it, and where that was found. */
export interface MeasuredTexts {
  readonly facts: PageFacts;
  /** By paragraph; undefined where it isn't rendered, or holds nothing to be read. */
  readonly lines: readonly (LinesAt | undefined)[];
  /** Paragraphs in which words are broken that have no room, or boxes aren't as wide as they were read: where isn't worked out. */
  readonly broken: ReadonlySet<number>;
  /** Of what was known of leading when it was read. */
  version: number;
  /** By paragraph: the top of each line's own type, px. */
  tops: readonly Float64Array[];
  /** How items stand in rows. */
  rows: ReadonlyMap<number, Rows | undefined>;
  /** By paragraph and inline element: how far the element's box reaches above the first and below the top of the last of its lines. */
  reach: readonly { readonly above: Float64Array; readonly below: Float64Array; readonly atoms: Float64Array }[];
}

const NONE = new Float64Array(0);
const NO_REACH = { above: NONE, below: NONE, atoms: NONE };

/** Finds the worked-out lines among the measured ones. @returns the paragraphs that were not as worked out, where any was not */
export function findLines(
  { paragraphs, strict }: Typesetting,
  facts: PageFacts,
): Pick<MeasuredTexts, 'lines' | 'broken'> | { readonly wrong: number[] } {
  const seen = new Int32Array(facts.elements.length);
  const wrong: number[] = [];
  const isOtherwise = (one: Paragraph) => hasBrokenWords(one, facts) || hasOtherSizes(one, facts);
  const blocks = new Set(paragraphs.filter(isOtherwise).map(({ block }) => block));
  const broken = new Set<number>();
  const found = paragraphs.map((paragraph, p) => {
    const at = paragraph.block * 4;
    if (facts.boxes[at] === facts.boxes[at + 2] && facts.boxes[at + 1] === facts.boxes[at + 3]) return undefined;
    if (isBlank(paragraph)) return undefined;
    if (blocks.has(paragraph.block)) {
      broken.add(p);
      return undefined;
    }
    const as = (near?: 'fits' | 'breaks') => {
      const lines = linesAt(paragraph, facts, strict, near);
      return lines && isAsMeasured(paragraph, lines, facts, seen) ? lines : undefined;
    };
    const lines = as() ?? as('fits') ?? as('breaks');
    if (!lines) wrong.push(p);
    else for (let i = 0; i < lines.count; i++) count(paragraph, lines, i, seen);
    return lines;
  });
  return wrong.length > 0 ? { wrong } : { lines: found, broken };
}

/** Spaces that don't collapse make a line that nobody reads: its block is as high as it was measured. */
const isBlank = ({ texts, atoms }: Paragraph) => atoms.element.length === 0 && texts.element.every((element) => element < 0);

function count({ texts }: Paragraph, { text }: LinesAt, i: number, seen: Int32Array): void {
  const element = texts.element[text[i]!]!;
  if (element >= 0) seen[element]!++;
}

/** Whether what stands in its lines like a letter is of another size than it was read: it has less room than it needs, or follows that. */
const hasOtherSizes = ({ atoms }: Paragraph, { boxes }: PageFacts): boolean =>
  Array.from(atoms.element).some((element, i) => {
    const wide = boxes[element * 4 + 2]! - boxes[element * 4]!;
    return Math.abs(wide - atoms.width[i]!) > OFF;
  });

function isAsMeasured(paragraph: Paragraph, lines: LinesAt, { lines: measured, boxes }: PageFacts, seen: Int32Array): boolean {
  const { texts, atoms } = paragraph;
  const origin = roomIn(paragraph, boxes).left;
  for (let i = 0; i < atoms.element.length; i++) {
    const left = boxes[atoms.element[i]! * 4]!;
    const at = lines.text.indexOf(atoms.text[i]!);
    if (at >= 0 && at < lines.count && Math.abs(origin + lines.left[at]! + atoms.before[i]! - left) > OFF) return false;
  }
  const used = new Map<number, number>();
  for (let i = 0; i < lines.count; i++) {
    const element = texts.element[lines.text[i]!]!;
    if (element < 0) continue;
    const at = used.get(element) ?? seen[element]!;
    used.set(element, at + 1);
    const there = measured[element]!;
    if (at * 4 >= there.length) return false;
    const [left, right] = [there[at * 4]! - origin, there[at * 4 + 2]! - origin];
    if (Math.abs(left - lines.left[i]!) > OFF || Math.abs(right - lines.right[i]!) > OFF) return false;
  }
  // Where an element has more than were worked out, the next paragraph doesn't find its own; at the end it is seen here.
  return [...used].every(([element, end]) => end * 4 <= measured[element]!.length);
}

/** The tops of all lines as measured, and what follows from them for lines elsewhere. @returns paragraphs in which it wasn't as before */
export function readTops({ paragraphs }: Typesetting, texts: MeasuredTexts, leading: Leading): number[] {
  const wrong = new Set<number>();
  const hold = (p: number, holds: boolean) => holds || wrong.add(p);
  const { facts, lines } = texts;
  const seen = new Int32Array(facts.elements.length);
  const topOf: Float64Array[] = paragraphs.map(({ texts: all }, p) => {
    const one = lines[p];
    if (!one) return NONE;
    const tops = new Float64Array(one.count).fill(NaN);
    for (let i = 0; i < one.count; i++) {
      const element = all.element[one.text[i]!]!;
      if (element < 0) continue;
      const at = seen[element]!++ * 4;
      tops[i] = facts.lines[element]![at + 1]!;
      hold(p, leading.learnHeight(all.style[one.text[i]!]!, facts.lines[element]![at + 3]! - tops[i]!));
    }
    return tops;
  });
  const each = (tell: (p: number, one: LinesAt, paragraph: Paragraph) => void) =>
    paragraphs.forEach((paragraph, p) => lines[p] && tell(p, lines[p]!, paragraph));
  const struts = paragraphs.map((_, p) => new Float64Array(lines[p]?.starts.length ?? 0).fill(NaN));
  each((p, one, { strut, texts: all }) => {
    for (let i = 0; i < one.count; i++)
      if (all.style[one.text[i]!] === strut && topOf[p]![i] === topOf[p]![i]) struts[p]![one.line[i]!] = topOf[p]![i]!;
    for (let i = 0; i < one.count; i++) {
      const style = all.style[one.text[i]!]!;
      const offset = topOf[p]![i]! - struts[p]![one.line[i]!]!;
      if (style !== strut && !Number.isNaN(offset)) hold(p, leading.learnOffset(strut, style, offset));
    }
  });
  each((p, one, { strut, texts: all }) => {
    const isOpen = (i: number) => Number.isNaN(struts[p]![one.line[i]!]!) && !Number.isNaN(topOf[p]![i]!);
    const styleOf = (i: number) => all.style[one.text[i]!]!;
    // Where the block's own type is never seen beside it, it doesn't matter where it would be: what stands there is as far apart.
    for (const mayGuess of [false, true])
      for (let i = 0; i < one.count; i++) {
        const offset = leading.offset(strut, styleOf(i));
        if (isOpen(i) && (mayGuess || offset !== undefined)) struts[p]![one.line[i]!] = topOf[p]![i]! - (offset ?? 0);
      }
    for (let i = 0; i < one.count; i++) {
      const offset = topOf[p]![i]! - struts[p]![one.line[i]!]!;
      if (styleOf(i) !== strut && !Number.isNaN(offset)) hold(p, leading.learnOffset(strut, styleOf(i), offset));
    }
  });
  each((p, one, { atoms }) => {
    // A line of nothing but what stands there like a letter goes by the first of that.
    for (let i = 0; i < one.count; i++) {
      const atom = atoms.text.indexOf(one.text[i]!);
      if (atom >= 0 && Number.isNaN(struts[p]![one.line[i]!]!))
        struts[p]![one.line[i]!] = facts.boxes[atoms.element[atom]! * 4 + 1]!;
    }
  });
  each((p, { styles }, { strut }) => {
    // Lines on which nothing is seen lie between the others.
    const tops = struts[p]!;
    const step = (line: number) => leading.step(strut, styles[line]!, styles[line + 1]!);
    for (let i = 1; i < tops.length; i++) if (Number.isNaN(tops[i])) tops[i] = tops[i - 1]! + step(i - 1);
    for (let i = tops.length - 2; i >= 0; i--) if (Number.isNaN(tops[i])) tops[i] = tops[i + 1]! - step(i);
  });
  texts.tops = struts;
  texts.reach = paragraphs.map((paragraph, p) => (lines[p] ? reachOf(paragraph, lines[p]!, struts[p]!, facts) : NO_REACH));
  each((p, { styles }, { strut }) => {
    const tops = struts[p]!;
    hold(p, !tops.some(Number.isNaN) && leading.learn({ strut, styles, tops }));
  });
  texts.version = leading.version;
  return [...wrong];
}

function reachOf({ inlines, pieces, atoms, texts }: Paragraph, { starts }: LinesAt, tops: Float64Array, { boxes }: PageFacts) {
  const lineOf = (piece: number) => starts.findLastIndex((start) => start <= pieces.segment[piece]!);
  return {
    above: Float64Array.from(inlines.element, (element, i) => boxes[element * 4 + 1]! - tops[lineOf(inlines.first[i]!)]!),
    atoms: Float64Array.from(
      atoms.element,
      (element, i) => boxes[element * 4 + 1]! - tops[lineOf(texts.first[atoms.text[i]!]!)]!,
    ),
    below: Float64Array.from(inlines.element, (element, i) => boxes[element * 4 + 3]! - tops[lineOf(inlines.last[i]!)]!),
  };
}
