import { existsSync, readFileSync } from 'node:fs';
import { whyNoDatabase } from './connection.mjs';
import { startDatabase } from './database.mjs';
import { databaseAddressFile } from './places.mjs';

/** The database of the program that runs here, or the same database started for a moment. */
export async function reachDatabase() {
  if (!process.env.DATABASE_URL && existsSync(databaseAddressFile())) {
    const url = readFileSync(databaseAddressFile(), 'utf8').trim();
    if ((await whyNoDatabase(url)) === undefined) return { url };
  }
  return startDatabase();
}
