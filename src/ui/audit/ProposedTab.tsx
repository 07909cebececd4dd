'use client';

import { useMemo } from 'react';
import type { Finding } from '@/core/audit';
import { checkNamed } from '@/core/audit';
import { elementsInWords, entriesOf, proposedBreakpoints } from '@/core/remedy';
import { setWidth } from '../view/actions';
import { shownPage, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { showMode } from '../devices/line-up';
import { applyAndProve } from './audit';

const NONE: readonly Finding[] = [];

/** The widths at which the page begins to fail where no breakpoint is, with what fails; one press creates one. */
export function ProposedTab() {
  const project = useSession((session) => session.project);
  const page = useSession(shownPage);
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const proposed = useMemo(() => proposedBreakpoints(project, findings), [project, findings]);
  return (
    <div className="min-h-0 flex-1 overflow-auto bg-sheet px-5 py-4">
      <p className="m-0 pb-3 text-muted">
        The widths at which {page.name} begins to fail inside a band. A breakpoint there is where the design asks for one.
      </p>
      {proposed.length === 0 && <p className="m-0">Every finding begins at a breakpoint, so none is missing.</p>}
      <ul className="m-0 flex list-none flex-col gap-2 p-0">
        {proposed.map(({ width, direction, findings: list, edit }) => (
          <li
            key={`${direction} ${width}`}
            className="flex items-center gap-4 rounded-[4px] border border-line-strong bg-paper px-3 py-2"
            data-testid="proposed"
          >
            <span className="w-40 shrink-0 font-mono">
              {width} and {direction}
            </span>
            <span className="min-w-0 flex-1">
              {entriesOf(project, page, list).map((entry) => (
                <span key={entry.key} className="block truncate">
                  {checkNamed(entry.worst.check)?.title}:{' '}
                  {elementsInWords(entry.elements.map((id) => page.elements[id]?.name ?? 'a removed element'))}
                </span>
              ))}
            </span>
            <button
              type="button"
              className={BUTTON}
              onClick={() => {
                setWidth(width);
                showMode('shape');
              }}
            >
              Go there
            </button>
            <button
              type="button"
              className="rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed"
              aria-label={`Create a breakpoint at ${width} and ${direction}`}
              onClick={() => void applyAndProve(edit, `Breakpoint at ${width} and ${direction}`)}
            >
              Create
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
