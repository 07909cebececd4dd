'use client';

import { useState } from 'react';
import { checkNamed } from '@/core/audit';
import type { Entry, TriedFix } from '@/core/remedy';
import { isSafe, shownWidths } from '@/core/remedy';
import { shownPage, useSession, useAudit } from '../state/store';
import { BUTTON } from '../theme/controls';
import { applyAndProve, findFixes, stopFixes } from './audit';
import { BeforeAfter } from './BeforeAfter';
import { inWords } from './widths';
import { spokenAtEnd } from '../view/spoken';

const COUNT = new Intl.NumberFormat('en');

/** "“Line is long” on Note at 1200 to 1400", of the first two. */
function inShort(told: TriedFix['verdict']['added'], name: (id: string) => string): string {
  const words = told.slice(0, 2).map((one) => {
    const where = one.page === undefined ? name(one.element) : `page ${one.page}`;
    return `“${checkNamed(one.check)?.title}” on ${where} at ${inWords(one.widths, 2)}`;
  });
  return `${words.join('; ')}${told.length > 2 ? ` and ${told.length - 2} more` : ''}`;
}

/** What would mend an entry, each fix tried on a copy at every width that it can change. */
export function FixList({ entry }: { entry: Entry }) {
  const page = useSession(shownPage);
  const range = useSession((session) => session.project.audit.range);
  const revision = useSession((session) => session.revision);
  const fixes = useAudit((audit) => (audit.fixes?.entry === entry.key ? audit.fixes : undefined));
  const [shown, setShown] = useState<string>();
  const old = fixes && !fixes.running && fixes.revision !== revision;
  const viewing = fixes?.running && fixes.looked >= fixes.total;
  const says = ({ verdict }: TriedFix) => {
    const { cleared, widths, added, worse, also, identical, change, everyView } = verdict;
    const name = (id: string) => page.elements[id]?.name ?? 'a new element';
    const parts = [
      cleared === widths
        ? 'clears it everywhere'
        : `clears it at ${COUNT.format(cleared)} of ${COUNT.format(widths)} widths${entry.findings.length > 1 ? ', all elements together' : ''}`,
      added.length > 0 ? `adds ${inShort(added, name)}` : everyView ? 'adds nothing in any view' : 'adds nothing at these widths',
      ...(worse.length > 0 ? [`makes worse ${inShort(worse, name)}`] : []),
      `${change === 0 ? 'nothing' : `${Math.max(1, Math.round(change * 100))}% of the elements`} moved aside, of another width or painted otherwise`,
      `leaves ${COUNT.format(identical)} widths identical`,
    ];
    if (also.length > 0) parts.push(`clears ${also.length} more`);
    return parts.join(' · ');
  };
  return (
    <section aria-label="Fixes" className="flex flex-col gap-2">
      <div className="flex items-center gap-2">
        <h3 className="m-0 font-semibold">Fixes, tried at every width they change</h3>
        <span className="text-muted" {...spokenAtEnd(fixes?.running ?? false)} data-testid="fixes-state">
          {viewing
            ? 'looking at the best in every view …'
            : fixes?.running
              ? `trying ${Math.min(fixes.looked + 1, fixes.total)} of ${fixes.total} …`
              : ''}
        </span>
        {fixes?.running ? (
          <button type="button" className={BUTTON} onClick={stopFixes}>
            Stop
          </button>
        ) : (
          <button type="button" className={BUTTON} onClick={() => void findFixes(entry)}>
            {fixes ? 'Try again' : 'Find fixes'}
          </button>
        )}
      </div>
      {old && <p className="m-0 text-muted">The page has changed since these were tried.</p>}
      {fixes?.problem && (
        <p role="alert" className="m-0 text-rust">
          {fixes.problem}
        </p>
      )}
      {fixes && !fixes.running && fixes.tried.length === 0 && !fixes.problem && (
        <p className="m-0 text-muted">
          None of the {fixes.total} fixes that were tried clears it anywhere. Go there and change the page by hand.
        </p>
      )}
      <ul className="m-0 flex list-none flex-col gap-2 p-0">
        {fixes?.tried.map((fix) => (
          <li
            key={fix.title}
            className="flex flex-col gap-2 rounded-[4px] border border-line-strong bg-sheet px-3 py-2"
            data-testid="fix"
            data-safe={isSafe(fix.verdict)}
          >
            <span className="flex items-center gap-2">
              <span className="min-w-0 flex-1">
                <b className="block font-semibold">{fix.title}</b>
                <span className="block text-muted">{says(fix)}</span>
              </span>
              <button
                type="button"
                className={BUTTON}
                aria-expanded={shown === fix.title}
                aria-label={`Show before and after: ${fix.title}`}
                onClick={() => setShown(shown === fix.title ? undefined : fix.title)}
              >
                Show
              </button>
              <button
                type="button"
                className={
                  isSafe(fix.verdict) ? 'rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed disabled:opacity-50' : BUTTON
                }
                disabled={old}
                aria-label={`Apply: ${fix.title}`}
                onClick={() => void applyAndProve(fix.edit, fix.title)}
              >
                Apply
              </button>
            </span>
            {shown === fix.title && !old && (
              <BeforeAfter
                edit={fix.edit}
                widths={shownWidths(range, fix.verdict.touched, entry.worst.worst.width)}
                element={entry.worst.element}
                sample={entry.worst.sample}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
