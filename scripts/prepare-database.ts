import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { pool } from '@/server/db/client';
import { ensureDemo } from '@/server/store/projects';

// Brings the database to the current schema and, when it is new, loads the demo project.
await migrate(drizzle(pool()), { migrationsFolder: 'src/server/db/migrations' });
if (await ensureDemo()) console.log('Loaded the demo project.');
await pool().end();
