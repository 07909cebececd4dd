import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { fail, stopProcess } from './setup/process.mjs';
import { noteApplication, takeLock } from './setup/lock.mjs';

const DEFAULT_PORT = 4170;

function portFrom(words) {
  const at = words.indexOf('--port');
  if (at < 0) return DEFAULT_PORT;
  const port = Number(words[at + 1]);
  if (!Number.isInteger(port) || port < 1 || port > 65535) fail('--port needs a number from 1 to 65535.');
  return port;
}

const dev = process.argv.includes('--dev');
const port = portFrom(process.argv);
const leftover = takeLock(`http://127.0.0.1:${port}`);
if (leftover) await stopProcess(leftover, 'SIGTERM');

const stops = [];
let stopping = false;
async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const stop of stops.reverse()) await stop();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    console.log('\nStopping …');
    void stopAll(0);
  });

await requirePrerequisites();
await requirePackages();
// These need packages, so they are loaded only now.
const { requireFreePort, prepareDatabase, serve } = await import('./setup/application.mjs');
const { requireBuild } = await import('./setup/build.mjs');
const { startDatabase } = await import('./setup/database.mjs');
await requireFreePort(port);
if (dev) await (await import('./setup/bundle.mjs')).bundlePageScripts();
else await requireBuild();
const database = await startDatabase();
stops.push(database.stop);
await prepareDatabase(database.url);
const application = await serve({ url: database.url, port, dev });
stops.push(application.stop);
noteApplication(application.pid);
application.child.on('exit', (code) => {
  if (!stopping) console.error('The application has ended unexpectedly.');
  void stopAll(code || 1);
});
console.log(`\nMill Pond is ready: ${application.address}\nCtrl-C stops it; everything is saved.\n`);
