import { drizzle } from 'drizzle-orm/node-postgres';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { PatientPool } from './patient-pool';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;

/** The database or a transaction in it. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

// Development reloads modules; the pool must outlive that.
const kept = globalThis as { millPondPool?: PatientPool };

export function pool(): PatientPool {
  if (!kept.millPondPool) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set. Start the program with "npm start", which sets it.');
    kept.millPondPool = new PatientPool({ connectionString: url, max: 12, connectionTimeoutMillis: 5_000 });
  }
  return kept.millPondPool;
}

export function database(): Database {
  return drizzle(pool(), { schema });
}
