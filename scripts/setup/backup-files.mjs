import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { homeFolder } from './places.mjs';

export const backupFolder = () => join(homeFolder(), 'backups');
const ENDING = '.dump';
/** How many of the backups that are made by themselves stay. */
const KEPT = 10;
const BY_ITSELF = 'before-';

/** Backups in the usual folder, newest first. Their names begin with what made them and end with when. */
export function backups() {
  if (!existsSync(backupFolder())) return [];
  const at = (name) => name.slice(-ENDING.length - 17);
  return readdirSync(backupFolder())
    .filter((name) => name.endsWith(ENDING))
    .sort((a, b) => at(b).localeCompare(at(a)))
    .map((name) => join(backupFolder(), name));
}

export const newestBackup = () => backups()[0];

/** A name for a new backup, that of its moment: "by-hand-2026-03-01T120000" or "before-update-…". */
export function newBackupFile(reason) {
  mkdirSync(backupFolder(), { recursive: true, mode: 0o700 });
  const moment = new Date().toISOString().slice(0, 19).replaceAll(':', '');
  return join(backupFolder(), `${reason}-${moment}${ENDING}`);
}

/** Lets go of the oldest backups that were made by themselves. */
export function thinOutBackups() {
  const own = backups().filter((file) => file.slice(backupFolder().length + 1).startsWith(BY_ITSELF));
  for (const file of own.slice(KEPT)) rmSync(file);
}
