'use client';

import { EVEN_TRACK, readTracks, writeTracks } from '@/core/styles';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { CheckedField } from './CheckedField';
import type { Shaped } from './shape';
import { shape, valueOf } from './shape';
import { Source } from './Source';

const SUGGESTED = [
  EVEN_TRACK,
  '1fr',
  '2fr',
  'auto',
  'min-content',
  'max-content',
  'minmax(12rem, 1fr)',
  'repeat(auto-fill, minmax(12rem, 1fr))',
];

/** Columns and rows of a grid, one field a track. */
export function TrackList({ shaped }: { shaped: Shaped }) {
  if (!/grid/.test(valueOf(shaped, 'display'))) return null;
  return (
    <>
      <Tracks shaped={shaped} property="grid-template-columns" label="Columns" />
      <Tracks shaped={shaped} property="grid-template-rows" label="Rows" />
    </>
  );
}

function Tracks({ shaped, property, label }: { shaped: Shaped; property: string; label: string }) {
  const tracks = readTracks(valueOf(shaped, property) || 'none');
  if (!tracks) return null;
  const write = (next: readonly string[]) => shape(shaped, `${label}: ${next.length}`, { [property]: writeTracks(next) });
  const one = label.slice(0, -1);
  return (
    <div
      role="group"
      aria-label={`${label} of the grid`}
      data-stands-for={property}
      className="flex items-start gap-0.5 py-px pr-1.5 pl-3.5"
    >
      <span className="w-[88px] shrink-0 pt-0.5">{label}</span>
      <div className="min-w-0 flex-1">
        <ol className="m-0 list-none p-0">
          {tracks.map((track, i) => (
            <li key={i} className="mb-0.5 flex items-start gap-1">
              <span className="w-4 pt-0.5 text-right font-mono text-muted">{i + 1}</span>
              <CheckedField
                label={`${one} ${i + 1}`}
                value={track}
                list={SUGGESTED}
                write={(value) => write(tracks.with(i, value))}
              />
              <button
                type="button"
                className={SIGN_BUTTON}
                aria-label={`Remove ${one.toLowerCase()} ${i + 1}`}
                onClick={() => write(tracks.toSpliced(i, 1))}
              >
                ×
              </button>
            </li>
          ))}
        </ol>
        <span className="flex gap-1">
          <button type="button" className={BUTTON} onClick={() => write([...tracks, tracks[tracks.length - 1] ?? EVEN_TRACK])}>
            Add {one.toLowerCase()}
          </button>
          {tracks.length > 1 && new Set(tracks).size > 1 && (
            <button type="button" className={BUTTON} onClick={() => write(tracks.map(() => EVEN_TRACK))}>
              Make equal
            </button>
          )}
          <Source shaped={shaped} label={label} properties={[property]} />
        </span>
      </div>
    </div>
  );
}
