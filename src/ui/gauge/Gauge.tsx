'use client';

import { useKeyHint } from '../input/key-choices';
import { useEffect, useMemo, useState } from 'react';
import { addBreakpointHere, likelyDirection } from '../view/actions';
import { steadyProject, useSession } from '../state/store';
import { useSize } from '../stage/use-size';
import { showOnGauge } from '../view/gauge-view';
import { Cursor } from './Cursor';
import { FindingsTrack } from './FindingsTrack';
import { Lanes } from './Lanes';
import { Posts } from './Posts';
import { FULL, gaugeScale, zoomed } from './scale';
import { Marked, ScaleTracks } from './ScaleTracks';
import { ShownStrips } from './ShownStrips';
import { SpanTable } from './SpanTable';
import { SweepStatus } from './SweepStatus';

/** The instrument along the width axis: scale, bands, devices, findings, lanes, posts and the cursor. */
export function Gauge({ labelWidth, height }: { labelWidth: number; height: number }) {
  const hint = useKeyHint('breakpoint-here');
  const [axis, setAxis] = useState<HTMLDivElement | null>(null);
  const view = useSession((session) => session.gaugeView);
  const { first, last } = useSession((session) => steadyProject(session).audit.range);
  const [domain, setDomain] = useState(FULL);
  const { width: length } = useSize(axis);
  const scale = useMemo(() => gaugeScale(domain, length), [domain, length]);
  const zoom = (factor: number) => setDomain((before) => zoomed(before, useSession.getState().width, factor));

  useEffect(() => {
    if (!axis) return;
    const wheel = (event: WheelEvent) => {
      if (!event.ctrlKey && !event.metaKey) return;
      event.preventDefault();
      const around = scale.width(event.clientX - axis.getBoundingClientRect().left);
      setDomain((before) => zoomed(before, around, event.deltaY > 0 ? 1.2 : 1 / 1.2));
    };
    axis.addEventListener('wheel', wheel, { passive: false });
    return () => axis.removeEventListener('wheel', wheel);
  }, [axis, scale]);

  return (
    <section
      aria-label="Gauge"
      className="relative flex shrink-0 flex-col border-t border-line-strong bg-sheet select-none"
      style={view === 'low' ? undefined : { height }}
    >
      <div className="flex shrink-0">
        <div className="flex shrink-0 flex-col border-r border-line pt-1 pl-3.5" style={{ width: labelWidth }}>
          <div className="flex h-9 items-center justify-between pr-2">
            <b>Gauge</b>
            <span className="font-mono text-xs text-muted">
              {first} to {last}
            </span>
            <span>
              <GaugeButton label="Show more of the scale" sign="−" onClick={() => zoom(1.5)} />
              <GaugeButton label="Show less of the scale" sign="+" onClick={() => zoom(1 / 1.5)} />
            </span>
          </div>
          <span className="flex h-5 items-center justify-between pr-2 leading-5">
            Bands
            <button
              type="button"
              title={`New breakpoint at this width${hint}`}
              className="rounded-[3px] border-0 bg-transparent px-1 text-xs text-muted hover:bg-paper hover:text-ink"
              onClick={() => addBreakpointHere(likelyDirection())}
            >
              + breakpoint
            </button>
          </span>
          <span className="h-5 leading-5 text-muted">Devices</span>
          <SweepStatus />
        </div>
        <div ref={setAxis} className="relative mx-3.5 min-w-0 flex-1 pt-1" data-testid="axis" data-fine>
          <ScaleTracks scale={scale} />
          <FindingsTrack scale={scale} />
          <Marked scale={scale} />
        </div>
      </div>
      <ShownStrips scale={scale} labelWidth={labelWidth} />
      {view === 'lanes' && <Lanes scale={scale} labelWidth={labelWidth} />}
      {view === 'spans' && <SpanTable scale={scale} labelWidth={labelWidth} />}
      <div className="flex h-7 shrink-0 items-center gap-1 pl-3.5" role="group" aria-label="Below the scale">
        <span className="flex gap-1" data-tour="below">
          {(['lanes', 'spans'] as const).map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={view === one}
              className={`min-h-6 rounded-[3px] border px-2 py-0 text-xs ${view === one ? 'border-reed bg-reed-tint font-semibold' : 'border-line bg-sheet text-muted hover:text-ink'}`}
              title={view === one ? 'Fold it away' : undefined}
              onClick={() => showOnGauge(view === one ? 'low' : one)}
            >
              {one === 'lanes' ? 'Lanes' : 'Spans'}
            </button>
          ))}
        </span>
      </div>
      {length > 0 && (
        <div data-fine className="pointer-events-none absolute inset-y-0" style={{ left: labelWidth + 14, width: length }}>
          <Posts scale={scale} />
          <Cursor scale={scale} />
        </div>
      )}
    </section>
  );
}

function GaugeButton({ label, sign, onClick }: { label: string; sign: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="size-5 rounded-[3px] border-0 bg-transparent text-muted hover:bg-paper hover:text-ink"
      onClick={onClick}
    >
      {sign}
    </button>
  );
}
