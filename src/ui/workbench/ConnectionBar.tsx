'use client';

import { useEffect, useState } from 'react';
import { plural } from '@/core/text';
import { tryNow } from '../editing/live';
import { useSession } from '../state/store';
import { BUTTON } from '../theme/controls';

/** A server that is started again answers within this time, ms: nobody needs to be told. */
const PATIENCE_MS = 4_000;

/** While the server doesn't answer: what still works, what waits, and what not to do. */
export function ConnectionBar() {
  const away = useSession((session) => session.saving === 'waiting' || !session.connected);
  // Between two tries it is being sent once more, and nothing is known.
  const back = useSession((session) => session.saving === 'saved' && session.connected);
  const waiting = useSession((session) => session.pending.length);
  const [since, setSince] = useState<Date>();
  const [told, setTold] = useState(false);
  useEffect(() => {
    if (back) setSince(undefined);
    else if (away) setSince((before) => before ?? new Date());
  }, [away, back]);
  useEffect(() => {
    setTold(false);
    const timer = since && setTimeout(setTold, PATIENCE_MS, true);
    return () => clearTimeout(timer);
  }, [since]);
  if (!since || !told) return null;
  const time = since.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return (
    <section
      role="status"
      aria-label="No connection to the server"
      className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line-strong bg-amber-tint px-3.5 py-1.5"
    >
      <p className="m-0 min-w-0 flex-1">
        <b>No answer from the server since {time}.</b>{' '}
        {waiting > 0
          ? `${plural(waiting, 'edit')} ${waiting === 1 ? 'waits' : 'wait'} in this window and ${waiting === 1 ? 'is' : 'are'} sent as soon as it answers: leave the window open.`
          : 'All your edits are saved.'}{' '}
        Shaping and looking go on; audits, exports and what others do come with the connection.
      </p>
      <button type="button" className={BUTTON} onClick={tryNow}>
        Try now
      </button>
    </section>
  );
}
