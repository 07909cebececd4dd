'use client';

import type { Finding } from '@/core/audit';
import { checkNamed } from '@/core/audit';
import type { TriedFix } from '@/core/remedy';
import { isSafe } from '@/core/remedy';
import { shownPage, useSession, useAudit } from '../state/store';
import { BUTTON } from '../theme/controls';
import { applyAndProve, findFixes, stopFixes } from './audit';
import { inWords } from './widths';

const COUNT = new Intl.NumberFormat('en');

/** What would mend a finding, each fix tried on a copy at every width that it can change. */
export function FixList({ finding }: { finding: Finding }) {
  const page = useSession(shownPage);
  const revision = useSession((session) => session.revision);
  const fixes = useAudit((audit) => (audit.fixes?.finding === finding.key ? audit.fixes : undefined));
  const old = fixes && !fixes.running && fixes.revision !== revision;
  const says = ({ verdict }: TriedFix) => {
    const { cleared, widths, added, also, identical } = verdict;
    const name = (id: string) => page.elements[id]?.name ?? 'a new element';
    const parts = [
      `clears it at ${COUNT.format(cleared)} of ${COUNT.format(widths)} widths`,
      added.length === 0
        ? 'adds nothing'
        : `adds ${added
            .slice(0, 2)
            .map((one) => `“${checkNamed(one.check)?.title}” on ${name(one.element)} at ${inWords(one.widths, 2)}`)
            .join('; ')}${added.length > 2 ? ` and ${added.length - 2} more` : ''}`,
      `leaves ${COUNT.format(identical)} widths identical`,
    ];
    if (also.length > 0) parts.push(`clears ${also.length} more`);
    return parts.join(' · ');
  };
  return (
    <section aria-label="Fixes" className="flex flex-col gap-2">
      <div className="flex items-center gap-2">
        <h3 className="m-0 font-semibold">Fixes, tried at every width they change</h3>
        <span className="text-muted" role="status" data-testid="fixes-state">
          {fixes?.running ? `trying ${Math.min(fixes.looked + 1, fixes.total)} of ${fixes.total} …` : ''}
        </span>
        {fixes?.running ? (
          <button type="button" className={BUTTON} onClick={stopFixes}>
            Stop
          </button>
        ) : (
          <button type="button" className={BUTTON} onClick={() => void findFixes(finding)}>
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
            className="flex items-center gap-3 rounded-[4px] border border-line-strong bg-sheet px-3 py-2"
            data-testid="fix"
            data-safe={isSafe(fix.verdict)}
          >
            <span className="min-w-0 flex-1">
              <b className="block font-semibold">{fix.title}</b>
              <span className="block text-muted">{says(fix)}</span>
            </span>
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
          </li>
        ))}
      </ul>
    </section>
  );
}
