import PgBoss from 'pg-boss';
import { log } from '../http/log';

// Development reloads modules; the queue must outlive that.
const kept = globalThis as { millPondQueue?: Promise<PgBoss> };

/** The queue in PostgreSQL, begun when it's first asked for. Any number of processes may share it. */
export function queue(): Promise<PgBoss> {
  kept.millPondQueue ??= begin();
  kept.millPondQueue.catch(() => (kept.millPondQueue = undefined));
  return kept.millPondQueue;
}

async function begin(): Promise<PgBoss> {
  const connectionString = process.env.DATABASE_URL;
  if (!connectionString) throw new Error('DATABASE_URL is not set. Start the program with "npm start", which sets it.');
  const boss = new PgBoss({ connectionString, schema: 'jobs', max: 3 });
  boss.on('error', (error) => log.error({ error }, 'queue'));
  await boss.start();
  return boss;
}
