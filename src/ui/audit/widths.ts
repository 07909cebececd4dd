import type { Finding } from '@/core/audit';
import { SWEEP_RANGE } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';

/** "320 to 599, 742", both ends included; whole px. */
export const inWords = (widths: IntervalSet, most = 4): string => {
  const parts = widths.map(({ from, below }) =>
    below - from === 1 ? String(from) : `${from} to ${Math.min(below - 1, SWEEP_RANGE.last)}`,
  );
  return parts.length <= most ? parts.join(', ') : `${parts.slice(0, most).join(', ')} and ${parts.length - most} more`;
};

/** Place of a width on an axis that gives narrow widths more room, 0 to 1. */
export const share = (width: number): number =>
  (Math.log(width) - Math.log(SWEEP_RANGE.first)) / (Math.log(SWEEP_RANGE.last + 1) - Math.log(SWEEP_RANGE.first));

export interface Step {
  readonly width: number;
  readonly broken: number;
  readonly poor: number;
  readonly note: number;
}

/** How many findings there are from each width on at which their number changes. */
export function stepsOf(findings: readonly Finding[]): Step[] {
  const edges = new Set<number>([SWEEP_RANGE.first, SWEEP_RANGE.last + 1]);
  for (const { widths } of findings) for (const { from, below } of widths) edges.add(from).add(below);
  return [...edges]
    .sort((a, b) => a - b)
    .map((width) => {
      const at = Math.min(width, SWEEP_RANGE.last);
      const here = findings.filter(({ widths }) => widths.some(({ from, below }) => from <= at && at < below));
      const of = (severity: Finding['severity']) => here.filter((finding) => finding.severity === severity).length;
      return { width, broken: of('broken'), poor: of('poor'), note: of('note') };
    });
}
