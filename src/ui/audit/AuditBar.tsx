'use client';

import type { Finding } from '@/core/audit';
import { wrongWords } from '@/core/audit';
import { useSession, useAudit } from '../state/store';
import { continueSweep, stopSweep } from '../measuring/sweep';
import { BUTTON } from '../theme/controls';
import { mendSafely, stopMending } from './audit';
import { MendReview } from './MendReview';
import { spokenAtEnd } from '../view/spoken';

const NONE: readonly Finding[] = [];
const FURTHER_WORDS = {
  widths: 'every width',
  heights: 'the heights of the devices',
  'large-text': 'text at 200%',
  'spaced-text': 'wider text spacing',
  reflow: '320 by 256 px',
  turned: 'devices turned',
  pointed: 'what is pointed at',
  focused: 'what has the focus',
  pressed: 'what is pressed',
  opened: 'open panels',
  samples: 'other rows in lists',
} as const;

/** How far the audit of the page is, and what can be done about all of it at once. */
export function AuditBar() {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const sweep = useSession((session) => session.sweeps[session.pageId]);
  const { first, last } = useSession((session) => session.project.audit.range);
  const mending = useAudit((audit) => audit.mending);
  const worth = findings.filter(({ severity, sample }) => severity !== 'note' && sample === undefined);
  const state = !sweep
    ? 'Not measured yet'
    : sweep.running
      ? sweep.further
        ? `Every width decided; looking at ${FURTHER_WORDS[sweep.further]}`
        : `${sweep.decided} of ${sweep.total} widths decided`
      : sweep.error
        ? sweep.error
        : sweep.complete
          ? `Every width ${first} to ${last} and every view decided${sweep.layouts ? `, with ${sweep.layouts} layouts` : ''}${sweep.wrong ? `. ${wrongWords(sweep.wrong)}` : ''}`
          : `${sweep.decided} of ${sweep.total} widths decided`;
  return (
    <div className="ml-auto flex min-w-0 flex-wrap items-center gap-x-3 gap-y-1 self-center">
      <span
        className={`max-w-[min(420px,100%)] truncate ${sweep?.error ? 'text-rust' : 'text-muted'}`}
        {...spokenAtEnd(sweep?.running ?? false)}
        data-testid="audit-state"
        data-complete={sweep?.complete === true && !sweep.running}
      >
        {state}
      </span>
      {sweep?.running ? (
        <button type="button" className={BUTTON} onClick={stopSweep}>
          Stop
        </button>
      ) : (
        !sweep?.complete && (
          <button type="button" className={BUTTON} onClick={() => continueSweep(true)}>
            {sweep ? 'Go on' : 'Measure'}
          </button>
        )
      )}
      {mending?.running ? (
        <>
          <span className="text-muted">
            Trying fixes: {mending.looked} of {mending.total} causes, {mending.titles.length} edits
          </span>
          <button type="button" className={BUTTON} onClick={stopMending}>
            Stop
          </button>
        </>
      ) : (
        <button
          type="button"
          className="rounded-[4px] bg-reed px-3 py-1 font-semibold whitespace-nowrap text-on-reed disabled:opacity-50"
          disabled={worth.length === 0 || sweep?.running}
          onClick={() => void mendSafely(worth)}
        >
          Mend what is safe
        </button>
      )}
      {mending?.offer && <MendReview offer={mending.offer} />}
    </div>
  );
}
