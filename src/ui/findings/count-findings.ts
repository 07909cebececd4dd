import type { Finding } from '@/core/audit';

/** How many of each severity, in words: "4 broken · 2 notes". */
export function countFindings(findings: readonly Finding[]): string {
  const count = (severity: Finding['severity']) => findings.filter((finding) => finding.severity === severity).length;
  const parts = [
    [count('broken'), 'broken'],
    [count('poor'), 'poor'],
    [count('note'), count('note') === 1 ? 'note' : 'notes'],
  ] as const;
  const text = parts.filter(([number]) => number > 0).map(([number, word]) => `${number} ${word}`);
  return text.length > 0 ? text.join(' · ') : 'none';
}
