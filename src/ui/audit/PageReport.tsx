'use client';

import { sampleInWords } from '@/core/tables';
import { useMemo, useState } from 'react';
import type { Finding } from '@/core/audit';
import { checkNamed, SEVERITIES } from '@/core/audit';
import { shownPage, useSession } from '../state/store';
import { chooseFinding } from './audit';
import { FindingDetail } from './FindingDetail';
import { FindingsChart } from './FindingsChart';
import { IntervalBar } from './IntervalBar';

const NONE: readonly Finding[] = [];
const HEADINGS = { broken: 'Broken', poor: 'Poor', note: 'Notes' } as const;

interface Group {
  readonly key: string;
  readonly label: string;
  readonly list: readonly Finding[];
}

/** All findings of the page, by severity or by element, and the one that is looked at. */
export function PageReport() {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const accepted = useSession((session) => session.accepted[session.pageId] ?? NONE);
  const done = useSession((session) => session.sweeps[session.pageId]?.complete ?? false);
  const page = useSession(shownPage);
  const chosen = useSession((session) => session.selectedFinding);
  const [by, setBy] = useState<'severity' | 'element'>('severity');
  const name = (id: string) => page.elements[id]?.name ?? 'a removed element';
  const groups = useMemo((): Group[] => {
    if (by === 'severity')
      return SEVERITIES.map((severity) => ({
        key: severity,
        label: HEADINGS[severity],
        list: findings.filter((one) => one.severity === severity),
      }));
    const elements = [...new Set(findings.map(({ element }) => element))];
    return elements
      .map((element) => ({
        key: element,
        label: page.elements[element]?.name ?? 'A removed element',
        list: findings.filter((one) => one.element === element),
      }))
      .sort((a, b) => b.list.length - a.list.length);
  }, [by, findings, page]);
  const shown = [...findings, ...accepted].find(({ key }) => key === chosen);
  return (
    <div className="flex min-h-0 flex-1">
      <div className="flex w-1/2 min-w-0 flex-col border-r border-line bg-sheet">
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
          <span className="ml-auto font-mono text-xs">{findings.length} findings</span>
        </div>
        <div className="min-h-0 flex-1 overflow-auto" data-testid="audit-list">
          {done && findings.length === 0 && <p className="px-4 py-3">Nothing is wrong on this page at any width.</p>}
          {groups.map(({ key, label, list }) =>
            list.length === 0 ? null : (
              <section key={key} aria-label={label}>
                <h3 className="m-0 flex justify-between px-4 pt-2 pb-1 font-semibold text-muted">
                  {label} <span className="font-mono">{list.length}</span>
                </h3>
                <Rows list={list} chosen={chosen} name={name} />
              </section>
            ),
          )}
          {accepted.length > 0 && (
            <section aria-label="Accepted">
              <h3 className="m-0 flex justify-between px-4 pt-2 pb-1 font-semibold text-muted">
                Accepted <span className="font-mono">{accepted.length}</span>
              </h3>
              <Rows list={accepted} chosen={chosen} name={name} />
            </section>
          )}
        </div>
      </div>
      <div className="min-w-0 flex-1 overflow-auto">
        {shown ? (
          <FindingDetail key={shown.key} finding={shown} />
        ) : (
          <p className="p-6 text-muted">Choose a finding to see it at its worst, what causes it, and what mends it.</p>
        )}
      </div>
    </div>
  );
}

function Rows({ list, chosen, name }: { list: readonly Finding[]; chosen: string | undefined; name: (id: string) => string }) {
  const project = useSession((session) => session.project);
  return (
    <ul className="m-0 list-none p-0">
      {list.map((finding) => (
        <li key={finding.key} className="border-b border-line">
          <button
            type="button"
            aria-pressed={chosen === finding.key}
            className={`flex w-full items-center gap-3 border-0 border-l-[3px] py-1.5 pr-4 pl-3 text-left -outline-offset-2 ${chosen === finding.key ? 'border-reed bg-reed-tint' : 'border-transparent bg-transparent hover:bg-paper'}`}
            onClick={() => chooseFinding(finding.key)}
          >
            <span
              aria-hidden
              className={`size-2.5 shrink-0 rounded-[2px] ${finding.severity === 'broken' ? 'bg-rust' : 'bg-amber'} ${finding.severity === 'note' || finding.accepted ? 'opacity-50' : ''}`}
            />
            <span className="min-w-0 flex-1">
              <b className="block truncate font-semibold">{checkNamed(finding.check)?.title}</b>
              <span className="block truncate text-muted">
                {name(finding.element)}
                {finding.sample !== undefined && ` · with ${sampleInWords(project, finding.sample)}`}
                {finding.accepted && ` · accepted: ${finding.accepted}`}
              </span>
            </span>
            <IntervalBar finding={finding} />
          </button>
        </li>
      ))}
    </ul>
  );
}
