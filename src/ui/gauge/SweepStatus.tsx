'use client';

import { COUNT_WORDS, countEntries } from '../findings/count-entries';
import { useEntries } from '../findings/entries';
import { useSession } from '../state/store';
import { continueSweep, onlyWhenAsked, stopSweep } from '../measuring/sweep';

/** How far the sweep is, and what it has found; it can be stopped and taken up again. */
export function SweepStatus() {
  const entries = useEntries();
  const sweep = useSession((session) => session.sweeps[session.pageId]);
  const waiting = sweep && !sweep.running && sweep.decided < sweep.total;
  return (
    <div className="h-[34px] pr-2">
      <div
        className="flex h-[18px] items-center justify-between gap-2 text-muted"
        data-testid="sweep-state"
        data-done={sweep !== undefined && sweep.decided === sweep.total && !sweep.running}
      >
        <span className="text-ink">Findings</span>
        {sweep?.error ? (
          <span className="truncate text-xs text-rust" title={sweep.error}>
            {sweep.error}
          </span>
        ) : sweep?.running ? (
          <progress
            aria-label="Widths measured"
            className="h-1.5 w-16 min-w-0 flex-1 accent-amber"
            max={sweep.total}
            value={sweep.decided}
          />
        ) : (
          <span className="truncate text-xs">
            {sweep
              ? waiting
                ? `${sweep.decided} of ${sweep.total} widths`
                : `every width ${sweep.everyWidth ? 'measured' : 'decided'}`
              : 'not measured yet'}
          </span>
        )}
        {sweep?.running && <Action label="Stop" onClick={stopSweep} />}
        {!sweep && onlyWhenAsked() && <Action label="Measure" onClick={() => continueSweep(true)} />}
        {waiting && (sweep.stopped || sweep.error || onlyWhenAsked()) && (
          <Action label="Go on" onClick={() => continueSweep(true)} />
        )}
      </div>
      <span
        className={`block truncate text-sm leading-4 ${entries.some(({ worst }) => worst.severity === 'broken') ? 'text-rust' : 'text-muted'}`}
        title={`${COUNT_WORDS}: ${countEntries(entries)}`}
        data-testid="finding-count"
      >
        {countEntries(entries, true)}
      </span>
    </div>
  );
}

function Action({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button type="button" className="border-0 bg-transparent p-0 text-reed underline" onClick={onClick}>
      {label}
    </button>
  );
}
