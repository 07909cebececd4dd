/** The longest stretch of widths, px, that is taken on the word of a few measured ones in it. */
const LONGEST = 512;
/** The stretch that is looked at is no longer, so that something of it can be told soon. */
const FIRST_LONGEST = 48;

export interface Stretch {
  readonly first: number;
  readonly last: number;
  /** The widest width of the band it lies in. */
  readonly top: number;
}

export interface Widths {
  /** Whole px, ascending. */
  readonly widths: readonly number[];
  /** Widths at which a condition may begin or end: the first whole px of the new band. */
  readonly edges: readonly number[];
  /** Widths at which a value meets a limit of its own: what is on both sides moves evenly, each in its way. */
  readonly bends?: readonly number[];
  /** Stretches nearer to this width come first. */
  readonly near: number;
}

/**
 * Runs of neighbouring widths inside one band, none longer than a limit, the nearest first; but the narrowest comes right after the first, since
 * there is most to be found.
 */
export function stretchesOf({ widths, edges, bends = [], near }: Widths, widest: number): Stretch[] {
  const begins = [...new Set(edges)].sort((a, b) => a - b);
  const cuts = new Set(bends);
  const topOf = (width: number) => Math.min(widest, (begins.find((edge) => edge > width) ?? Infinity) - 1);
  const runs: { first: number; last: number; top: number }[] = [];
  for (const width of widths) {
    const run = runs[runs.length - 1];
    if (run && width === run.last + 1 && width <= run.top && !cuts.has(width)) run.last = width;
    else runs.push({ first: width, last: width, top: topOf(width) });
  }
  const stretches = runs.flatMap(({ first, last, top }) => {
    const parts = Math.ceil((last - first + 1) / LONGEST);
    const at = (part: number) => Math.round(first + ((last - first) * part) / parts);
    // Neighbours share the width between them, so that it is measured once.
    return Array.from({ length: parts }, (_, part) => ({ first: at(part), last: at(part + 1), top }));
  });
  const distance = ({ first, last }: Stretch) => Math.max(first - near, near - last, 0);
  const [narrowest] = stretches;
  stretches.sort((a, b) => distance(a) - distance(b) || a.first - b.first);
  stretches.splice(0, 1, ...shortAround(stretches[0], near));
  const at = stretches.indexOf(narrowest!);
  if (at > 1) stretches.splice(1, 0, ...stretches.splice(at, 1));
  return stretches;
}

/** A stretch in up to three, the first of them short and around a width. */
function shortAround(stretch: Stretch | undefined, near: number): Stretch[] {
  if (!stretch) return [];
  const { first, last, top } = stretch;
  if (last - first <= FIRST_LONGEST * 2) return [stretch];
  const from = Math.max(first, Math.min(last, near) - FIRST_LONGEST / 2);
  const begin = Math.min(from, last - FIRST_LONGEST);
  const end = begin + FIRST_LONGEST;
  const rest = [
    { first, last: begin, top },
    { first: end, last, top },
  ];
  return [{ first: begin, last: end, top }, ...rest.filter((one) => one.last > one.first)];
}
