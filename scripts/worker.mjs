import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { requirePackages } from './setup/packages.mjs';
import { databaseAddressFile, homeFolder, requireHome } from './setup/places.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { fail, main } from './setup/process.mjs';

// A worker for audits: any number of them, on any machine that reaches the database.
await main(async () => {
  if (!process.env.DATABASE_URL) {
    if (!existsSync(databaseAddressFile()))
      fail('There is no database to work for. Run "npm start" on this machine first, or set DATABASE_URL.');
    process.env.DATABASE_URL = readFileSync(databaseAddressFile(), 'utf8').trim();
  }
  requireHome();
  await requirePrerequisites();
  await requirePackages();
  const { whyNoDatabase } = await import('./setup/connection.mjs');
  const why = await whyNoDatabase(process.env.DATABASE_URL);
  if (why) fail(why);
  const { bundlePageScripts } = await import('./setup/bundle.mjs');
  await bundlePageScripts();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  // What is in hand is brought to its end first.
  return runTypeScript('scripts/worker.ts', [], { MILLPOND_LOG_FILE: join(homeFolder(), 'worker.log') }, 210_000);
});
