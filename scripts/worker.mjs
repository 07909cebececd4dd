import { existsSync, readFileSync } from 'node:fs';
import { requirePackages } from './setup/packages.mjs';
import { databaseAddressFile } from './setup/places.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { fail } from './setup/process.mjs';

// A worker for audits: any number of them, on any machine that reaches the database.
if (!process.env.DATABASE_URL) {
  if (!existsSync(databaseAddressFile()))
    fail('There is no database to work for. Run "npm start" on this machine first, or set DATABASE_URL.');
  process.env.DATABASE_URL = readFileSync(databaseAddressFile(), 'utf8').trim();
}
await requirePrerequisites();
await requirePackages();
const { bundlePageScripts } = await import('./setup/bundle.mjs');
await bundlePageScripts();
const { runTypeScript } = await import('./setup/typescript.mjs');
process.exit(await runTypeScript('scripts/worker.ts'));
