import { rmSync } from 'node:fs';
import { prepareDatabase, serve } from './application.mjs';
import { freePort, startDatabase } from './database.mjs';
import { homeFolder } from './places.mjs';

/**
 * The whole application on free ports with a database of its own, for tests and measurements.
 * @param {{ fresh?: boolean }} options fresh: begin with an empty home
 */
export async function startStack({ fresh = true } = {}) {
  if (fresh) rmSync(homeFolder(), { recursive: true, force: true });
  const database = await startDatabase();
  try {
    await prepareDatabase(database.url);
    const application = await serve({ url: database.url, port: await freePort() });
    return {
      address: application.address,
      databaseUrl: database.url,
      get pids() {
        return { application: application.pid, database: database.pid };
      },
      stop: async () => {
        await application.stop();
        await database.stop();
      },
    };
  } catch (error) {
    await database.stop();
    throw error;
  }
}
