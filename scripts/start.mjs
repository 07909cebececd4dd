import { requirePackages } from './setup/packages.mjs';
import { homeFolder, requireHome } from './setup/places.mjs';
import { portFrom } from './setup/port.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { fail, isEnding, main, stopProcess } from './setup/process.mjs';
import { noteApplication, takeLock } from './setup/lock.mjs';

await main(async (end) => {
  const dev = process.argv.includes('--dev');
  const port = portFrom(process.argv);
  requireHome();
  const leftover = takeLock(`http://127.0.0.1:${port}`);
  if (leftover) await stopProcess(leftover, 'SIGTERM');
  await requirePrerequisites();
  await requirePackages();
  // These need packages, so they are loaded only now.
  const { whyNotPort, prepareDatabase, serve } = await import('./setup/application.mjs');
  const { requireBuild } = await import('./setup/build.mjs');
  const { startDatabase } = await import('./setup/database.mjs');
  const why = await whyNotPort(port);
  if (why) fail(why);
  if (dev) await (await import('./setup/bundle.mjs')).bundlePageScripts();
  else await requireBuild();
  const database = await startDatabase();
  await prepareDatabase(database.url);
  const application = await serve({ url: database.url, port, dev });
  noteApplication(application.pid);
  application.child.on('exit', (code) => {
    if (!isEnding()) console.error(`The application has ended unexpectedly; its logs are in ${homeFolder()}`);
    void end(code || 1);
  });
  console.log(`\nMill Pond is ready: ${application.address}\nCtrl-C stops it; everything is saved.\n`);
});
