'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { bandsOf } from '@/core/breakpoints';
import type { PageBox } from '@/core/lineup';
import { crossingBetween } from '@/core/lineup';
import type { FrameParts } from '../requests/requests';
import { loadFrameParts } from '../requests/requests';
import { report } from '../editing/edits';
import { shownPage, shownProject, useSession, WIDTH_MAX, WIDTH_MIN } from '../state/store';
import { useSize } from '../stage/use-size';
import { SELECT } from '../theme/controls';
import { CrossingFrame } from './CrossingFrame';
import { CrossingList } from './CrossingList';

interface Seen {
  readonly width: number;
  readonly boxes: ReadonlyMap<string, PageBox>;
}

/** What changes when the page goes from one width to another: as a list, and as both pages side by side. */
export function CrossingView() {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const slice = useSession((session) => session.slice);
  const [parts, setParts] = useState<FrameParts>();
  const [bed, setBed] = useState<HTMLDivElement | null>(null);
  const [seen, setSeen] = useState<readonly (Seen | undefined)[]>([]);
  const size = useSize(bed);
  const edges = useMemo(
    () =>
      bandsOf(project, slice)
        .slice(1)
        .map((band, i) => ({
          from: Math.ceil(band.from) - 1,
          to: Math.ceil(band.from),
          name: `${bandsOf(project, slice)[i]!.name} to ${band.name}`,
        })),
    [project, slice],
  );
  const [widths, setWidths] = useState<readonly [number, number]>(() => {
    const { width } = useSession.getState();
    const near = [...edges].sort((a, b) => Math.abs(a.to - width) - Math.abs(b.to - width))[0];
    return near ? [near.from, near.to] : [width, width + 1];
  });
  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The previews can't be shown: ${error.message}`));
  }, []);

  const onBoxes = useCallback(
    (side: 0 | 1, width: number, boxes: ReadonlyMap<string, PageBox>) =>
      setSeen((before) => (side === 0 ? [{ width, boxes }, before[1]] : [before[0], { width, boxes }])),
    [],
  );
  const left = useCallback((width: number, boxes: ReadonlyMap<string, PageBox>) => onBoxes(0, width, boxes), [onBoxes]);
  const right = useCallback((width: number, boxes: ReadonlyMap<string, PageBox>) => onBoxes(1, width, boxes), [onBoxes]);
  const crossing = useMemo(() => {
    const [a, b] = seen;
    if (!a || !b || a.width !== widths[0] || b.width !== widths[1]) return undefined;
    const side = ({ width, boxes }: Seen) => ({ viewport: { ...slice, width }, boxes });
    return crossingBetween(project, page, side(a), side(b));
  }, [seen, widths, project, page, slice]);

  const chosen = edges.findIndex((edge) => edge.from === widths[0] && edge.to === widths[1]);
  const room = Math.max(100, (size.width - 16 * 3) / 2);
  const zoom = Math.min(1, room / Math.max(...widths));
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-2 px-4 pt-2">
        <label className="flex items-center gap-1 text-muted">
          Crossing
          <select
            className={SELECT}
            value={chosen}
            onChange={(event) => {
              const edge = edges[Number(event.target.value)];
              if (edge) setWidths([edge.from, edge.to]);
            }}
          >
            {chosen < 0 && <option value={-1}>two widths</option>}
            {edges.map((edge, i) => (
              <option key={edge.to} value={i}>
                {edge.name} at {edge.to}
              </option>
            ))}
          </select>
        </label>
        {([0, 1] as const).map((i) => (
          <WidthField
            key={`${i} ${widths[i]}`}
            label={i === 0 ? 'from' : 'to'}
            width={widths[i]}
            onWidth={(width) => setWidths(i === 0 ? [width, widths[1]] : [widths[0], width])}
          />
        ))}
        {edges.length === 0 && <span className="text-muted">This project has no breakpoint yet; choose two widths.</span>}
      </div>
      <div className="flex min-h-0 flex-1">
        <div ref={setBed} className="flex min-w-0 flex-1 gap-4 overflow-auto p-4" data-testid="crossing-frames">
          {parts &&
            ([0, 1] as const).map((i) => (
              <CrossingFrame
                key={i}
                project={project}
                page={page}
                parts={parts}
                viewport={{ ...slice, width: widths[i] }}
                zoom={zoom}
                onBoxes={i === 0 ? left : right}
              />
            ))}
        </div>
        <CrossingList crossing={crossing} page={page} widths={widths} />
      </div>
    </div>
  );
}

function WidthField({
  label,
  width,
  onWidth,
}: {
  readonly label: string;
  readonly width: number;
  readonly onWidth: (width: number) => void;
}) {
  const [typed, setTyped] = useState(String(width));
  const [problem, setProblem] = useState<string>();
  const finish = () => {
    const next = Number(typed);
    if (typed.trim() === '' || !Number.isInteger(next) || next < WIDTH_MIN || next > WIDTH_MAX)
      return setProblem(`A whole width from ${WIDTH_MIN} to ${WIDTH_MAX} px.`);
    setProblem(undefined);
    if (next !== width) onWidth(next);
  };
  return (
    <label className="flex items-center gap-1 text-muted">
      {label}
      <input
        aria-label={`Width ${label}`}
        aria-invalid={problem !== undefined}
        inputMode="numeric"
        className="h-[22px] w-[56px] rounded-[3px] border border-line-strong bg-sheet px-1 text-right font-mono text-ink"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => event.key === 'Enter' && finish()}
      />
      {problem && (
        <span role="alert" className="text-rust">
          {problem}
        </span>
      )}
    </label>
  );
}
