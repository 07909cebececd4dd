'use client';

import { useState } from 'react';
import { recoverProject } from '../requests/requests';
import { report } from '../editing/edits';
import { useSession } from '../state/store';
import { reload } from '../editing/sync';

/** Where what is stored of a project can't be read: what is wrong, what is shown instead, and the ways on. */
export function DamageBar() {
  const damage = useSession((session) => session.damage);
  const projectId = useSession((session) => session.projectId);
  const revision = useSession((session) => session.revision);
  const [busy, setBusy] = useState(false);
  if (!damage) return null;
  const later = damage.revision - revision;
  const goBack = async () => {
    setBusy(true);
    try {
      await recoverProject(projectId);
      await reload();
    } catch (error) {
      report((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <section
      role="alert"
      aria-label="This project can't be read"
      className="flex shrink-0 items-center gap-4 border-b border-rust bg-rust-tint px-3.5 py-1.5"
    >
      <p className="m-0 min-w-0 flex-1">
        <b>What is stored of this project can't be read:</b> {damage.reason}
        {damage.place && (
          <>
            {' '}
            (at <code className="font-mono">{damage.place}</code>)
          </>
        )}{' '}
        You see it as it was at revision {revision}
        {later > 0 && `, before the last ${later === 1 ? 'edit' : `${later} edits`}`}. It can't be edited until you go back to
        that.
      </p>
      <a href={`/api/projects/${projectId}/everything`} download className="shrink-0">
        Download everything
      </a>
      <button
        type="button"
        disabled={busy}
        onClick={() => void goBack()}
        className="shrink-0 rounded-[4px] border-0 bg-rust px-3 py-1 font-semibold text-on-reed disabled:opacity-60"
      >
        Go back to revision {revision}
      </button>
    </section>
  );
}
