'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import type { Device } from '@/core/devices';
import { DeviceForm } from '../devices/DeviceForm';
import { DeviceList } from '../devices/DeviceList';
import { DeviceSets } from '../devices/DeviceSets';
import { DeviceTable } from '../devices/DeviceTable';
import { shownProject, useSession, useLineup } from '../state/store';
import { BUTTON } from '../theme/controls';

import { freshDevice } from '../devices/sets';

/** The devices of the project and the sets of them. */
export function DevicesDialog() {
  const open = useLineup((lineup) => lineup.devicesOpen);
  const devices = useSession((session) => shownProject(session).devices);
  const [editing, setEditing] = useState<Device>();
  const close = () => {
    setEditing(undefined);
    useLineup.setState({ devicesOpen: false });
  };
  return (
    <Dialog open={open} onClose={close} className="fixed inset-0 z-50">
      <div className="absolute inset-0 bg-ink/30" aria-hidden />
      <div className="absolute inset-0 flex items-center justify-center p-8">
        <DialogPanel className="flex max-h-full w-[880px] flex-col rounded-[6px] border border-line-strong bg-sheet p-4">
          <div className="flex items-center justify-between pb-2">
            <DialogTitle className="m-0 text-[15px] font-bold">
              Devices <span className="font-mono font-normal text-muted">{devices.length}</span>
            </DialogTitle>
            <span className="flex gap-2">
              <button type="button" className={BUTTON} onClick={() => setEditing(freshDevice(devices))}>
                New device
              </button>
              <button type="button" className={BUTTON} onClick={close}>
                Close
              </button>
            </span>
          </div>
          <div className="flex min-h-0 flex-1 gap-4">
            <div className="flex h-[520px] max-h-full min-w-0 flex-1 flex-col gap-2">
              <DeviceList devices={devices} editing={editing?.id} onEdit={setEditing} />
              <DeviceTable devices={devices} />
            </div>
            <div className="w-[320px] shrink-0 overflow-auto border-l border-line pl-4">
              <DeviceSets />
              {editing ? (
                <div className="border-t border-line pt-2">
                  <DeviceForm key={editing.id} device={editing} onDone={() => setEditing(undefined)} />
                </div>
              ) : (
                <p className="m-0 border-t border-line pt-2 text-muted">
                  Tick what stands in the line-up. Sizes are CSS px; of a viewport’s height the browser’s own bars are taken off.
                </p>
              )}
            </div>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
