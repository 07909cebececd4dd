import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { prepareDatabase } from '../../scripts/setup/application.mjs';
import { startDatabase } from '../../scripts/setup/database.mjs';
import { root } from '../../scripts/setup/places.mjs';
import { requirePrerequisites } from '../../scripts/setup/prerequisites.mjs';

/** A PostgreSQL for the tests of the server, brought up to date; workers find it by DATABASE_URL. */
export default async function start() {
  await requirePrerequisites();
  const home = process.env.MILLPOND_HOME;
  process.env.MILLPOND_HOME = join(root, '.millpond/server-tests');
  // What an earlier run has left would be worked on first.
  rmSync(process.env.MILLPOND_HOME, { recursive: true, force: true });
  const database = await startDatabase();
  if (home === undefined) delete process.env.MILLPOND_HOME;
  else process.env.MILLPOND_HOME = home;
  await prepareDatabase(database.url);
  globalThis.millPondTestDatabase = database;
  process.env.DATABASE_URL = database.url;
}
