import { sql } from 'drizzle-orm';
import { Client } from 'pg';
import type { Connection } from './client';
import { log } from '../logging/log';

/** PostgreSQL's channel (NOTIFY) on which servers of one database tell each other of edits. */
const CHANNEL = 'mill_pond_edits';
const RETRY_LEAST_MS = 200;
const RETRY_MOST_MS = 5_000;

/** Tells all servers that there is something new in a project's log, once the transaction is committed. */
export async function announceEdits(transaction: Connection, projectId: string): Promise<void> {
  await transaction.execute(sql`select pg_notify(${CHANNEL}, ${projectId})`);
}

type Listener = () => void;

interface Hub {
  readonly listeners: Map<string, Set<Listener>>;
  client: Client | undefined;
  retryMs: number;
}
// Next loads modules more than once; one process listens once.
const kept = globalThis as { millPondHub?: Hub };
const hub: Hub = (kept.millPondHub ??= { listeners: new Map(), client: undefined, retryMs: RETRY_LEAST_MS });

/** Hears of edits to a project, by whichever server they were made. Call what it answers to stop. */
export function hearEdits(projectId: string, listener: Listener): () => void {
  const mine = hub.listeners.get(projectId) ?? new Set();
  hub.listeners.set(projectId, mine.add(listener));
  if (!hub.client) void connect();
  return () => {
    mine.delete(listener);
    if (mine.size === 0) hub.listeners.delete(projectId);
  };
}

async function connect(): Promise<void> {
  const client = new Client({ connectionString: process.env.DATABASE_URL, connectionTimeoutMillis: 5_000 });
  hub.client = client;
  let over = false;
  const again = (error?: unknown) => {
    if (over) return;
    over = true;
    if (error) log.warn({ error }, 'listening to edits');
    client.removeAllListeners('notification');
    client.end().catch(() => undefined);
    hub.client = undefined;
    if (hub.listeners.size === 0) return;
    setTimeout(() => void (hub.client ?? connect()), hub.retryMs).unref?.();
    hub.retryMs = Math.min(RETRY_MOST_MS, hub.retryMs * 2);
  };
  client.on('error', again);
  client.on('end', () => again());
  client.on('notification', ({ payload = '' }) => hub.listeners.get(payload)?.forEach((listener) => listener()));
  try {
    await client.connect();
    await client.query(`listen ${CHANNEL}`);
    hub.retryMs = RETRY_LEAST_MS;
    // Something may have been announced meanwhile.
    for (const listeners of hub.listeners.values()) for (const listener of listeners) listener();
  } catch (error) {
    again(error);
  }
}
