import { z } from 'zod';
import { nameSchema } from '../text';
import type { Device, Hold } from './device';
import { DEVICE_ID, PARTS } from './device';

/** How many devices stand in one set at most. */
export const SET_MOST = 40;

export const deviceSetSchema = z.strictObject({
  id: z.string().regex(/^v[a-z0-9]{1,24}$/, 'Not a device set id.'),
  name: nameSchema,
  devices: z
    .array(
      z.strictObject({
        device: z.string().regex(DEVICE_ID, 'Not a device id.'),
        turned: z.boolean().optional(),
        part: z.enum(PARTS, 'A part of the screen is whole, half or third.').optional(),
      }),
    )
    .min(1, 'A set of devices has at least one.')
    .max(SET_MOST, `A set has at most ${SET_MOST} devices.`)
    .readonly(),
});

/** One device in a set, held in its way. The same device may stand in it several times. */
export interface Standing extends Hold {
  readonly device: string;
}

/** Devices under a name, in the order in which they are looked at. Devices that have gone since don't count. */
export interface DeviceSet {
  readonly id: string;
  readonly name: string;
  readonly devices: readonly Standing[];
}

export interface Stood extends Hold {
  readonly device: Device;
}

/** The devices of a set that are still there. */
export function devicesOf(devices: readonly Device[], set: Pick<DeviceSet, 'devices'>): Stood[] {
  const byId = new Map(devices.map((device) => [device.id, device]));
  return set.devices.flatMap(({ device: id, ...hold }) => {
    const device = byId.get(id);
    return device ? [{ device, ...hold }] : [];
  });
}
