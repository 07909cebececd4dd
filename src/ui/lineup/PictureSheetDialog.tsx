'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useRef, useState } from 'react';
import { holdInWords } from '@/core/devices';
import { saveFile } from '../devices/save-file';
import { shownPage, useSession, useLineup } from '../state/store';
import { BUTTON } from '../theme/controls';
import { askSheet } from './api';
import { readerInWords } from './DeviceCaption';
import { standsOf } from '../devices/line-up';

const FORMATS = [
  ['png', 'Picture (PNG)'],
  ['pdf', 'PDF, one page'],
  ['html', 'One HTML file, live and without scripts'],
] as const;
const FIELD = 'rounded-[3px] border border-edge bg-well px-1.5 py-0.5 text-ink';
const ROW = 'flex items-center justify-between gap-3 py-1';

/** A line-up to send to somebody. */
export function PictureSheetDialog() {
  const open = useLineup((lineup) => lineup.sheetOpen);
  return (
    <Dialog open={open} onClose={() => useLineup.setState({ sheetOpen: false })} className="fixed inset-0 z-50">
      <div className="absolute inset-0 bg-ink/30" aria-hidden />
      <div className="absolute inset-0 flex items-center justify-center p-8">
        <DialogPanel className="w-[440px] rounded-[6px] border border-line-strong bg-sheet p-4">
          <DialogTitle className="m-0 pb-2 text-[15px] font-bold">Make a sheet of the line-up</DialogTitle>
          {open && <SheetForm />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function SheetForm() {
  const page = useSession(shownPage);
  const project = useSession((session) => session.project);
  const lineup = useLineup();
  const [title, setTitle] = useState(`${project.name}: ${page.name}`.slice(0, 80));
  const [format, setFormat] = useState<(typeof FORMATS)[number][0]>('png');
  const [density, setDensity] = useState(2);
  const [zoom, setZoom] = useState(0.5);
  const [whole, setWhole] = useState(lineup.whole);
  const [problem, setProblem] = useState<string>();
  const [working, setWorking] = useState(false);
  const stop = useRef<AbortController | undefined>(undefined);
  const stands = standsOf(project, lineup);
  const close = () => {
    stop.current?.abort();
    useLineup.setState({ sheetOpen: false });
  };
  const make = async () => {
    stop.current = new AbortController();
    setWorking(true);
    setProblem(undefined);
    const devices = stands.map((one) => ({
      title: one.device.name,
      note: [`${one.viewport.width} × ${one.viewport.height}`, holdInWords(one), readerInWords(one)].filter(Boolean).join(' · '),
      viewport: one.viewport,
      scrollbar: one.device.scrollbar,
    }));
    try {
      const file = await askSheet({ page: page.id, title, format, density, zoom, whole, devices }, stop.current.signal);
      saveFile(`${page.slug}-line-up.${format}`, file.type, file);
      useLineup.setState({ sheetOpen: false });
    } catch (error) {
      if (!stop.current.signal.aborted) setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      setWorking(false);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <label className={ROW}>
        Title
        <input className={`${FIELD} w-72`} value={title} maxLength={80} onChange={(event) => setTitle(event.target.value)} />
      </label>
      <label className={ROW}>
        As
        <select className={`${FIELD} w-72`} value={format} onChange={(event) => setFormat(event.target.value as typeof format)}>
          {FORMATS.map(([id, label]) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
      </label>
      <label className={ROW}>
        Zoom of the frames
        <select className={`${FIELD} font-mono`} value={zoom} onChange={(event) => setZoom(Number(event.target.value))}>
          {[0.25, 0.35, 0.5, 0.75, 1].map((one) => (
            <option key={one} value={one}>
              {one * 100}%
            </option>
          ))}
        </select>
      </label>
      <label className={ROW}>
        Density
        <select
          className={`${FIELD} font-mono`}
          value={density}
          disabled={format !== 'png'}
          onChange={(event) => setDensity(Number(event.target.value))}
        >
          {[1, 2, 3].map((one) => (
            <option key={one} value={one}>
              {one}×
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2 py-1">
        <input type="checkbox" className="accent-reed" checked={whole} onChange={(event) => setWhole(event.target.checked)} />
        Frames as high as the page, the first screenful marked
      </label>
      <p className="m-0 py-1 text-muted">
        {page.name} on {stands.length} devices.
      </p>
      {problem && (
        <p role="alert" className="m-0 py-1 text-rust">
          {problem}
        </p>
      )}
      <div className="flex items-center gap-2 pt-2">
        <button
          type="submit"
          disabled={working || stands.length === 0}
          className="rounded-[4px] border-0 bg-reed px-3 py-1 font-semibold text-on-reed disabled:opacity-50"
        >
          Make the sheet
        </button>
        <button type="button" className={BUTTON} onClick={close}>
          {working ? 'Stop' : 'Leave it'}
        </button>
        {working && <span role="status">Being made …</span>}
      </div>
    </form>
  );
}
