import { accessSync, constants, existsSync, mkdirSync, openSync, renameSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { fail } from './process.mjs';

/** The project's folder. */
export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

/** Where the program keeps what it makes at run time: database, logs, locks, backups. Tests choose another one. */
export const homeFolder = () => process.env.MILLPOND_HOME ?? join(root, '.millpond');

/** Where the address of the database that runs here is kept, for workers on the same machine. */
export const databaseAddressFile = () => join(homeFolder(), 'database-address');

const REASONS = {
  EEXIST: 'there is a file in its place',
  ENOTDIR: 'there is a file in its place',
  EACCES: 'it may not be written to',
  EPERM: 'it may not be written to',
  EROFS: 'it is on a file system that is read-only',
  ENOSPC: 'the disk is full',
  ENOENT: 'it can’t be made there',
};

/** Makes sure of the folder that the program keeps everything in. @throws Refusal in words */
export function requireHome() {
  const home = homeFolder();
  try {
    makeFolder(resolve(home));
    accessSync(home, constants.W_OK | constants.X_OK);
  } catch (error) {
    fail(
      `The folder ${home} can’t be used: ${REASONS[error.code] ?? error.message}.\nMake it a folder that you can write to, or name another one: MILLPOND_HOME=/some/folder npm start`,
    );
  }
  return home;
}

/** One after the other: where nothing can be made at all, `recursive` never comes to an end in Node. */
function makeFolder(folder) {
  if (existsSync(folder) && statSync(folder).isDirectory()) return;
  if (dirname(folder) !== folder) makeFolder(dirname(folder));
  mkdirSync(folder);
}

/** Bytes. A log that no program turns over by itself is put aside at this size. */
const LOG_MOST = 5_000_000;

/** Opens a log to append to; one that has grown is put aside first, in place of the one put aside before. */
export function openLog(name) {
  const file = join(homeFolder(), name);
  if (existsSync(file) && statSync(file).size > LOG_MOST) renameSync(file, `${file}.1`);
  return openSync(file, 'a', 0o600);
}
