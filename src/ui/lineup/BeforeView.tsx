'use client';

import { useEffect, useState } from 'react';
import type { Project } from '@/core/document';
import { useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import type { Revisions } from './api';
import { askEarlier, askRevisions } from './api';
import { MovedWidths } from './MovedWidths';
import type { Mode } from './VersionFrames';
import { MODES, VersionFrames } from './VersionFrames';

const MODE_WORDS: Readonly<Record<Mode, string>> = { now: 'Now', before: 'Before', flicker: 'Flicker', overlay: 'Overlay' };
const time = new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' });

/** The same line-up as it was before some edit: flickering, laid over, and the widths at which anything moved. */
export function BeforeView() {
  const projectId = useSession((session) => session.projectId);
  const revision = useSession((session) => session.revision);
  const [listed, setListed] = useState<Revisions>();
  const [chosen, setChosen] = useState<number>();
  const [earlier, setEarlier] = useState<{ revision: number; project: Project }>();
  const [mode, setMode] = useState<Mode>('flicker');
  const [problem, setProblem] = useState<string>();
  const fail = (error: unknown) => setProblem(error instanceof Error ? error.message : String(error));

  useEffect(() => {
    let over = false;
    askRevisions().then((answer) => {
      if (over) return;
      setListed(answer);
      // What was chosen stays, however many edits come on top of it.
      setChosen((before) => before ?? answer.revisions[0]?.revision);
    }, fail);
    return () => {
      over = true;
    };
  }, [revision]);
  useEffect(() => {
    if (chosen === undefined) return undefined;
    let over = false;
    askEarlier(projectId, chosen).then(
      (project) => !over && setEarlier({ revision: chosen, project }),
      (error: unknown) => !over && fail(error),
    );
    return () => {
      over = true;
    };
  }, [projectId, chosen]);

  if (problem)
    return (
      <p role="alert" className="p-6 text-rust">
        {problem}
      </p>
    );
  if (listed?.revisions.length === 0)
    return <p className="p-6">Nothing has been changed in this project yet, so there is no before to compare with.</p>;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-2 px-4 pt-2">
        <label className="flex min-w-0 items-center gap-1 text-muted">
          As it was before
          <select
            className="max-w-72 truncate rounded-[4px] border border-line-strong bg-sheet px-1 py-0.5 text-ink"
            value={chosen ?? ''}
            onChange={(event) => setChosen(Number(event.target.value))}
          >
            {listed?.revisions.map(({ revision: one, at, words }) => (
              <option key={one} value={one}>
                {words} · {time.format(new Date(at))}
              </option>
            ))}
          </select>
        </label>
        <span role="group" aria-label="How both are shown" className="flex gap-1">
          {MODES.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={mode === one}
              className={`${BUTTON} ${mode === one ? 'border-reed bg-reed-tint font-semibold' : ''}`}
              onClick={() => setMode(one)}
            >
              {MODE_WORDS[one]}
            </button>
          ))}
        </span>
        {mode === 'overlay' && <span className="text-muted">What is black is the same; what differs is bright.</span>}
      </div>
      {earlier && chosen === earlier.revision ? (
        <>
          <MovedWidths key={`${earlier.revision} ${revision}`} before={earlier.revision} />
          <VersionFrames earlier={earlier.project} mode={mode} />
        </>
      ) : (
        <p className="p-6 text-muted">Going back …</p>
      )}
    </div>
  );
}
