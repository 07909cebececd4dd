'use client';

import { useState } from 'react';
import type { Finding } from '@/core/audit';
import type { Edit } from '@/core/edits';
import type { Entry } from '@/core/remedy';
import { commitOrReport } from '../editing/edits';
import { BUTTON } from '../theme/controls';

/** Takes a finding as it is, with a reason; or no longer. */
export function AcceptForm({ finding, entry }: { finding: Finding; entry: Entry }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const [all, setAll] = useState(true);
  const [problem, setProblem] = useState<string>();
  const { check, element } = finding;
  const { elements } = entry;
  const accept = (reason: string | null) => {
    const edits = elements.map((one): Edit => ({ type: 'acceptFinding', check, element: one, reason }));
    const label = reason === null ? 'No longer accept' : `Accept a finding on ${elements.length} elements`;
    commitOrReport(edits.length === 1 ? edits[0]! : { type: 'group', label, edits });
  };
  if (finding.accepted !== undefined)
    return (
      <p className="m-0 flex items-center gap-2">
        <span>
          Accepted: <q>{finding.accepted}</q>
        </span>
        <button type="button" className={BUTTON} onClick={() => accept(null)}>
          No longer accept
        </button>
      </p>
    );
  if (!open)
    return (
      <p className="m-0 text-muted">
        Not a fault here?{' '}
        <button type="button" className="border-0 bg-transparent p-0 text-reed underline" onClick={() => setOpen(true)}>
          Accept it with a reason
        </button>
      </p>
    );
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim().length < 3) return setProblem('Say in a few words why it is fine.');
        if (all) accept(reason.trim());
        else commitOrReport({ type: 'acceptFinding', check, element, reason: reason.trim() });
      }}
    >
      <label className="flex min-w-0 flex-1 items-center gap-2">
        Why it is fine
        <input
          autoFocus
          className="min-w-0 flex-1 rounded-[3px] border border-edge bg-well px-1.5 py-0.5 text-ink"
          maxLength={500}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      {elements.length > 1 && (
        <label className="flex items-center gap-1.5">
          <input type="checkbox" className="accent-reed" checked={all} onChange={(event) => setAll(event.target.checked)} />
          on all {elements.length} elements
        </label>
      )}
      <button type="submit" className={BUTTON}>
        Accept
      </button>
      <button type="button" className={BUTTON} onClick={() => setOpen(false)}>
        Cancel
      </button>
      {problem && (
        <span role="alert" className="text-rust">
          {problem}
        </span>
      )}
    </form>
  );
}
