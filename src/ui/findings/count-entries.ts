import type { Entry } from '@/core/remedy';

/**
 * How many of each severity, by cause, and in brackets on how many elements, where those are more: "4 broken (27) · 2 notes".
 * @param byCauseOnly where there is no room for the elements
 */
export function countEntries(entries: readonly Entry[], byCauseOnly = false): string {
  const words = { broken: ['broken', 'broken'], poor: ['poor', 'poor'], note: ['note', 'notes'] } as const;
  const text = (['broken', 'poor', 'note'] as const).flatMap((severity) => {
    const list = entries.filter(({ worst }) => worst.severity === severity);
    const elements = list.reduce((sum, one) => sum + one.elements.length, 0);
    if (list.length === 0) return [];
    const more = !byCauseOnly && elements > list.length ? ` (${elements})` : '';
    return [`${list.length} ${words[severity][list.length === 1 ? 0 : 1]}${more}`];
  });
  return text.length > 0 ? text.join(' · ') : 'none';
}

/** What the numbers of `countEntries` are. */
export const COUNT_WORDS = 'Findings by cause; in brackets: on how many elements';
