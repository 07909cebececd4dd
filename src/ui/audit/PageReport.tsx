'use client';

import { sampleInWords } from '@/core/tables';
import { useMemo, useState } from 'react';
import type { Finding } from '@/core/audit';
import { SEVERITIES } from '@/core/audit';
import type { Entry } from '@/core/remedy';
import { elementsInWords, entriesOf, entryOf } from '@/core/remedy';
import { shownPage, useSession } from '../state/store';
import { COUNT_WORDS, countEntries } from '../findings/count-entries';
import { entriesNow, entryWith } from '../findings/entries';
import { EntryElements } from '../findings/EntryElements';
import { titleOfEntry } from '../findings/title-of-entry';
import { DrawnList } from '../drawn/DrawnList';
import { chooseFinding } from './audit';
import { FindingDetail } from './FindingDetail';
import { FindingsChart } from './FindingsChart';
import { IntervalBar } from './IntervalBar';

/** About how high an entry is, px. */
const ENTRY = 46;
const NONE: readonly Finding[] = [];
const HEADINGS = { broken: 'Broken', poor: 'Poor', note: 'Notes' } as const;

interface Group {
  readonly key: string;
  readonly label: string;
  readonly list: readonly Entry[];
}

/** All findings of the page by cause, by severity or by element, and the one that is looked at. */
export function PageReport() {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const accepted = useSession((session) => session.accepted[session.pageId] ?? NONE);
  const done = useSession((session) => session.sweeps[session.pageId]?.complete ?? false);
  const page = useSession(shownPage);
  const chosen = useSession((session) => session.selectedFinding);
  const [by, setBy] = useState<'severity' | 'element'>('severity');
  const entries = entriesNow(findings);
  const project = useSession((session) => session.project);
  const taken = useMemo(() => entriesOf(project, page, accepted), [project, page, accepted]);
  const groups = useMemo((): Group[] => {
    if (by === 'severity')
      return SEVERITIES.map((severity) => ({
        key: severity,
        label: HEADINGS[severity],
        list: entries.filter(({ worst }) => worst.severity === severity),
      }));
    const elements = [...new Set(findings.map(({ element }) => element))];
    return elements
      .map((element) => ({
        key: element,
        label: page.elements[element]?.name ?? 'A removed element',
        list: findings.filter((one) => one.element === element).map((one) => entryOf([one])),
      }))
      .sort((a, b) => b.list.length - a.list.length);
  }, [by, findings, entries, page]);
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const shown = [...findings, ...accepted].find(({ key }) => key === chosen);
  return (
    <div className="flex min-h-0 flex-1 max-[900px]:flex-col">
      <div className="flex w-1/2 min-w-0 flex-col border-r border-line bg-sheet max-[900px]:h-1/2 max-[900px]:w-full max-[900px]:border-r-0 max-[900px]:border-b">
        <FindingsChart findings={findings} />
        <div className="flex items-center gap-2 border-b border-line px-4 py-1.5 text-muted">
          <span>By</span>
          {(['severity', 'element'] as const).map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={by === one}
              className={`rounded-[4px] border px-2 py-0.5 ${by === one ? 'border-reed bg-reed-tint text-ink' : 'border-line-strong bg-sheet'}`}
              onClick={() => setBy(one)}
            >
              {one}
            </button>
          ))}
          <span className="ml-auto font-mono text-xs" title={COUNT_WORDS} data-testid="audit-count">
            {countEntries(entries)}
          </span>
        </div>
        <div ref={setScroller} className="min-h-0 flex-1 overflow-auto" data-testid="audit-list">
          <div>
            {done && findings.length === 0 && <p className="px-4 py-3">Nothing is wrong on this page at any width.</p>}
            {groups.map(({ key, label, list }) =>
              list.length === 0 ? null : (
                <section key={key} aria-label={label}>
                  <h3 className="m-0 flex justify-between px-4 pt-2 pb-1 font-semibold text-muted">
                    {label} <span className="font-mono">{onElements(list)}</span>
                  </h3>
                  <Rows list={list} chosen={chosen} scroller={scroller} />
                </section>
              ),
            )}
            {accepted.length > 0 && (
              <section aria-label="Accepted">
                <h3 className="m-0 flex justify-between px-4 pt-2 pb-1 font-semibold text-muted">
                  Accepted <span className="font-mono">{accepted.length}</span>
                </h3>
                <Rows list={taken} chosen={chosen} scroller={scroller} />
              </section>
            )}
          </div>
        </div>
      </div>
      <div className="min-w-0 flex-1 overflow-auto">
        {shown ? (
          <FindingDetail
            key={shown.key}
            finding={shown}
            entry={entryWith([...entries, ...taken], shown.key) ?? entryOf([shown])}
          />
        ) : (
          <p className="p-6 text-muted">Choose a finding to see it at its worst, what causes it, and what mends it.</p>
        )}
      </div>
    </div>
  );
}

/** "6 on 18 elements", "2". */
function onElements(list: readonly Entry[]): string {
  const elements = list.reduce((sum, entry) => sum + entry.elements.length, 0);
  return elements > list.length ? `${list.length} on ${elements} elements` : String(list.length);
}

interface RowsProps {
  readonly list: readonly Entry[];
  readonly chosen: string | undefined;
  readonly scroller: HTMLElement | null;
}

function Rows({ list, chosen, scroller }: RowsProps) {
  const project = useSession((session) => session.project);
  const page = useSession(shownPage);
  return (
    <DrawnList
      items={list}
      keyOf={({ key }) => key}
      size={ENTRY}
      scroller={scroller}
      rowClass="border-b border-line"
      shown={list.find(({ findings }) => findings.some(({ key }) => key === chosen))?.key}
    >
      {(entry) => {
        const { worst, elements, findings } = entry;
        const isChosen = findings.some(({ key }) => key === chosen);
        return (
          <>
            <button
              type="button"
              aria-pressed={isChosen}
              className={`flex w-full items-center gap-x-3 border-0 border-l-[3px] max-[900px]:flex-wrap py-1.5 pr-4 pl-3 text-left -outline-offset-2 ${isChosen ? 'border-reed bg-reed-tint' : 'border-transparent bg-transparent hover:bg-paper'}`}
              onClick={() => chooseFinding(worst.key)}
            >
              <span
                aria-hidden
                className={`size-2.5 shrink-0 rounded-[2px] ${worst.severity === 'broken' ? 'bg-rust' : 'bg-amber'} ${worst.severity === 'note' || worst.accepted ? 'opacity-50' : ''}`}
              />
              <span className="min-w-0 flex-1 max-[900px]:basis-[85%]">
                <b className="block truncate font-semibold">{titleOfEntry(entry)}</b>
                <span className="block truncate text-muted">
                  {elementsInWords(elements.map((id) => page.elements[id]?.name ?? 'a removed element'))}
                  {worst.sample !== undefined && ` · with ${sampleInWords(project, worst.sample)}`}
                  {worst.accepted && ` · accepted: ${worst.accepted}`}
                </span>
              </span>
              <IntervalBar widths={entry.widths} severity={worst.severity} />
            </button>
            {isChosen && <EntryElements entry={entry} chosen={chosen} onChoose={({ key }) => chooseFinding(key)} />}
          </>
        );
      }}
    </DrawnList>
  );
}
