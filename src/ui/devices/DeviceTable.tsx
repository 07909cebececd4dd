'use client';

import { useState } from 'react';
import type { Device, ReadDevices } from '@/core/devices';
import { readDeviceTable, writeDeviceCsv, writeDeviceJson } from '@/core/devices';
import type { Edit } from '@/core/edits';
import { announce, commit } from '../editing/edits';
import { together } from '../arranging/tree';
import { newDeviceId } from './sets';
import { BUTTON } from '../theme/controls';
import { saveFile } from './save-file';

/** Takes devices over from a table and hands them on as one: CSV and JSON. */
export function DeviceTable({ devices }: { readonly devices: readonly Device[] }) {
  const [read, setRead] = useState<ReadDevices>();
  const [problem, setProblem] = useState<string>();
  const byName = new Map(devices.map((device) => [device.name, device.id]));
  const known = read?.devices.filter(({ name }) => byName.has(name)).length ?? 0;
  const take = () => {
    if (!read) return;
    const edits = read.devices.map((device): Edit => ({
      type: 'saveDevice',
      device: { ...device, id: byName.get(device.name) ?? newDeviceId() },
    }));
    const wrong = commit(together(`Import ${edits.length} devices`, edits));
    setProblem(wrong);
    if (wrong) return;
    setRead(undefined);
    announce(`${edits.length} devices taken over.`);
  };
  return (
    <div className="border-t border-line pt-2">
      <div className="flex flex-wrap items-center gap-2">
        <label className={`${BUTTON} cursor-pointer focus-within:outline-2 focus-within:outline-reed`}>
          Import a table (CSV, JSON)
          <input
            type="file"
            accept=".csv,.json,text/csv,application/json"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              setProblem(undefined);
              if (file && file.size > 1_000_000) setRead({ devices: [], problems: ['This file is larger than 1 MB.'] });
              else
                void file?.text().then(
                  (text) => setRead(readDeviceTable(text)),
                  () => setRead({ devices: [], problems: ['This file could not be read.'] }),
                );
            }}
          />
        </label>
        <button type="button" className={BUTTON} onClick={() => saveFile('devices.csv', 'text/csv', writeDeviceCsv(devices))}>
          Save as CSV
        </button>
        <button
          type="button"
          className={BUTTON}
          onClick={() => saveFile('devices.json', 'application/json', writeDeviceJson(devices))}
        >
          Save as JSON
        </button>
      </div>
      {read && read.problems.length > 0 && (
        <div role="alert" className="mt-2 max-h-28 overflow-auto rounded-[4px] bg-rust-tint p-2 text-rust">
          <b>Nothing was taken over.</b>
          {read.problems.map((line) => (
            <p key={line} className="m-0">
              {line}
            </p>
          ))}
        </div>
      )}
      {read && read.problems.length === 0 && (
        <div className="mt-2 flex items-center gap-2 rounded-[4px] bg-amber-tint p-2" role="status">
          <span className="flex-1">
            {read.devices.length - known} new devices
            {known > 0 && `; ${known} have the name of one that is here and take its place`}.
          </span>
          <button type="button" className={BUTTON} onClick={() => setRead(undefined)}>
            Leave it
          </button>
          <button type="button" className={BUTTON} onClick={take}>
            Take over
          </button>
        </div>
      )}
      {problem && (
        <p role="alert" className="m-0 pt-1 text-rust">
          {problem}
        </p>
      )}
    </div>
  );
}
