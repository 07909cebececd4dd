import { z } from 'zod';
import { elementIdSchema, sharedIdSchema } from './element';
import { kindIdSchema } from './kinds';

/** What values can be written on: an element, a shared style or a kind. */
export type OwnerKind = 'element' | 'shared' | 'kind';

const KINDS_BY_LETTER: ReadonlyMap<string, OwnerKind> = new Map([
  ['e', 'element'],
  ['s', 'shared'],
  ['k', 'kind'],
]);

/** What an owner's id names. @throws Error when it isn't an owner's id */
export function ownerKind(id: string): OwnerKind {
  const kind = KINDS_BY_LETTER.get(id[0] ?? '');
  if (!kind) throw new Error(`"${id.slice(0, 40)}" names no element, shared style or kind.`);
  return kind;
}

export const ownerIdSchema = z.union(
  [elementIdSchema, sharedIdSchema, kindIdSchema],
  'Not an element, a shared style or a kind.',
);
