import { drizzle } from 'drizzle-orm/node-postgres';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;

/** The database or a transaction in it. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

// Development reloads modules; the pool must outlive that.
const kept = globalThis as { millPondPool?: Pool };

export function pool(): Pool {
  if (!kept.millPondPool) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set. Start the program with "npm start", which sets it.');
    kept.millPondPool = new Pool({ connectionString: url, max: 8, connectionTimeoutMillis: 5_000 });
    // An idle connection that breaks is replaced on next use; without a listener it would end the process.
    kept.millPondPool.on('error', () => undefined);
  }
  return kept.millPondPool;
}

export function database(): Database {
  return drizzle(pool(), { schema });
}
