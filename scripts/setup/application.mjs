import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { newBackupFile, thinOutBackups } from './backup-files.mjs';
import { writeBackup } from './backup.mjs';
import { homeFolder, openLog, root } from './places.mjs';
import { fail, pause, stopProcess, whenEnding } from './process.mjs';
import { runTypeScript } from './typescript.mjs';

/** Why nothing can be served on a port, or undefined. */
export function whyNotPort(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.on('error', ({ code }) =>
      resolve(
        code === 'EACCES'
          ? `Port ${port} is kept for programs with more rights. Choose one from 1024 on: npm start -- --port 4170`
          : `Port ${port} is taken. Choose another: npm start -- --port ${port < 65535 ? port + 1 : 4170}`,
      ),
    );
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(undefined)));
  });
}

const newestMigration = () =>
  Math.max(
    ...JSON.parse(readFileSync(join(root, 'src/server/db/migrations/meta/_journal.json'), 'utf8')).entries.map(
      ({ when }) => when,
    ),
  );

/**
 * How far a database's tables have come compared with what this program knows, and how many projects are in it.
 * @returns {Promise<{ state: 'new' | 'older' | 'present' | 'newer', projects: number }>}
 */
export async function databaseState(url) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const has = async (table) => (await client.query('select to_regclass($1) as it', [table])).rows[0].it !== null;
    if (!(await has('drizzle.__drizzle_migrations'))) return { state: 'new', projects: 0 };
    const { rows } = await client.query('select max(created_at)::float8 as at from drizzle.__drizzle_migrations');
    const projects = (await has('public.projects'))
      ? Number((await client.query('select count(*) from projects')).rows[0].count)
      : 0;
    const [at, known] = [rows[0].at ?? 0, newestMigration()];
    return { state: at > known ? 'newer' : at < known ? 'older' : 'present', projects };
  } finally {
    await client.end();
  }
}

/** Brings the tables up to date, with a backup before anything is changed, and loads the demo project into a new database. */
export async function prepareDatabase(url) {
  const { state, projects } = await databaseState(url);
  if (state === 'newer')
    fail(
      'This database was brought up to date by a newer version of Mill Pond, which this one doesn’t understand. Start the newer version, or restore a backup from before: npm run restore -- FILE',
    );
  // Nothing to do, and the program that would find that out takes longer to begin than all the rest.
  if (state === 'present' && projects > 0) return;
  let backup;
  if (state === 'older' && projects > 0) {
    backup = newBackupFile('before-update');
    await writeBackup(url, backup);
    thinOutBackups();
  }
  const code = await runTypeScript('scripts/prepare-database.ts', [], { DATABASE_URL: url });
  if (code !== 0)
    fail(
      `The database could not be brought up to date; what is above says why. It is as it was before.${backup ? `\nA backup of it is in ${backup}` : ''}`,
    );
}

/** How long the application may take to answer at first, ms. */
const START_MOST_MS = 90_000;

/** Serves the built application (or, in development, the sources) on loopback; resolves when it answers. */
export async function serve({ url, port, dev = false }) {
  const output = openLog('output.log');
  const child = spawn(process.execPath, [join(root, 'scripts/serve.mjs')], {
    cwd: root,
    stdio: ['ignore', dev ? 'inherit' : output, dev ? 'inherit' : output, 'pipe'],
    detached: true,
    env: {
      ...process.env,
      DATABASE_URL: url,
      HOST: '127.0.0.1',
      PORT: String(port),
      MILLPOND_ADDRESS: `127.0.0.1:${port}`,
      MILLPOND_LOG_FILE: join(homeFolder(), 'server.log'),
      // Where it says what people at the terminal should know.
      MILLPOND_TERMINAL: '3',
      NEXT_TELEMETRY_DISABLED: '1',
      NODE_ENV: dev ? 'development' : 'production',
    },
  });
  let ended = false;
  child.on('error', () => (ended = true));
  child.on('exit', () => (ended = true));
  child.stdio[3].on('data', (data) => process.stderr.write(data));
  child.stdio[3].on('error', () => undefined);
  const stop = async () => {
    forget();
    if (child.pid) await stopProcess(child.pid, 'SIGTERM');
  };
  const forget = whenEnding(() => stop());
  const address = `http://127.0.0.1:${port}`;
  for (let waited = 0; ; waited += 100) {
    const answer = await fetch(`${address}/api/health`).catch(() => undefined);
    if (answer?.ok) break;
    if (ended || waited > START_MOST_MS) {
      await stop();
      fail(`The application did not start. What it said is in ${join(homeFolder(), 'output.log')}`);
    }
    await pause(100);
  }
  return { address, pid: child.pid, child, stop };
}
