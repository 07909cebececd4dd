'use client';

import { useEffect, useRef } from 'react';
import { acceptProposal, dismissProposal } from '../editing/proposal';
import { useSession } from '../state/store';
import { BUTTON, YES_BUTTON } from '../theme/controls';

/** What is about to happen, before it does: in words here, and as stretches on the gauge. */
export function ProposalBar() {
  const plan = useSession((session) => session.proposal);
  const background = useSession((session) => session.stopBackground !== undefined);
  const yes = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (!plan) return;
    const before = document.activeElement as HTMLElement | null;
    // A menu that closes takes the focus back after this.
    const timer = setTimeout(() => yes.current?.focus(), 60);
    return () => {
      clearTimeout(timer);
      if (before?.isConnected) before.focus();
    };
  }, [plan]);
  if (background)
    return (
      <div role="status" className="flex shrink-0 items-center gap-4 border-y border-amber-ink bg-amber-tint px-4 py-2">
        <progress aria-label="Working it out" className="h-1.5 w-24" />
        <span className="flex-1">Working out what will happen …</span>
        <button type="button" className={BUTTON} onClick={dismissProposal}>
          Leave it
        </button>
      </div>
    );
  if (!plan) return null;
  return (
    <div
      role="dialog"
      aria-label="What will happen"
      className="flex shrink-0 items-start gap-4 border-y border-amber-ink bg-amber-tint px-4 py-2"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        dismissProposal();
      }}
    >
      <div className="max-h-28 min-w-0 flex-1 overflow-auto">
        <p className="m-0 font-semibold">{plan.sentence}</p>
        {plan.details.map((line) => (
          <p key={line} className="m-0">
            {line}
          </p>
        ))}
      </div>
      <div className="flex shrink-0 gap-2">
        <button type="button" className={BUTTON} onClick={dismissProposal}>
          Leave it
        </button>
        <button ref={yes} type="button" className={YES_BUTTON} onClick={acceptProposal}>
          Do it
        </button>
      </div>
    </div>
  );
}
