import PgBoss from 'pg-boss';
import { pool } from '../db/client';
import { log } from '../logging/log';

// Development reloads modules; the queue must outlive that.
const kept = globalThis as { millPondQueue?: Promise<PgBoss> };

/** The queue in PostgreSQL, begun when it's first asked for. Any number of processes may share it. */
export function queue(): Promise<PgBoss> {
  kept.millPondQueue ??= begin();
  kept.millPondQueue.catch(() => (kept.millPondQueue = undefined));
  return kept.millPondQueue;
}

async function begin(): Promise<PgBoss> {
  // With the connections of everything else, which wait for a database that is being started again.
  const db = { executeSql: (text: string, values: unknown[]) => pool().ask(text, values) };
  const boss = new PgBoss({ db, schema: 'jobs' });
  boss.on('error', (error) => log.error({ error }, 'queue'));
  await boss.start();
  return boss;
}
