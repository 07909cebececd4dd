'use client';

import type { Check } from '@/core/audit';
import { CHECKS } from '@/core/audit';
import type { Tuning } from '@/core/document';
import { commitOrReport } from '../editing/edits';
import { useSession } from '../state/store';

/** All checks, what they mean, and what the project asks of them: each can be turned off and tuned. */
export function ChecksTab() {
  return (
    <div className="min-h-0 flex-1 overflow-auto bg-sheet px-5 py-4" data-testid="checks">
      <ul className="m-0 grid list-none grid-cols-2 gap-x-8 p-0">
        {CHECKS.map((check) => (
          <CheckRow key={check.id} check={check} />
        ))}
      </ul>
    </div>
  );
}

function CheckRow({ check }: { check: Check }) {
  const tuning: Tuning = useSession((session) => session.project.audit.checks[check.id]) ?? {};
  const change = (next: Tuning) => {
    const plain = !next.off && Object.keys(next.limits ?? {}).length === 0;
    commitOrReport({ type: 'tuneCheck', check: check.id, tuning: plain ? null : { ...next, limits: { ...next.limits } } });
  };
  return (
    <li className="flex flex-col gap-0.5 border-b border-line py-2">
      <label className="flex items-center gap-2 font-semibold">
        <input
          type="checkbox"
          className="accent-reed"
          checked={!tuning.off}
          onChange={(event) =>
            change(event.target.checked ? { limits: tuning.limits ?? {} } : { off: true, limits: tuning.limits ?? {} })
          }
        />
        <span
          aria-hidden
          className={`size-2.5 rounded-[2px] ${check.severity === 'broken' ? 'bg-rust' : 'bg-amber'} ${check.severity === 'note' ? 'opacity-50' : ''}`}
        />
        {check.title} <span className="font-normal text-muted">{check.severity}</span>
      </label>
      <span className="pl-6 text-muted">
        {check.why} {check.rule}.
      </span>
      {Object.entries(check.limits ?? {}).map(([name, limit]) => (
        <label key={name} className="flex items-center gap-2 pl-6">
          {limit.label}
          <input
            key={tuning.limits?.[name] ?? limit.usual}
            type="number"
            className="w-20 rounded-[3px] border border-edge bg-well px-1.5 py-0.5 font-mono text-ink"
            min={limit.least}
            max={limit.most}
            step="any"
            defaultValue={tuning.limits?.[name] ?? limit.usual}
            disabled={tuning.off}
            onBlur={(event) => {
              const value = event.target.valueAsNumber;
              const before = tuning.limits?.[name] ?? limit.usual;
              if (!Number.isFinite(value) || value < limit.least || value > limit.most) {
                event.target.value = String(before);
                return;
              }
              if (value === before) return;
              const { [name]: _, ...rest } = tuning.limits ?? {};
              change({ limits: value === limit.usual ? rest : { ...rest, [name]: value } });
            }}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
          <span className="text-muted">
            {limit.unit}, {limit.least} to {limit.most}
          </span>
        </label>
      ))}
    </li>
  );
}
