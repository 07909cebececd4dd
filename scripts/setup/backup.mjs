import { spawn } from 'node:child_process';
import { existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { connectionVariables } from './connection.mjs';
import { postgresPrograms } from './prerequisites.mjs';
import { fail } from './process.mjs';

/** The queue's own tables are left out: what waits in it is ordered anew from the audits' rows. */
const LEFT_OUT = ['--exclude-schema=jobs'];

/** Runs one of PostgreSQL's programs against a database; resolves to its code and what it complained of. */
function runProgram(name, words, url, input) {
  const folder = postgresPrograms();
  const child = spawn(folder ? join(folder, name) : name, words, {
    stdio: [input ? 'pipe' : 'ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...connectionVariables(url) },
  });
  let complaint = '';
  child.stderr.on('data', (data) => (complaint += String(data)));
  child.stdin?.on('error', () => undefined);
  const ended = new Promise((resolve) => {
    child.on('error', (error) =>
      resolve({ code: 1, complaint: error.code === 'ENOENT' ? `${name} is not installed.` : error.message }),
    );
    child.on('close', (code) => resolve({ code: code ?? 1, complaint }));
  });
  return { child, ended };
}

/** Writes all that a database holds into a file, as it is at one moment; it may be worked with meanwhile. */
export async function writeBackup(url, file) {
  const part = `${file}.part`;
  const { child, ended } = runProgram('pg_dump', ['--format=custom', `--file=${part}`, '--no-owner', ...LEFT_OUT], url);
  child.stdout.resume();
  const { code, complaint } = await ended;
  if (code !== 0) {
    rmSync(part, { force: true });
    fail(`The backup could not be written: ${complaint.trim()}`);
  }
  // Whole or not at all.
  renameSync(part, file);
}

const EMPTY = `
drop schema if exists jobs cascade;
drop schema if exists drizzle cascade;
drop schema if exists public cascade;
create schema public;
`;

/** Puts what a backup holds in the place of all that a database holds, in one transaction: all of it or nothing. */
export async function restoreBackup(url, file) {
  if (!existsSync(file)) fail(`There is no file ${file}.`);
  const check = runProgram('pg_restore', ['--list', file], url);
  let listed = '';
  check.child.stdout.on('data', (data) => (listed += String(data)));
  const checked = await check.ended;
  if (checked.code !== 0) fail(`${file} can’t be read as a backup: ${checked.complaint.trim()}`);
  if (!/TABLE DATA public projects /.test(listed)) fail(`${file} is not a backup of Mill Pond: there are no projects in it.`);
  const reading = runProgram('pg_restore', ['--no-owner', '--no-privileges', '--file=-', file], url);
  const writing = runProgram('psql', ['--quiet', '--no-psqlrc', '--single-transaction', '-v', 'ON_ERROR_STOP=1'], url, true);
  writing.child.stdout.resume();
  writing.child.stdin.write(EMPTY);
  for await (const data of reading.child.stdout) if (!writing.child.stdin.write(skipSchema(data))) await drained(writing);
  const read = await reading.ended;
  // Without its end the transaction is taken back.
  if (read.code === 0) writing.child.stdin.end();
  else writing.child.kill('SIGKILL');
  const written = await writing.ended;
  if (read.code !== 0) fail(`${file} could not be read to its end: ${read.complaint.trim()}. Nothing was changed.`);
  if (written.code !== 0) fail(`The backup could not be put back: ${written.complaint.trim()}. Nothing was changed.`);
}

/** The schema "public" is there already; a dump of some versions makes it once more. */
function skipSchema(data) {
  return data.includes('CREATE SCHEMA public;') ? String(data).replace('CREATE SCHEMA public;', '') : data;
}

const drained = ({ child, ended }) => Promise.race([new Promise((resolve) => child.stdin.once('drain', resolve)), ended]);
