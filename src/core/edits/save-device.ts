import { z } from 'zod';
import type { Device } from '../devices/device';
import { deviceSchema } from '../devices/device';
import { LIMITS } from '../document/limits';
import { densitiesFootprint } from './footprint';
import { placeFields } from './list-place';
import type { NamedList } from './named-list';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({ type: z.literal('saveDevice'), device: deviceSchema, ...placeFields });
type SaveDevice = z.infer<typeof saveSchema>;
const removeSchema = z.strictObject({ type: z.literal('removeDevice'), id: z.string().max(30) });
type RemoveDevice = z.infer<typeof removeSchema>;
declare module './edit' {
  interface EditTypes {
    readonly saveDevice: SaveDevice;
    readonly removeDevice: RemoveDevice;
  }
}

const list: NamedList<Device> = {
  of: ({ devices }) => devices,
  put: (project, devices) => ({ ...project, devices }),
  most: LIMITS.devices,
  word: 'device',
  save: (device, place) => ({ type: 'saveDevice', device, ...place }),
  remove: (id) => ({ type: 'removeDevice', id }),
  reaches: densitiesFootprint,
};

/** Adds a device, or changes the one of the same id. */
export const saveDevice = savesInto(list, saveSchema, ({ device }: SaveDevice) => device);

/** Takes a device away. Sets that name it keep its place, so that it stands there again when it comes back. */
export const removeDevice = removesFrom(list, removeSchema);
