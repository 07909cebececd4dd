import type { Device } from './device';
import { viewportOn } from './device';
import type { DeviceSet } from './device-set';
import { devicesOf } from './device-set';

/** A width, px, and the density of a device that is as wide: device px in a CSS px. */
export type Density = readonly [width: number, density: number];

/** Where nothing is known of devices. */
export const USUAL_DENSITIES: readonly Density[] = [
  [390, 3],
  [800, 2],
  [1280, 1],
];

interface Devices {
  readonly devices: readonly Device[];
  readonly deviceSets: readonly DeviceSet[];
}

/** The widths of a project's devices in its sets, upright and turned, narrow first, each with the highest density at it. */
export function densitiesOf({ devices, deviceSets }: Devices): readonly Density[] {
  const found = new Map<number, number>();
  for (const set of deviceSets)
    for (const { device, ...hold } of devicesOf(devices, set))
      for (const turned of device.turns ? [hold.turned ?? false, !hold.turned] : [false]) {
        const { width } = viewportOn(device, { ...hold, turned });
        found.set(width, Math.max(device.density, found.get(width) ?? 0));
      }
  return found.size === 0 ? USUAL_DENSITIES : [...found].sort(([a], [b]) => a - b);
}

/** The density of the device that is nearest to a width; of two the higher. */
export function densityAt(densities: readonly Density[], width: number): number {
  const away = ([at]: Density) => Math.abs(at - width);
  const nearest = Math.min(...densities.map(away));
  return Math.max(...densities.filter((one) => away(one) === nearest).map(([, density]) => density));
}
