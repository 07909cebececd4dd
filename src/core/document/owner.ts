import { z } from 'zod';
import { sharedIdSchema } from './element';
import { kindIdSchema } from './kinds';
import { pseudoSchema, splitPseudo } from './pseudo';
import { shownIdSchema } from './use';

/** What values can be written on: an element, a shared style or a kind, each at rest, in a state or on another box. */
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

const bareIdSchema = z.union([shownIdSchema, sharedIdSchema, kindIdSchema]);

/** An id, perhaps with a state or a box behind it: "e12", "sa1:hover", "kbutton:active::before", "e12.e7" of a use. */
export const ownerIdSchema = z.string().refine((owner) => {
  const { id, pseudo } = splitPseudo(owner);
  return bareIdSchema.safeParse(id).success && (pseudo === '' || pseudoSchema.safeParse(pseudo).success);
}, 'Not an element, a shared style or a kind.');
