import { randomUUID } from 'node:crypto';
import type { sql } from 'drizzle-orm';
import type { Edit } from '@/core/edits';
import { database, pool } from '@/server/db/client';
import type { EditAnswer } from '@/server/store/edit-log';
import { makeEdits } from '@/server/store/edit-log';
import { forget, loadProject } from '@/server/store/documents';
import { createProject } from '@/server/store/projects';

export const newDemo = () => createProject('To be tested', 'demo');
export const newEmpty = () => createProject('To be tested', 'empty');

export const incoming = (edit: Edit | object, id: string = randomUUID()) => ({ id, kind: 'do' as const, edit });

/** Edits made as a window would send them, on whatever is there. */
export async function make(id: string, ...edits: readonly (Edit | object)[]): Promise<EditAnswer> {
  const { revision } = await loadProject(database(), id);
  return makeEdits(id, { revision, edits: edits.map((edit) => incoming(edit)) });
}

export const colour = (owner: string, value: string): Edit => ({ type: 'setStyle', owner, at: 'base', property: 'color', value });

/** The document as a server that has just been started reads it. */
export async function freshly(id: string) {
  forget(id);
  return loadProject(database(), id);
}

export async function rows(query: ReturnType<typeof sql>): Promise<Record<string, unknown>[]> {
  return (await database().execute(query)).rows;
}

export const count = async (query: ReturnType<typeof sql>) => Number((await rows(query))[0]!.count);

export const closeDatabase = () => pool().end();

/** What a request from the program's own pages says of where it goes. */
export const HERE = { host: '127.0.0.1:1' };
