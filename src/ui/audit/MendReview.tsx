'use client';

import type { Finding } from '@/core/audit';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { entryWith, entriesNow } from '../findings/entries';
import { titleOfEntry } from '../findings/title-of-entry';
import type { MendOffer } from '../state/audit-slice';
import { useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { stopMending, takeMend } from './audit';
import { BeforeAfter } from './BeforeAfter';

const NONE: readonly Finding[] = [];

/** What a mend would do, before it is done: its edits, what each clears, and the page before and after. */
export function MendReview({ offer }: { offer: MendOffer }) {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const revision = useSession((session) => session.revision);
  const root = useSession((session) => session.project.pages.find(({ id }) => id === session.pageId)?.root ?? '');
  const entries = entriesNow(findings);
  const cleared = (keys: readonly string[]) => [...new Set(keys.flatMap((key) => entryWith(entries, key) ?? []))];
  const all = cleared(offer.steps.flatMap((step) => step.entries));
  const elements = all.reduce((sum, entry) => sum + entry.elements.length, 0);
  const old = revision !== offer.revision;
  const count = offer.steps.length;
  return (
    <Dialog open onClose={stopMending} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="flex max-h-full w-[1080px] max-w-full flex-col gap-3 overflow-auto rounded-[6px] border border-line-strong bg-paper p-5 text-ink">
          <DialogTitle className="m-0 text-[17px] font-bold">
            {count === 1 ? 'One edit mends' : `${count} edits mend`} {all.length} {all.length === 1 ? 'cause' : 'causes'}
            {elements > all.length ? ` on ${elements} elements` : ''}
          </DialogTitle>
          <p className="m-0 text-muted">
            Nothing new is found at any width or in any view with them, and no breakpoint is made. All of it is one step to undo.
          </p>
          <ol className="m-0 flex list-decimal flex-col gap-1.5 pl-5" data-testid="mend-steps">
            {offer.steps.map((step) => (
              <li key={step.title}>
                <b className="font-semibold">{step.title}</b>
                <span className="block text-muted">
                  clears {cleared(step.entries).map(titleOfEntry).join('; ') || 'a part of several'}
                </span>
              </li>
            ))}
          </ol>
          <BeforeAfter edit={offer.edit} widths={offer.widths} element={all[0]?.worst.element ?? root} />
          {old && <p className="m-0 text-rust">The page has changed since this was looked for.</p>}
          <div className="flex justify-end gap-2">
            <button type="button" className={BUTTON} onClick={stopMending}>
              Leave it
            </button>
            <button
              type="button"
              className="rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed disabled:opacity-50"
              disabled={old}
              onClick={() => void takeMend()}
            >
              {count === 1 ? 'Make this edit' : `Make these ${count} edits`}
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
