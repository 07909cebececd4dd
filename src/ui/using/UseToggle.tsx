'use client';

import { pageOf } from '@/core/document';
import { useKeyHint } from '../input/key-choices';
import { plural } from '@/core/text';
import { useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { goBack, setUsing } from './using';

/** Lets pages work as for visitors, says what that has come to, and leads back. */
export function UseToggle() {
  const hint = useKeyHint('use');
  const on = useSession((session) => session.usePage);
  const builds = useSession((session) => session.builds);
  const before = useSession((session) => {
    const last = session.usedBefore[session.usedBefore.length - 1];
    return last === undefined ? undefined : pageOf(session.project, last)?.name;
  });
  return (
    <span className="flex items-center gap-1.5" role="group" aria-label="Use the page">
      <button
        type="button"
        aria-pressed={on}
        title={`Links, panels and fields work as for visitors${hint}; Escape leads back`}
        className={`${BUTTON} whitespace-nowrap ${on ? 'border-amber-ink !bg-amber-tint font-semibold' : ''}`}
        onClick={() => setUsing(!on)}
      >
        {on ? 'Using the page' : 'Use the page'}
      </button>
      {on && before !== undefined && (
        <button type="button" className={`${BUTTON} max-w-36 truncate`} onClick={goBack}>
          ← {before}
        </button>
      )}
      {on && builds > 0 && (
        <span className="font-mono text-xs whitespace-nowrap text-muted" data-testid="builds" aria-live="polite">
          {plural(builds, 'alternate')} built
        </span>
      )}
    </span>
  );
}
