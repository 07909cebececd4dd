import { z } from 'zod';
import type { Device } from '../devices/device';
import { deviceSchema } from '../devices/device';
import { LIMITS } from '../document/project';
import { removesFrom, savesInto } from './named-list';

const saveSchema = z.strictObject({
  type: z.literal('saveDevice'),
  device: deviceSchema,
  index: z.number().int().min(0).max(LIMITS.devices).optional(),
});
export type SaveDevice = z.infer<typeof saveSchema>;

const removeSchema = z.strictObject({ type: z.literal('removeDevice'), id: z.string().max(30) });
export type RemoveDevice = z.infer<typeof removeSchema>;

const list = {
  of: ({ devices }: { readonly devices: readonly Device[] }) => devices,
  put: <P extends object>(project: P, devices: readonly Device[]) => ({ ...project, devices }),
  most: LIMITS.devices,
  word: 'device',
  save: (device: Device, index: number) => ({ type: 'saveDevice' as const, device, index }),
  remove: (id: string) => ({ type: 'removeDevice' as const, id }),
};

/** Adds a device, or changes the one of the same id. */
export const saveDevice = savesInto(list, saveSchema, ({ device }) => device);

/** Takes a device away. Sets that name it keep its place, so that it stands there again when it comes back. */
export const removeDevice = removesFrom(list, removeSchema);
