'use client';

import { memo, useMemo } from 'react';
import { bandAt, bandsOf, describeInterval } from '@/core/breakpoints';
import { activate, standsOf } from '../devices/line-up';
import { setWidth } from '../view/actions';
import { shownSet } from '../state/shown-set';
import { shownBandStart, shownProject, useSession, useLineup } from '../state/store';
import type { Scale } from './scale';
import { place, ticks } from './scale';

/** Room a device's tick and name take, px. */
const room = (name: string) => 12 + name.length * 6.2;

/** The staff, the bands with their names, and the devices. */
export const ScaleTracks = memo(function ScaleTracks({ scale }: { scale: Scale }) {
  const set = useSession(shownSet);
  const all = useSession((session) => shownProject(session).devices);
  const bandStart = useSession(shownBandStart);
  const named = ticks(scale);
  const slice = useSession((session) => session.slice);
  const current = bandAt(set, bandStart, slice);
  const places = useLineup((lineup) => lineup.places);
  const active = useLineup((lineup) => lineup.active);
  const devices = useMemo(
    () =>
      standsOf({ devices: all }, { places, reader: {} })
        .map(({ key, device, viewport }) => ({ key, name: device.name, ...viewport }))
        .sort((a, b) => a.width - b.width),
    [all, places],
  );
  return (
    <>
      <div className="relative h-9" aria-hidden>
        {named.map((width) => (
          <span
            key={width}
            className="absolute top-0.5 -translate-x-1/2 font-mono text-[11px] text-muted"
            style={{ left: scale.x(width) }}
          >
            {width}
          </span>
        ))}
        <svg className="absolute top-[22px] left-0 h-[6px] w-full overflow-visible">
          <rect x={0.5} y={0.5} width={Math.max(0, scale.length - 1)} height={5} className="fill-sheet stroke-ink" />
          {named.map((width, i) => {
            const next = named[i + 1] ?? scale.domain.to;
            return i % 2 === 0 ? (
              <rect
                key={width}
                x={scale.x(width)}
                y={0}
                width={Math.max(0, scale.x(next) - scale.x(width))}
                height={6}
                className="fill-ink"
              />
            ) : null;
          })}
        </svg>
      </div>
      <div className="relative h-5" data-tour="bands">
        {bandsOf(set, slice).map((band) => {
          const at = place(scale, band.from, band.below);
          if (!at) return null;
          return (
            <button
              key={band.from}
              type="button"
              tabIndex={-1}
              title={`${band.name}: ${describeInterval(band)}`}
              className={`absolute top-0 h-5 truncate border-0 px-1 text-center text-sm ${band.from === current.from ? 'bg-reed-tint font-semibold' : 'bg-transparent hover:bg-paper'}`}
              style={at}
              onClick={() =>
                setWidth(Math.min(Math.max(useSession.getState().width, Math.ceil(band.from)), Math.ceil(band.below) - 1))
              }
            >
              {band.name}
            </button>
          );
        })}
      </div>
      <div className="relative h-5">
        {devices.map((device, i) => {
          const x = scale.x(device.width);
          if (x < 0 || x > scale.length) return null;
          const next = devices[i + 1];
          const label = x + room(device.name) < Math.min(scale.length, next ? scale.x(next.width) - 6 : Infinity);
          return (
            <button
              key={device.key}
              type="button"
              tabIndex={-1}
              title={`${device.name}, ${device.width} × ${device.height}`}
              className={`absolute top-0 flex h-5 items-center gap-1 border-0 bg-transparent p-0 text-xs whitespace-nowrap hover:text-ink ${device.key === active ? 'font-semibold text-reed' : 'text-muted'}`}
              style={{ left: x - 4 }}
              onClick={() => {
                activate(device.key);
                setWidth(device.width);
              }}
            >
              <svg width="8" height="6" aria-hidden>
                <path d="M4 0l4 6H0z" fill="currentColor" />
              </svg>
              {label && device.name.toLowerCase()}
            </button>
          );
        })}
      </div>
    </>
  );
});

/** The stretches that the edit in hand would change. */
export function Marked({ scale }: { scale: Scale }) {
  const marked = useSession((session) => session.marked);
  return (
    <div aria-hidden data-testid="marked" data-widths={marked.map(describeInterval).join(', ')}>
      {marked.map((part) => {
        const at = place(scale, part.from, part.below);
        return (
          at && (
            <div
              key={part.from}
              className="pointer-events-none absolute top-[30px] h-[7px] border-x-2 border-amber-ink bg-amber/80"
              style={at}
            />
          )
        );
      })}
    </div>
  );
}
