'use client';

import { bandsOf, conditionInterval, intersect } from '@/core/breakpoints';
import type { Band, IntervalSet } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { describeTarget } from '@/core/edits';
import { shownProject, useSession, writeTarget } from '../session/store';

const STEPS = [0.5, 0.75, 1, 1.5, 2] as const;

/** What the edit in hand would do, band by band: "changes Middle · Narrow keeps its own". */
export function reachInWords(project: Project, target: string, marked: IntervalSet): string {
  if (marked.length === 0) return '';
  const breakpoint = project.breakpoints.find((one) => one.id === target);
  const names = (bands: readonly Band[]) => bands.map((band) => band.name).join(', ');
  const within = bandsOf(project).filter(
    (band) => !breakpoint || intersect([band], [conditionInterval(breakpoint.condition)]).length > 0,
  );
  const changed = within.filter((band) => intersect([band], marked).length > 0);
  const keeping = within.filter((band) => !changed.includes(band));
  if (keeping.length === 0) return `changes ${names(changed)}`;
  return `changes ${names(changed)} · ${names(keeping)} ${keeping.length === 1 ? 'keeps its own' : 'keep their own'}`;
}

/** Where edits go, and how the page is shown: in sight at all times. */
export function StageBar({ zoom, content }: { zoom: number; content: number | undefined }) {
  const project = useSession(shownProject);
  const target = useSession(writeTarget);
  const width = useSession((session) => session.width);
  const choice = useSession((session) => session.zoom);
  const marked = useSession((session) => session.marked);
  const percent = Math.round(zoom * 100);
  return (
    <div className="flex h-11 shrink-0 items-center gap-3 px-4">
      <span className="rounded-[4px] bg-reed px-2.5 py-1 font-semibold text-on-reed" data-testid="writes-to">
        Writes to {describeTarget(project, target)}
      </span>
      <span className="truncate text-muted" aria-live="polite" data-testid="reach">
        {reachInWords(project, target, marked)}
      </span>
      <span className="ml-auto font-mono whitespace-nowrap" data-testid="stage-width">
        <b>{width}</b> wide · content {content ?? width}
      </span>
      <label className="flex items-center gap-1 text-muted">
        <span className="sr-only">Zoom</span>
        <select
          className="rounded-[4px] border border-line-strong bg-sheet px-1 py-0.5 font-mono text-ink"
          value={String(choice)}
          onChange={(event) =>
            useSession.setState({ zoom: event.target.value === 'fit' ? 'fit' : Number(event.target.value) })
          }
        >
          <option value="fit">Fit · {percent}%</option>
          {STEPS.map((step) => (
            <option key={step} value={step}>
              {step * 100}%
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
