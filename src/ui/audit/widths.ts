import type { Finding } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';
import type { WidthRange } from '@/core/document';

/** "320 to 599, 742", both ends included; whole px. */
export const inWords = (widths: IntervalSet, most = 4): string => {
  const parts = widths.map(({ from, below }) => (below - from === 1 ? String(from) : `${from} to ${below - 1}`));
  return parts.length <= most ? parts.join(', ') : `${parts.slice(0, most).join(', ')} and ${parts.length - most} more`;
};

/** The place of a width on an axis over a range, 0 to 1, which gives narrow widths more room. */
export const shareOf = ({ first, last }: WidthRange, width: number): number =>
  Math.min(1, Math.max(0, (Math.log(width) - Math.log(first)) / (Math.log(last + 1) - Math.log(first))));

export interface Step {
  readonly width: number;
  readonly broken: number;
  readonly poor: number;
  readonly note: number;
}

/** How many findings there are from each width of a range on at which their number changes. */
export function stepsOf(findings: readonly Finding[], { first, last }: WidthRange): Step[] {
  const edges = new Set<number>([first, last + 1]);
  for (const { widths } of findings) for (const { from, below } of widths) edges.add(from).add(below);
  return [...edges]
    .filter((width) => first <= width && width <= last + 1)
    .sort((a, b) => a - b)
    .map((width) => {
      const at = Math.min(width, last);
      const here = findings.filter(({ widths }) => widths.some(({ from, below }) => from <= at && at < below));
      const of = (severity: Finding['severity']) => here.filter((finding) => finding.severity === severity).length;
      return { width, broken: of('broken'), poor: of('poor'), note: of('note') };
    });
}
