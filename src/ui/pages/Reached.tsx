'use client';

import type { Finding } from '@/core/audit';
import type { Page } from '@/core/document';
import type { SweepState } from '../state/store';

interface Props {
  readonly pages: readonly Page[];
  readonly sweeps: Readonly<Record<string, SweepState>>;
  readonly findings: Readonly<Record<string, readonly Finding[]>>;
}

/** What edits did to the pages that they reached: how many are measured again by now, and what was found there. */
export function Reached({ pages, sweeps, findings }: Props) {
  const known = pages.flatMap(({ id }) => (sweeps[id] ? [{ id, sweep: sweeps[id] }] : []));
  const reached = known.filter(({ sweep }) => sweep.reached);
  const waiting = reached.filter(({ sweep }) => sweep.decided < sweep.total);
  const changes = reached.flatMap(({ id, sweep }) =>
    sweep.before === undefined || waiting.some((one) => one.id === id) ? [] : [(findings[id]?.length ?? 0) - sweep.before],
  );
  const more = changes.filter((change) => change > 0).reduce((sum, change) => sum + change, 0);
  const fewer = -changes.filter((change) => change < 0).reduce((sum, change) => sum + change, 0);
  const words = [
    waiting.length > 0 && `measuring ${waiting.length === 1 ? '1 page' : `${waiting.length} pages`} again`,
    reached.length > 0 && `edits reached ${reached.length === 1 ? '1 page' : `${reached.length} pages`}`,
    changes.length > 0 && (more + fewer === 0 ? 'nothing new found' : `${more} found anew, ${fewer} gone`),
  ].filter(Boolean);
  if (words.length === 0) return null;
  return (
    <p role="status" className="m-0 truncate text-xs text-muted">
      {words.join(' · ')}
    </p>
  );
}
