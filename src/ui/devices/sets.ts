import type { Device } from '@/core/devices';
import { key } from '../view/actions';
import { announce, commitOrReport } from '../editing/edits';
import { useSession, useLineup } from '../state/store';

/** A name that nothing in a list has yet: "Phone", "Phone 2", … */
export function freeName(name: string, taken: readonly { readonly name: string }[]): string {
  const names = new Set(taken.map((one) => one.name));
  for (let n = 1; ; n++) {
    const next = n === 1 ? name : `${name.slice(0, 74)} ${n}`;
    if (!names.has(next)) return next;
  }
}

/** Keeps what is in the line-up now, turned and divided as it is, as a set of its own. */
export function saveAsSet(): void {
  const { places } = useLineup.getState();
  const { deviceSets } = useSession.getState().project;
  if (places.length === 0) return announce('There is no device in the line-up to keep.');
  const set = {
    id: `v${key()}`,
    name: freeName('My devices', deviceSets),
    devices: places.map(({ key: _, ...standing }) => standing),
  };
  if (commitOrReport({ type: 'saveDeviceSet', set })) {
    useLineup.setState({ setId: set.id, devicesOpen: true });
    announce(`Kept as ${set.name}.`);
  }
}

export const newDeviceId = () => `d${key()}`;

/** A device to begin with when a new one is added. */
export const freshDevice = (devices: readonly Device[]): Device => ({
  id: newDeviceId(),
  name: freeName('New device', devices),
  group: 'phone',
  width: 390,
  height: 800,
  density: 2,
  pointer: 'finger',
  scrollbar: 'overlay',
  bars: 100,
  turns: true,
});
