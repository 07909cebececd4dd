import { DrizzleQueryError } from 'drizzle-orm/errors';
import { DatabaseError, Pool } from 'pg';
import type { PoolClient, PoolConfig, QueryResult } from 'pg';

/** The database can't be reached, or went while it was asked. */
export class DatabaseAway extends Error {
  override readonly name = 'DatabaseAway';
}

/** How long a request waits for a database that is being started again, ms. */
const PATIENCE_MS = 8_000;
const AGAIN_MS = 150;

/** SQLSTATE classes that speak of the connection or the server, not of the statement (PostgreSQL, appendix A). */
const AWAY = /^(08|57P0|53[123]00)/;
const NODE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH']);

/** What `pg` throws itself, for a query on a connection that has ended: a plain error without a code. */
const isBroken = (error: unknown) =>
  error instanceof Error && Object.getPrototypeOf(error) === Error.prototype && !('code' in error);

/**
 * Whether an error says that the database was away, by what it is: an answer of the server's has a SQLSTATE, what Node
 * says of a socket has a code, and Drizzle wraps what `pg` threw.
 */
export function isAway(error: unknown): boolean {
  for (let one = error; one instanceof Error; one = one.cause) {
    if (one instanceof DatabaseAway) return true;
    if (one instanceof DatabaseError) return AWAY.test(one.code ?? '');
    const { code } = one as { code?: string };
    if (code !== undefined && NODE.has(code)) return true;
    if (one instanceof DrizzleQueryError && isBroken(one.cause)) return true;
  }
  return false;
}

const pause = () => new Promise((done) => setTimeout(done, AGAIN_MS));

/**
 * Connections that wait briefly for a database which is being started again. Only what has not been begun is tried
 * again: a statement that was under way when the connection broke may have been carried out.
 */
export class PatientPool extends Pool {
  constructor(
    config: PoolConfig,
    private readonly patienceMs = PATIENCE_MS,
  ) {
    super(config);
    // An idle connection that breaks is replaced on next use; without a listener it would end the process.
    this.on('error', () => undefined);
  }

  override connect(): Promise<PoolClient>;
  override connect(callback: (error: Error | undefined, client: PoolClient | undefined, done: () => void) => void): void;
  override connect(callback?: (error: Error | undefined, client: PoolClient | undefined, done: () => void) => void) {
    const connecting = this.#patiently();
    if (!callback) return connecting;
    connecting.then(
      (client) => callback(undefined, client, (error?: boolean | Error) => client.release(error)),
      (error: Error) => callback(error, undefined, () => undefined),
    );
    return undefined;
  }

  /** One statement, as SQL. @throws DatabaseAway where the connection broke meanwhile */
  async ask(sql: string, values: unknown[]): Promise<QueryResult> {
    try {
      return await this.query(sql, values);
    } catch (error) {
      throw isBroken(error) ? new DatabaseAway('The database went while it was asked.', { cause: error }) : error;
    }
  }

  async #patiently(): Promise<PoolClient> {
    const until = performance.now() + this.patienceMs;
    for (;;) {
      let client: PoolClient | undefined;
      try {
        client = await super.connect();
        // A connection that breaks while it is used fails what it was asked; the event itself must not end the process.
        if (client.listenerCount('error') === 0) client.on('error', () => undefined);
        // One that waited may have broken without anybody having noticed.
        await client.query('select 1');
        return client;
      } catch (error) {
        client?.release(true);
        if (error instanceof DatabaseError && !AWAY.test(error.code ?? '')) throw error;
        if (performance.now() > until) throw new DatabaseAway('The database does not answer.', { cause: error });
        await pause();
      }
    }
  }
}
