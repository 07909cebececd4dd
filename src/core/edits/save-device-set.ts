import { z } from 'zod';
import type { DeviceSet } from '../devices/device-set';
import { deviceSetSchema } from '../devices/device-set';
import { LIMITS } from '../document/limits';
import { densitiesFootprint } from './footprint';
import { placeFields } from './list-place';
import type { NamedList } from './named-list';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({ type: z.literal('saveDeviceSet'), set: deviceSetSchema, ...placeFields });
type SaveDeviceSet = z.infer<typeof saveSchema>;
const removeSchema = z.strictObject({ type: z.literal('removeDeviceSet'), id: z.string().max(30) });
type RemoveDeviceSet = z.infer<typeof removeSchema>;
declare module './edit' {
  interface EditTypes {
    readonly saveDeviceSet: SaveDeviceSet;
    readonly removeDeviceSet: RemoveDeviceSet;
  }
}

const list: NamedList<DeviceSet> = {
  of: ({ deviceSets }) => deviceSets,
  put: (project, deviceSets) => ({ ...project, deviceSets }),
  most: LIMITS.deviceSets,
  word: 'set of devices',
  save: (set, place) => ({ type: 'saveDeviceSet', set, ...place }),
  remove: (id) => ({ type: 'removeDeviceSet', id }),
  reaches: densitiesFootprint,
};

/** Keeps devices, each held in its way, under a name. */
export const saveDeviceSet = savesInto(list, saveSchema, ({ set }: SaveDeviceSet) => set);

/** Forgets a set. Its devices stay. */
export const removeDeviceSet = removesFrom(list, removeSchema);
