import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { pool } from '@/server/db/client';
import { ensureDemo } from '@/server/store/projects';

// Brings the database to the current schema and, when it is new, loads the demo project.
const told = (error: unknown): string => {
  const { message, cause } = error as Error;
  return cause instanceof Error ? `${cause.message} (in: ${message.split('\n')[0]})` : message;
};

try {
  await migrate(drizzle(pool()), { migrationsFolder: process.env.MILLPOND_MIGRATIONS ?? 'src/server/db/migrations' });
  if (await ensureDemo()) console.log('Loaded the demo project.');
} catch (error) {
  console.error(told(error));
  process.exitCode = 1;
} finally {
  await pool().end();
}
