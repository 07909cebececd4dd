'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { BUTTON } from '../theme/controls';
import { useSession } from '../state/store';
import { FetchedList } from './FetchedList';
import { PictureList } from './PictureList';

const SIDES = [
  ['list', 'Pictures'],
  ['fetched', 'What is fetched'],
] as const;

const close = () => useSession.setState({ pictures: undefined });

/** The project's pictures, and what a page makes browsers fetch of them. */
export function PicturesDialog() {
  const side = useSession((session) => session.pictures);
  return (
    <Dialog open={side !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="flex h-[620px] max-h-full w-[860px] flex-col rounded-[6px] border border-line-strong bg-sheet p-4">
          <div className="flex items-center gap-3 pb-3">
            <DialogTitle className="m-0 text-[15px] font-bold">Pictures</DialogTitle>
            <div role="group" aria-label="What is shown" className="flex gap-1">
              {SIDES.map(([name, label]) => (
                <button
                  key={name}
                  type="button"
                  aria-pressed={side === name}
                  className={`${BUTTON} ${side === name ? 'border-reed bg-reed-tint' : ''}`}
                  onClick={() => useSession.setState({ pictures: name })}
                >
                  {label}
                </button>
              ))}
            </div>
            <button type="button" className={`${BUTTON} ml-auto`} onClick={close}>
              Close
            </button>
          </div>
          {side === 'fetched' ? <FetchedList /> : side && <PictureList />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
