'use client';

import { useMemo, useState } from 'react';
import type { Finding } from '@/core/audit';
import { checkNamed, SEVERITIES } from '@/core/audit';
import { contains, DEFAULT_SLICE, describeInterval } from '@/core/breakpoints';
import { shownPage, useSession } from '../state/store';
import { countEntries } from './count-entries';
import { EntryElements } from './EntryElements';
import { entriesNow } from './entries';
import { showFinding } from './show-finding';
import { titleOfEntry } from './title-of-entry';
import { ValueFindings } from './ValueFindings';
import { DrawnList } from '../drawn/DrawnList';
import { spokenAtEnd } from '../view/spoken';

const NONE: readonly Finding[] = [];
/** About how high an entry is, px. */
const ENTRY = 64;
const HEADINGS = { broken: 'Broken', poor: 'Poor', note: 'Notes' } as const;

/** Every finding of the page, by severity: what, where, over which widths. Pressing one goes there. */
export function FindingsPanel() {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const sweep = useSession((session) => session.sweeps[session.pageId]);
  const page = useSession(shownPage);
  const height = useSession((session) => session.slice.height);
  const width = useSession((session) => session.width);
  const { first, last } = useSession((session) => session.project.audit.range);
  const chosen = useSession((session) => session.selectedFinding);
  const entries = entriesNow(findings);
  const here = useMemo(
    () => new Set(entries.filter(({ widths }) => contains(widths, width)).map(({ key }) => key)),
    [entries, width],
  );
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const name = (id: string) => page.elements[id]?.name ?? 'a removed element';
  const done = sweep && !sweep.running && sweep.decided === sweep.total;

  return (
    <div ref={setScroller} className="min-h-0 flex-1 overflow-auto" data-testid="findings">
      <div>
        <p className="m-0 border-b border-line px-3.5 py-2 text-muted" {...spokenAtEnd(sweep?.running ?? false)}>
          {sweep?.running
            ? `${sweep.decided} of ${sweep.total} widths decided: ${countEntries(entries)} so far`
            : done
              ? `Every width from ${first} to ${last} ${sweep.everyWidth ? 'measured' : 'decided'}${height === DEFAULT_SLICE.height ? '' : ` at ${height} px high`}: ${countEntries(entries)}`
              : (sweep?.error ?? 'Not all widths are decided.')}
        </p>
        {done && findings.length === 0 && <p className="px-3.5 py-3">Nothing is wrong on this page at any width.</p>}
        {SEVERITIES.map((severity) => {
          const list = entries.filter(({ worst }) => worst.severity === severity);
          if (list.length === 0) return null;
          return (
            <section key={severity} aria-label={HEADINGS[severity]}>
              <h3 className="m-0 flex justify-between px-3.5 pt-2 pb-1 font-semibold text-muted">
                {HEADINGS[severity]} <span className="font-mono">{list.length}</span>
              </h3>
              <DrawnList
                items={list}
                keyOf={({ key }) => key}
                size={ENTRY}
                scroller={scroller}
                rowClass="border-b border-line"
                shown={list.find(({ findings: members }) => members.some(({ key }) => key === chosen))?.key}
              >
                {(entry) => {
                  const { worst, findings: members } = entry;
                  const check = checkNamed(worst.check);
                  const isChosen = members.some(({ key }) => key === chosen);
                  return (
                    <>
                      <button
                        type="button"
                        aria-pressed={isChosen}
                        className={`flex w-full gap-2 border-0 border-l-[3px] px-3 py-1.5 text-left -outline-offset-2 ${isChosen ? 'border-reed bg-reed-tint' : 'border-transparent bg-transparent hover:bg-paper'}`}
                        onClick={() => showFinding(worst)}
                      >
                        <span
                          aria-hidden
                          className={`mt-1 size-2.5 shrink-0 rounded-[2px] ${severity === 'broken' ? 'bg-rust' : 'bg-amber'} ${here.has(entry.key) ? '' : 'opacity-40'}`}
                        />
                        <span className="min-w-0">
                          <b className="font-semibold">{titleOfEntry(entry)}</b>
                          <span className="block">{check?.sentence(worst.worst.violation, name)}</span>
                          <span className="block font-mono text-xs text-muted">
                            {entry.widths.map(describeInterval).join(', ')} · worst at {worst.worst.width}
                          </span>
                          {isChosen && (
                            <span className="block pt-1 text-muted">
                              {check?.why} <span className="block">Rule: {check?.rule}</span>
                            </span>
                          )}
                        </span>
                      </button>
                      {isChosen && <EntryElements entry={entry} chosen={chosen} onChoose={showFinding} />}
                    </>
                  );
                }}
              </DrawnList>
            </section>
          );
        })}
        <ValueFindings scroller={scroller} />
      </div>
    </div>
  );
}
