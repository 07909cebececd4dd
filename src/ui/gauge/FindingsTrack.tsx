'use client';

import { memo, useMemo } from 'react';
import type { Finding } from '@/core/audit';
import { checkNamed } from '@/core/audit';
import { describeInterval } from '@/core/breakpoints';
import { showFinding } from '../findings/show-finding';
import { shownPage, useSession } from '../state/store';
import type { Scale } from './scale';
import { place } from './scale';

const ROWS = 4;
const ROW_HEIGHT = 8;
const NONE: readonly Finding[] = [];

interface Bar {
  readonly key: string;
  readonly finding: Finding;
  readonly from: number;
  readonly below: number;
  readonly row: number;
  /** How many findings of the same check lie on exactly this stretch. */
  readonly count: number;
}

/** Findings as bars, as long as their intervals, in as few rows as they need; the worst lie on top. */
export function barsOf(findings: readonly Finding[]): Bar[] {
  const seen = new Map<string, { finding: Finding; from: number; below: number; count: number }>();
  for (const finding of findings)
    for (const { from, below } of finding.widths) {
      const key = `${finding.check} ${from} ${below}`;
      const known = seen.get(key);
      if (known) known.count++;
      else seen.set(key, { finding, from, below, count: 1 });
    }
  const rows: { from: number; below: number }[][] = [];
  return [...seen].map(([key, bar]) => {
    let row = rows.findIndex((taken) => taken.every((other) => other.below <= bar.from || bar.below <= other.from));
    if (row < 0) row = rows.push([]) - 1;
    rows[row]!.push(bar);
    return { key, ...bar, row };
  });
}

export const FindingsTrack = memo(function FindingsTrack({ scale }: { scale: Scale }) {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const chosen = useSession((session) => session.selectedFinding);
  const page = useSession(shownPage);
  const bars = useMemo(() => barsOf(findings), [findings]);
  return (
    <div className="part relative" style={{ height: ROWS * ROW_HEIGHT + 2 }} data-testid="findings-track">
      {bars.map(({ key, finding, from, below, row, count }) => {
        const at = place(scale, from, below);
        if (!at || row >= ROWS) return null;
        const name = page.elements[finding.element]?.name ?? 'A removed element';
        const title = `${checkNamed(finding.check)?.title}: ${name}${count > 1 ? ` and ${count - 1} more` : ''}, ${describeInterval({ from, below })}`;
        return (
          <button
            key={key}
            type="button"
            tabIndex={-1}
            title={title}
            aria-label={title}
            className={`absolute h-[6px] rounded-[1px] border-0 p-0 ${finding.severity === 'broken' ? 'bg-rust' : 'bg-amber'} ${chosen === finding.key ? 'outline outline-2 outline-ink' : ''}`}
            style={{ left: at.left, width: Math.max(3, at.width), top: row * ROW_HEIGHT + 2 }}
            onClick={() => showFinding(finding)}
          />
        );
      })}
    </div>
  );
});
