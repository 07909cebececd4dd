import { z } from 'zod';
import type { DeviceSet } from '../devices/device-set';
import { deviceSetSchema } from '../devices/device-set';
import { LIMITS } from '../document/project';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({
  type: z.literal('saveDeviceSet'),
  set: deviceSetSchema,
  index: z.number().int().min(0).max(LIMITS.deviceSets).optional(),
});
export type SaveDeviceSet = z.infer<typeof saveSchema>;

const removeSchema = z.strictObject({ type: z.literal('removeDeviceSet'), id: z.string().max(30) });
export type RemoveDeviceSet = z.infer<typeof removeSchema>;

const list = {
  of: ({ deviceSets }: { readonly deviceSets: readonly DeviceSet[] }) => deviceSets,
  put: <P extends object>(project: P, deviceSets: readonly DeviceSet[]) => ({ ...project, deviceSets }),
  most: LIMITS.deviceSets,
  word: 'set of devices',
  save: (set: DeviceSet, index: number) => ({ type: 'saveDeviceSet' as const, set, index }),
  remove: (id: string) => ({ type: 'removeDeviceSet' as const, id }),
};

/** Keeps devices, each held in its way, under a name. */
export const saveDeviceSet = savesInto(list, saveSchema, ({ set }) => set);

/** Forgets a set. Its devices stay. */
export const removeDeviceSet = removesFrom(list, removeSchema);
