import type { Answer } from './fetch-json';
import { fetchJson } from './fetch-json';

/** A request, as the worker is asked for it. */
export interface Asked {
  readonly id: number;
  readonly address: string;
  readonly init: RequestInit;
}

export type Told = ({ readonly id: number } & Answer) | { readonly id: number; readonly failed: string };

interface Waiting {
  readonly asked: Asked;
  readonly resolve: (answer: Answer | Promise<Answer>) => void;
  readonly reject: (error: Error) => void;
}

let worker: Worker | undefined;
let isBroken = false;
let count = 0;
const waiting = new Map<number, Waiting>();

function start(): Worker {
  const made = new Worker(new URL('./beside-worker.ts', import.meta.url));
  made.onmessage = ({ data }: MessageEvent<Told>) => {
    const one = waiting.get(data.id);
    waiting.delete(data.id);
    // As browsers say it of a network that failed (Fetch, 5.6).
    if ('failed' in data) one?.reject(new TypeError(data.failed));
    else one?.resolve(data);
  };
  // It could not be loaded, or broke: what it was asked for is asked for from here, as is all from now on.
  made.onerror = () => {
    isBroken = true;
    made.terminate();
    for (const { asked, resolve } of waiting.values()) resolve(fetchJson(asked.address, asked.init));
    waiting.clear();
  };
  return made;
}

/**
 * The same from a thread beside the page's: making a request and reading its answer took some 2 ms of the page.
 * @throws TypeError where the network fails
 */
export function askBeside(path: string, init: RequestInit): Promise<Answer> {
  if (isBroken || typeof Worker === 'undefined') return fetchJson(path, init);
  worker ??= start();
  const asked = { id: count++, address: new URL(path, location.href).href, init };
  return new Promise((resolve, reject) => {
    waiting.set(asked.id, { asked, resolve, reject });
    worker!.postMessage(asked);
  });
}
