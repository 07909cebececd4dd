'use client';

import { useMemo, useState } from 'react';
import { bandsOf, describeInterval } from '@/core/breakpoints';
import type { Interval, Slice } from '@/core/breakpoints';
import type { Fetched } from '@/core/pictures';
import { shownPage, shownProject, useSession } from '../state/store';
import { bytesInWords } from '@/core/text';
import type { FetchedAt } from './use-fetched';
import { sumOf, useFetched, usePictureSizes } from './use-fetched';

const DENSITIES = [1, 2, 3] as const;
/** Widths within a band that are looked at. */
const LOOKED = 12;

interface Heaviest {
  readonly width: number;
  readonly fetched: readonly Fetched[];
}

/** Where in a band most is fetched. */
function heaviest(fetchedAt: FetchedAt, { from, below }: Interval, density: number, slice: Slice): Heaviest {
  const widths = Array.from({ length: LOOKED }, (_, i) => Math.round(from + ((below - 1 - from) * i) / (LOOKED - 1)));
  const all = widths.map((width) => ({ width, fetched: fetchedAt(width, density, slice) }));
  return all.reduce((most, one) => (sumOf(one.fetched, 'bytes') > sumOf(most.fetched, 'bytes') ? one : most));
}

/** The bytes of pictures that each band and density fetches on the page at work, and what it would without all this. */
export function FetchedList() {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const slice = useSession((session) => session.slice);
  const measurement = usePictureSizes();
  const fetchedAt = useFetched(measurement);
  const [chosen, setChosen] = useState<readonly [band: number, density: number]>([0, 1]);
  const { first, last } = project.audit.range;
  const bands = useMemo(
    () =>
      bandsOf(project, slice)
        .map(({ name, from, below }) => ({ name, from: Math.max(from, first), below: Math.min(below, last + 1) }))
        .filter(({ from, below }) => from < below)
        .reverse(),
    [project, slice, first, last],
  );
  const cells = useMemo(
    () => fetchedAt && bands.map((band) => DENSITIES.map((density) => heaviest(fetchedAt, band, density, slice))),
    [fetchedAt, bands, slice],
  );
  if (measurement.problem)
    return (
      <p role="alert" className="m-0 text-rust">
        {measurement.problem}
      </p>
    );
  if (!cells)
    return (
      <p role="status" className="m-0 text-muted">
        Measuring how wide {page.name} shows its pictures …
      </p>
    );
  const [band, density] = [Math.min(chosen[0], bands.length - 1), chosen[1]];
  const { width, fetched } = cells[band]![DENSITIES.indexOf(density as 1)]!;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <p className="m-0 pb-2 text-muted">
        Pictures of {page.name}, by the density of the screen: the most that is fetched in a band, and what the originals would
        be.
        {measurement.isMeasuring && ' Measuring anew …'}
      </p>
      <table className="w-full border-collapse" data-testid="fetched">
        <thead>
          <tr className="border-b border-line-strong text-left">
            <th className="py-1 font-semibold">Band</th>
            {DENSITIES.map((one) => (
              <th key={one} className="py-1 text-right font-semibold">
                Density {one}
              </th>
            ))}
            <th className="py-1 text-right font-semibold">Originals</th>
          </tr>
        </thead>
        <tbody>
          {bands.map((one, i) => (
            <tr key={one.from} className="border-b border-line">
              <th className="py-0.5 text-left font-normal">
                {one.name} <span className="font-mono text-xs text-muted">{describeInterval(one)}</span>
              </th>
              {DENSITIES.map((dense, n) => (
                <td key={dense} className="py-0.5 text-right">
                  <button
                    type="button"
                    aria-pressed={i === band && dense === density}
                    className={`rounded-[3px] border px-1.5 font-mono ${i === band && dense === density ? 'border-reed bg-reed-tint' : 'border-transparent bg-transparent hover:bg-paper'}`}
                    onClick={() => setChosen([i, dense])}
                  >
                    {bytesInWords(sumOf(cells[i]![n]!.fetched, 'bytes'))}
                  </button>
                </td>
              ))}
              <td className="py-0.5 text-right font-mono text-muted">{bytesInWords(sumOf(cells[i]![0]!.fetched, 'before'))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className="m-0 pt-4 pb-1 font-semibold">
        {bands[band]!.name}, {width} px wide, density {density}
      </h3>
      <ul aria-label="Files that are fetched" className="m-0 min-h-0 flex-1 list-none overflow-auto p-0">
        {fetched.length === 0 && <li className="text-muted">No pictures.</li>}
        {fetched.map((one) => {
          const picture = project.pictures.find(({ id }) => id === one.picture);
          return (
            <li key={`${one.picture} ${one.width}`} className="flex gap-2 border-b border-line py-0.5">
              <span className="min-w-0 flex-1 truncate">
                {picture?.fileName} <span className="text-muted">in {page.elements[one.element]?.name}</span>
              </span>
              <span className="text-muted">
                {!one.shown
                  ? 'fetched but not shown'
                  : one.width === undefined
                    ? 'drawing'
                    : `${one.width} px file${one.drawn === undefined ? '' : `, drawn ${Math.round(one.drawn)} px wide`}`}
              </span>
              <span className="w-16 text-right font-mono">{bytesInWords(one.bytes)}</span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
