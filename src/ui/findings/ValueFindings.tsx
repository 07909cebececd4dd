'use client';

import { useState } from 'react';
import { LINTS } from '@/core/lints';
import type { LintFinding } from '@/core/lints';
import { bandsOf } from '@/core/breakpoints';
import { splitPseudo } from '@/core/document';
import { choosePseudo, select, setWidth, showPage } from '../view/actions';
import { announce, commitOrReport, report } from '../editing/edits';
import { steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { inBackground } from '../editing/background';
import { useLints } from './use-lints';
import { DrawnList } from '../drawn/DrawnList';

/** About how high a finding is, px. */
const ROW = 28;

function show(finding: LintFinding): void {
  const { project, pageId, slice } = useSession.getState();
  const band = bandsOf(project, slice).find(({ home }) => home === finding.at);
  if (finding.pageId) {
    if (finding.pageId !== pageId) showPage(finding.pageId);
    const { id, pseudo } = splitPseudo(finding.owner);
    select([id]);
    choosePseudo(pseudo);
    if (band) setWidth(Math.ceil(band.from) || Math.ceil(band.below) - 1);
  } else useSession.setState({ panel: project.breakpoints.some(({ id }) => id === finding.owner) ? 'set' : 'styles' });
}

async function drop(findings: readonly LintFinding[]): Promise<void> {
  const { project } = useSession.getState();
  const { edit, count, left } = await inBackground({ kind: 'drop', project, findings }).result;
  if (useSession.getState().project !== project) return report('The project has changed since; drop them again.');
  if (!edit || !commitOrReport(edit, 'here')) return announce('They are needed now that others are gone; nothing was dropped.');
  const same = findings.every(({ unchanged }) => unchanged);
  announce(
    `${count === 1 ? 'One finding was' : `${count} findings were`} dropped${same ? '; every value at every viewport is as it was' : ''}.${left.length > 0 ? ` ${left.length} had to stay, since they are needed now.` : ''}`,
  );
}

const dropOrSay = (findings: readonly LintFinding[]) => void drop(findings).catch((error: Error) => report(error.message));

/** What is wrong or of no use in the values and in the document; no browser is needed to see it. */
export function ValueFindings({ scroller }: { scroller: HTMLElement | null }) {
  const project = useSession(steadyProject);
  const { findings, fresh } = useLints(project);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const picked = findings.filter(({ key }) => chosen.has(key));
  const safe = findings.filter(({ unchanged }) => unchanged);
  return (
    <section
      aria-label="In values and document"
      className="border-t-2 border-line-strong"
      data-testid="value-findings"
      data-fresh={fresh}
    >
      <div className="flex flex-wrap items-center gap-1.5 px-3.5 py-2">
        <h3 className="m-0 flex-1 font-semibold">
          In values and document <span className="font-mono font-normal text-muted">{findings.length}</span>
        </h3>
        <button type="button" className={BUTTON} disabled={!fresh || picked.length === 0} onClick={() => dropOrSay(picked)}>
          Drop chosen
        </button>
        <button type="button" className={BUTTON} disabled={!fresh || safe.length === 0} onClick={() => dropOrSay(safe)}>
          Drop all that change nothing
        </button>
      </div>
      {fresh && findings.length === 0 && (
        <p className="m-0 px-3.5 pb-3 text-muted">Every value is needed, and everything may stand where it stands.</p>
      )}
      {LINTS.map(({ id, title, why }) => {
        const list = findings.filter(({ lint }) => lint === id);
        if (list.length === 0) return null;
        return (
          <section key={id} aria-label={title}>
            <h4 className="m-0 flex justify-between px-3.5 pt-1.5 font-semibold text-muted" title={why}>
              {title} <span className="font-mono">{list.length}</span>
            </h4>
            <DrawnList items={list} keyOf={({ key }) => key} size={ROW} scroller={scroller} rowClass="border-b border-line">
              {(finding) => (
                <div className="flex items-start gap-1.5 px-3.5 py-1" data-lint={id}>
                  {finding.fix && (
                    <input
                      type="checkbox"
                      aria-label={`Choose: ${finding.sentence}`}
                      className="mt-1 accent-reed"
                      checked={chosen.has(finding.key)}
                      onChange={(event) => {
                        const next = new Set(chosen);
                        if (event.target.checked) next.add(finding.key);
                        else next.delete(finding.key);
                        setChosen(next);
                      }}
                    />
                  )}
                  <button
                    type="button"
                    className="min-w-0 flex-1 border-0 bg-transparent p-0 text-left break-words hover:underline"
                    onClick={() => show(finding)}
                  >
                    {finding.sentence}
                  </button>
                  {finding.fix && (
                    <button
                      type="button"
                      className={`${BUTTON} shrink-0 text-xs`}
                      disabled={!fresh}
                      aria-label={`${finding.unchanged ? 'Drop' : 'Even out'}: ${finding.sentence}`}
                      onClick={() => dropOrSay([finding])}
                    >
                      {finding.unchanged ? 'Drop' : 'Even out'}
                    </button>
                  )}
                </div>
              )}
            </DrawnList>
          </section>
        );
      })}
    </section>
  );
}
