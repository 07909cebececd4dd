import { contains } from '../breakpoints/interval';
import type { WidthRange } from '../document/profile';
import type { Finding } from './sweep/ledger';

/** Notes are worth a look, and what was accepted is meant: neither is wrong. */
export const isWrong = ({ severity, accepted }: Pick<Finding, 'severity' | 'accepted'>): boolean =>
  severity !== 'note' && accepted === undefined;

/** The findings that a device shows. Beyond the swept widths the nearest swept one speaks for it. */
export function findingsOn(
  findings: readonly Finding[],
  { width, height }: { readonly width: number; readonly height: number },
  { first, last }: WidthRange,
): Finding[] {
  const swept = Math.min(last, Math.max(first, width));
  return findings.filter(
    ({ widths, heights }) => contains(widths, heights ? width : swept) && (!heights || heights.includes(height)),
  );
}
