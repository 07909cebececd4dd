'use client';

import { useLineup } from '../state/store';
import type { Device } from '@/core/devices';
import { DEVICE_GROUPS, GROUP_NAMES, viewportOn } from '@/core/devices';
import { commitOrReport } from '../editing/edits';
import { toggleInLineup } from './line-up';
import { SIGN_BUTTON } from '../theme/controls';

interface Props {
  readonly devices: readonly Device[];
  readonly editing: string | undefined;
  readonly onEdit: (device: Device) => void;
}

/** All devices of the project by group: which are in the line-up, and what each is. */
export function DeviceList({ devices, editing, onEdit }: Props) {
  const places = useLineup((lineup) => lineup.places);
  const shown = new Set(places.map(({ device }) => device));
  return (
    <div className="min-h-0 flex-1 overflow-auto pr-2" data-testid="device-list">
      {DEVICE_GROUPS.map((group) => {
        const list = devices.filter((device) => device.group === group);
        if (list.length === 0) return null;
        return (
          <section key={group} aria-label={GROUP_NAMES[group]}>
            <h3 className="m-0 pt-2 pb-0.5 text-[12px] font-semibold text-muted">{GROUP_NAMES[group]}</h3>
            <ul className="m-0 list-none p-0">
              {list.map((device) => {
                const { width, height } = viewportOn(device);
                return (
                  <li
                    key={device.id}
                    className={`flex h-[26px] items-center gap-2 rounded-[3px] px-1 ${editing === device.id ? 'bg-reed-tint' : 'hover:bg-paper'}`}
                  >
                    <label className="flex min-w-0 flex-1 items-center gap-2">
                      <input
                        type="checkbox"
                        className="accent-reed"
                        checked={shown.has(device.id)}
                        aria-label={`${device.name} in the line-up`}
                        onChange={() => toggleInLineup(device.id)}
                      />
                      <span className="truncate">{device.name}</span>
                    </label>
                    <span className="font-mono text-[11px] whitespace-nowrap text-muted">
                      {width} × {height} · {device.density}× · {device.pointer}
                    </span>
                    <button
                      type="button"
                      className={SIGN_BUTTON}
                      aria-label={`Change ${device.name}`}
                      title="Change"
                      onClick={() => onEdit(device)}
                    >
                      <span aria-hidden>✎</span>
                    </button>
                    <button
                      type="button"
                      className={SIGN_BUTTON}
                      aria-label={`Remove ${device.name} from the project`}
                      title="Remove from the project"
                      onClick={() => commitOrReport({ type: 'removeDevice', id: device.id })}
                    >
                      <span aria-hidden>✕</span>
                    </button>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
      {devices.length === 0 && <p className="text-muted">This project has no devices. Add one, or import a table.</p>}
    </div>
  );
}
