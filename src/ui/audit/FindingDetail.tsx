'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Finding } from '@/core/audit';
import { checkNamed } from '@/core/audit';
import { describeCondition } from '@/core/breakpoints';
import type { Entry } from '@/core/remedy';
import { causesOf } from '@/core/remedy';
import { sampleInWords } from '@/core/tables';
import { showSample } from '../lists/lists';
import { showFinding } from '../findings/show-finding';
import { titleOfEntry } from '../findings/title-of-entry';
import { showMode } from '../devices/line-up';
import { shownPage, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { AcceptForm } from './AcceptForm';
import { askPicture } from './api';
import { FixList } from './FixList';
import { inWords } from './widths';

/** One finding: in words, at its worst, where it comes from, what would mend it. */
export function FindingDetail({ finding, entry }: { finding: Finding; entry: Entry }) {
  const project = useSession((session) => session.project);
  const page = useSession(shownPage);
  const check = checkNamed(finding.check);
  const name = (id: string) => page.elements[id]?.name ?? 'a removed element';
  const causes = useMemo(() => causesOf(project, page, finding), [project, page, finding]);
  const { width, height } = finding.worst;
  const holding = project.breakpoints.filter(({ condition }) => {
    const { from = 0, below = Infinity } = condition;
    return from <= width && width < below;
  });
  return (
    <article className="flex flex-col gap-3 px-5 py-4" data-testid="finding-detail">
      <header className="flex items-baseline gap-2.5">
        <span aria-hidden className={`size-3 shrink-0 rounded-[2px] ${finding.severity === 'broken' ? 'bg-rust' : 'bg-amber'}`} />
        <h2 className="m-0 text-[17px] leading-tight font-bold">{titleOfEntry(entry)}</h2>
        <span className="ml-auto text-right font-mono text-xs text-muted">{inWords(entry.widths)}</span>
      </header>
      <p className="m-0">{check?.sentence(finding.worst.violation, name)}</p>
      <p className="m-0 text-muted">{check?.why}</p>
      <Picture finding={finding} />
      <dl className="m-0 grid grid-cols-[84px_1fr] gap-x-3 gap-y-1">
        <dt className="text-muted">Worst at</dt>
        <dd className="m-0 flex flex-wrap items-center gap-2">
          <span className="font-mono">
            {width}
            {height === undefined ? '' : ` by ${height}`} px
          </span>
          <button
            type="button"
            className={BUTTON}
            onClick={() => {
              showFinding(finding);
              showMode('shape');
            }}
          >
            Go there
          </button>
        </dd>
        {finding.heights && (
          <>
            <dt className="text-muted">Heights</dt>
            <dd className="m-0 font-mono">{finding.heights.join(', ')} px</dd>
          </>
        )}
        {finding.sample !== undefined && <WithRows sample={finding.sample} />}
        <dt className="text-muted">Cause</dt>
        <dd className="m-0" data-testid="cause">
          {causes.length === 0
            ? 'Nothing that is written here: it comes from the content and the room it has.'
            : causes.map(({ element, property, value, where }) => (
                <span key={`${element} ${property}`} className="block">
                  {name(element)}:{' '}
                  <code className="font-mono">
                    {property} {value}
                  </code>
                  , {where}
                </span>
              ))}
        </dd>
        <dt className="text-muted">Holding</dt>
        <dd className="m-0">
          {holding.length === 0
            ? 'No breakpoint holds there, only the base.'
            : holding.map((one) => `${one.name} (${describeCondition(one.condition)})`).join(', ')}
        </dd>
        <dt className="text-muted">Rule</dt>
        <dd className="m-0">{check?.rule}</dd>
      </dl>
      <FixList entry={entry} />
      <AcceptForm finding={finding} entry={entry} />
    </article>
  );
}

/** With which rows of a table it is found, and a way to see them. */
function WithRows({ sample }: { sample: string }) {
  const project = useSession((session) => session.project);
  return (
    <>
      <dt className="text-muted">With rows</dt>
      <dd className="m-0 flex flex-wrap items-center gap-2">
        {sampleInWords(project, sample)}
        <button type="button" className={BUTTON} onClick={() => showSample(sample)}>
          Show these rows
        </button>
      </dd>
    </>
  );
}

function Picture({ finding }: { finding: Finding }) {
  const revision = useSession((session) => session.revision);
  const [address, setAddress] = useState<string>();
  const [problem, setProblem] = useState<string>();
  // A sweep tells its findings anew whenever it has got on; the picture is the same as long as it shows the same.
  const shows = JSON.stringify([finding.key, finding.worst]);
  const [asked, setAsked] = useState({ shows, finding });
  if (asked.shows !== shows) setAsked({ shows, finding });
  useEffect(() => {
    const stop = new AbortController();
    let made: string | undefined;
    askPicture(asked.finding, stop.signal).then(
      (one) => {
        made = one;
        if (stop.signal.aborted) URL.revokeObjectURL(one);
        else {
          setAddress(one);
          setProblem(undefined);
        }
      },
      (error: unknown) => !stop.signal.aborted && setProblem(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      stop.abort();
      if (made) URL.revokeObjectURL(made);
    };
  }, [asked, revision]);
  if (problem) return <p className="m-0 text-rust">{problem}</p>;
  return (
    <figure className="relative m-0 flex min-h-24 items-center justify-center border border-line-strong bg-bed">
      {address ? (
        <img
          src={address}
          alt={`The page at ${finding.worst.width} px, with the finding marked`}
          className="block max-h-[260px] max-w-full"
          data-testid="finding-picture"
        />
      ) : (
        <span className="text-muted">Taking a picture …</span>
      )}
      <figcaption className="absolute right-2 bottom-2 rounded-[3px] border border-line-strong bg-sheet px-1.5 py-0.5 font-mono text-xs">
        {finding.worst.width}
        {finding.worst.height ? ` by ${finding.worst.height}` : ''} px, worst
      </figcaption>
    </figure>
  );
}
