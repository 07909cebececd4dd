import { resolve } from 'node:path';
import { newBackupFile, newestBackup } from './setup/backup-files.mjs';
import { takeLock } from './setup/lock.mjs';
import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { fail, main } from './setup/process.mjs';

// Puts a backup in the place of all that there is: npm run restore FILE. What there was is backed up first.
await main(async () => {
  const word = process.argv[2];
  if (!word) {
    const newest = newestBackup();
    fail(`Which backup? npm run restore -- FILE${newest ? `\nThe newest one here: ${newest}` : ''}`);
  }
  takeLock('(restoring a backup)');
  await requirePrerequisites();
  await requirePackages();
  const { databaseState, prepareDatabase } = await import('./setup/application.mjs');
  const { startDatabase } = await import('./setup/database.mjs');
  const { restoreBackup, writeBackup } = await import('./setup/backup.mjs');
  const { url } = await startDatabase();
  if ((await databaseState(url)).projects > 0) {
    const before = newBackupFile('before-restore');
    await writeBackup(url, before);
    console.log(`What there was is in ${before}`);
  }
  await restoreBackup(url, resolve(word));
  await prepareDatabase(url);
  console.log(`Restored from ${word}: ${(await databaseState(url)).projects} projects. Start with: npm start`);
  return 0;
});
