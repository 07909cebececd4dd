'use client';

import { useEffect, useMemo, useState } from 'react';
import { showPage } from '../view/actions';
import { useSession, useLineup } from '../state/store';
import { BUTTON } from '../theme/controls';
import type { PagePictures } from './api';
import { askPictures } from './api';
import type { Stands } from '../devices/line-up';
import { activate, showMode, standsOf } from '../devices/line-up';

/** Ms between two questions whether more pictures have come. */
const AGAIN = 1_000;
/** Ms until the next try after one that failed. */
const AFTER_TROUBLE = 4_000;
const TALLEST = 150;

/** All pages on all devices, small: what is wrong where, at a glance. Pressing one goes there. */
export function PagesView() {
  const pages = useSession((session) => session.project.pages);
  const devices = useSession((session) => session.project.devices);
  const places = useLineup((lineup) => lineup.places);
  const reader = useLineup((lineup) => lineup.reader);
  const stands = useMemo(() => standsOf({ devices }, { places, reader }), [devices, places, reader]);
  const { pictures, problem, stopped, setStopped } = usePictures(stands);

  const all = pictures?.flatMap((page) => page.pictures) ?? [];
  const made = all.filter(({ findings }) => findings !== null).length;
  const go = (pageId: string, key: number) => {
    showPage(pageId);
    showMode('lineup', 'devices');
    activate(key);
  };
  if (stands.length === 0) return <p className="p-6">No device is in the line-up.</p>;
  return (
    <div className="min-h-0 flex-1 overflow-auto p-4">
      <div
        className="flex h-6 items-center gap-3 pb-2 text-muted"
        role="status"
        data-testid="pictures-state"
        data-done={all.length > 0 && made === all.length}
      >
        {problem ??
          (pictures === undefined
            ? 'Asking for pictures …'
            : made === all.length
              ? `${all.length} pictures, each as the page is now`
              : `${made} of ${all.length} pictures made`)}
        {made < all.length && (
          <button type="button" className={BUTTON} onClick={() => setStopped(!stopped)}>
            {stopped ? 'Go on' : 'Stop'}
          </button>
        )}
      </div>
      <table className="border-separate border-spacing-3">
        <caption className="sr-only">Pages by device</caption>
        <thead>
          <tr>
            <th scope="col" className="sticky left-0 bg-bed text-left font-semibold">
              Page
            </th>
            {stands.map(({ key, device, viewport }) => (
              <th key={key} scope="col" className="text-left align-bottom font-semibold">
                <span className="block max-w-40 truncate">{device.name}</span>
                <span className="block font-mono text-[11px] font-normal text-muted">
                  {viewport.width} × {viewport.height}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {pages.map((page) => {
            const row = pictures?.find((one) => one.page === page.id)?.pictures;
            return (
              <tr key={page.id}>
                <th scope="row" className="sticky left-0 w-32 bg-bed pr-2 text-left align-top font-semibold">
                  {page.name}
                </th>
                {stands.map((one, i) => (
                  <PictureCell key={one.key} name={page.name} stands={one} picture={row?.[i]} onGo={() => go(page.id, one.key)} />
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

interface CellProps {
  readonly name: string;
  readonly stands: Stands;
  readonly picture: { readonly digest: string; readonly findings: number | null } | undefined;
  readonly onGo: () => void;
}

function PictureCell({ name, stands: { device, viewport }, picture, onGo }: CellProps) {
  const scale = Math.min(TALLEST / viewport.height, 170 / viewport.width);
  const size = { width: viewport.width * scale, height: viewport.height * scale };
  const findings = picture?.findings ?? undefined;
  const words = findings === undefined ? 'being made' : findings === 0 ? 'nothing wrong' : `${findings} wrong`;
  return (
    <td className="align-top">
      <button
        type="button"
        className="block border-0 bg-transparent p-0 text-left"
        aria-label={`${name} on ${device.name}: ${words}`}
        onClick={onGo}
      >
        <span className="block overflow-hidden bg-well outline outline-1 outline-line-strong" style={size}>
          {picture && findings !== undefined && (
            <img src={`/api/pictures/${picture.digest}`} alt="" width={size.width} height={size.height} className="block" />
          )}
        </span>
        <span className={`block pt-1 font-mono text-[11px] ${findings ? 'text-rust' : 'text-muted'}`}>{words}</span>
      </button>
    </td>
  );
}

/** Pictures for the devices, asked for again until all have come, and anew whenever the project is another one. */
function usePictures(stands: readonly Stands[]) {
  const revision = useSession((session) => session.revision);
  const waiting = useSession((session) => session.pending.length > 0);
  const [pictures, setPictures] = useState<PagePictures>();
  const [problem, setProblem] = useState<string>();
  const [stopped, setStopped] = useState(false);
  useEffect(() => {
    if (waiting || stopped || stands.length === 0) return undefined;
    let timer = 0;
    let over = false;
    const ask = async () => {
      try {
        const answer = await askPictures(stands.map(({ viewport, device }) => ({ viewport, scrollbar: device.scrollbar })));
        if (over) return;
        setProblem(undefined);
        if (answer) setPictures(answer);
        const missing = !answer || answer.some((page) => page.pictures.some(({ findings }) => findings === null));
        if (missing) timer = window.setTimeout(() => void ask(), AGAIN);
      } catch (error) {
        if (over) return;
        setProblem(`${error instanceof Error ? error.message : String(error)} It is asked again.`);
        timer = window.setTimeout(() => void ask(), AFTER_TROUBLE);
      }
    };
    void ask();
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [stands, revision, waiting, stopped]);
  return { pictures, problem, stopped, setStopped };
}
