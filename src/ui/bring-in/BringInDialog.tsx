'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useRef, useState } from 'react';
import type { Edit } from '@/core/edits';
import { BUTTON } from '../theme/controls';
import type { BringInReport } from './api';
import { sendPackage } from './api';
import type { Given } from './gather';
import { dropped, givenBy, packed, pasted } from './gather';
import { Report } from './Report';

interface Props {
  /** What was given before the dialog opened, by a drop; undefined while it is closed. */
  readonly given: readonly Given[] | undefined;
  readonly close: () => void;
  /** The open project that gets the pages; a new project without one. */
  readonly project?: string | undefined;
  /** Makes the edit that brings the pages into the open project; says what is wrong with it. */
  readonly take?: ((edit: Edit) => Promise<string | undefined>) | undefined;
  readonly opened?: ((id: string) => void) | undefined;
}

/** Brings pages in: files, a folder, a ZIP or pasted text, with how far it is and what came of it. */
export function BringInDialog(props: Props) {
  return (
    <Dialog open={props.given !== undefined} onClose={props.close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="flex max-h-full w-[640px] flex-col overflow-hidden rounded-[6px] border border-line-strong bg-sheet">
          {props.given && <Inside {...props} given={props.given} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Inside({ given, close, project, take, opened }: Props & { readonly given: readonly Given[] }) {
  const [working, setWorking] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const [report, setReport] = useState<BringInReport>();
  const [made, setMade] = useState<string>();
  const [over, setOver] = useState(false);
  const [html, setHtml] = useState('');
  const [css, setCss] = useState('');
  const stop = useRef<AbortController | undefined>(undefined);
  const begun = useRef(false);

  const work = async (files: readonly Given[]) => {
    if (files.length === 0) return;
    const mine = new AbortController();
    stop.current = mine;
    setProblem(undefined);
    setWorking('Packing …');
    try {
      const zip = await packed(files);
      setWorking('Sending …');
      for await (const line of sendPackage(zip, project, mine.signal)) {
        if (line.type === 'read') setWorking(`${line.done} of ${line.total} ${line.total === 1 ? 'page' : 'pages'} read`);
        else if (line.type === 'failed') setProblem(line.message);
        else if (line.type === 'report') setReport(line.report);
        else if (line.type === 'made') setMade(line.id);
        else {
          const wrong = await take?.(line.edit);
          if (wrong) setProblem(wrong);
        }
      }
    } catch (error) {
      if (!mine.signal.aborted) setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      if (stop.current === mine) setWorking(undefined);
    }
  };
  const leave = () => {
    stop.current?.abort();
    close();
  };
  const begin = (node: HTMLElement | null) => {
    // What was dropped is on its way as soon as the dialog is there.
    if (!node || begun.current || given.length === 0) return;
    begun.current = true;
    void work(given);
  };

  const field = (label: string, value: string, set: (text: string) => void) => (
    <label className="block flex-1">
      <span className="block pb-0.5 text-muted">{label}</span>
      <textarea
        className="h-24 w-full resize-none rounded-[4px] border border-edge bg-well p-1.5 font-mono text-[12px]"
        spellCheck={false}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </label>
  );
  return (
    <>
      <header ref={begin} className="px-5 pt-4">
        <DialogTitle className="m-0 text-[16px] font-bold">Bring in pages</DialogTitle>
        <p className="m-0 pt-0.5 text-muted">
          HTML with its style sheets, pictures and fonts, as it is. Scripts don’t run here, and nothing is fetched from elsewhere.
        </p>
      </header>
      <div className="min-h-0 flex-1 overflow-auto px-5 py-3">
        {problem && (
          <p role="alert" className="m-0 mb-2 rounded-[4px] border border-rust bg-rust-tint px-3 py-2">
            {problem}
          </p>
        )}
        {report && !problem ? (
          <Report report={report} />
        ) : working !== undefined ? (
          <p role="status" className="m-0 flex items-center gap-3 py-6" data-testid="bring-in-progress">
            <progress aria-label="Bringing in" className="h-1.5 flex-1 accent-amber" /> {working}
          </p>
        ) : (
          <>
            <div
              className={`flex flex-wrap items-center gap-2 rounded-[5px] border border-dashed p-4 ${over ? 'border-reed bg-reed-tint' : 'border-line-strong bg-paper'}`}
              onDragOver={(event) => {
                event.preventDefault();
                setOver(true);
              }}
              onDragLeave={() => setOver(false)}
              onDrop={(event) => {
                event.preventDefault();
                event.stopPropagation();
                setOver(false);
                void dropped(event.dataTransfer).then(work);
              }}
            >
              <span className="w-full text-muted">Drop files, a folder or a ZIP here, or choose</span>
              <Chooser label="Files or a ZIP …" choose={work} />
              <Chooser label="A folder …" folder choose={work} />
            </div>
            <p className="m-0 pt-4 pb-1 font-semibold">Or paste it</p>
            <div className="flex gap-3">
              {field('HTML', html, setHtml)}
              {field('CSS, if it has its own', css, setCss)}
            </div>
          </>
        )}
      </div>
      <footer className="flex justify-end gap-2 border-t border-line px-5 py-3">
        {report && !problem ? (
          <>
            <button type="button" className={BUTTON} onClick={leave}>
              {made ? 'To all projects' : 'Close'}
            </button>
            {made && (
              <button
                type="button"
                autoFocus
                className="rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed"
                onClick={() => opened?.(made)}
              >
                Open the project
              </button>
            )}
          </>
        ) : (
          <>
            <button type="button" className={BUTTON} onClick={leave}>
              {working === undefined ? 'Leave it' : 'Stop'}
            </button>
            <button
              type="button"
              className="rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed disabled:opacity-50"
              disabled={html.trim() === '' || working !== undefined}
              onClick={() => void work(pasted(html, css))}
            >
              Bring in what was pasted
            </button>
          </>
        )}
      </footer>
    </>
  );
}

/** A button that opens the system's dialog for files. */
function Chooser({ label, folder = false, choose }: { label: string; folder?: boolean; choose: (files: Given[]) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={(node) => {
          input.current = node;
          if (folder) node?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        multiple
        hidden
        aria-label={label}
        onChange={({ target }) => {
          choose(givenBy(target.files));
          target.value = '';
        }}
      />
      <button type="button" className={BUTTON} onClick={() => input.current?.click()}>
        {label}
      </button>
    </>
  );
}
