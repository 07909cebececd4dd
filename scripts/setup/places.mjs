import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder. */
export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

/** Where the program keeps what it makes at run time: database, logs, locks. Tests choose another one. */
export const homeFolder = () => process.env.MILLPOND_HOME ?? join(root, '.millpond');

/** Where the address of the database that runs here is kept, for workers on the same machine. */
export const databaseAddressFile = () => join(homeFolder(), 'database-address');
