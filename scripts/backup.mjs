import { resolve } from 'node:path';
import { newBackupFile } from './setup/backup-files.mjs';
import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main } from './setup/process.mjs';

// Writes all projects, edits, pictures and audits into one file: npm run backup [FILE]. The program may be running.
await main(async () => {
  await requirePrerequisites();
  await requirePackages();
  const { reachDatabase } = await import('./setup/reach-database.mjs');
  const { writeBackup } = await import('./setup/backup.mjs');
  const { url } = await reachDatabase();
  const file = process.argv[2] ? resolve(process.argv[2]) : newBackupFile('by-hand');
  await writeBackup(url, file);
  console.log(`Everything is in ${file}\nBring it back with: npm run restore -- ${file}`);
  return 0;
});
