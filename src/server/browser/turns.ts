import { HttpError } from '../http/errors';

export type Urgency = 'now' | 'later';

export interface TurnWish {
  readonly urgency: Urgency;
  /** Whoever has gone needn't wait any longer. */
  readonly signal?: AbortSignal | undefined;
  /** How long to wait for a turn at most, ms. Work in the background waits as long as it takes. */
  readonly waitMostMs?: number;
}

interface Waiting {
  readonly since: number;
  readonly begin: () => void;
}

const WAIT_MOST_MS = 90_000;
/** Work in the background that has waited so long goes first, ms: many people who edit must not stop it. */
const PATIENCE_MS = 2_000;
/** A stream whose reader takes nothing for so long gives its turn back, ms. */
const UNREAD_MOST_MS = 30_000;

/**
 * Turns at the browser: so many at once as memory has room for, so that one heavy page doesn't stop the others. They are
 * given as scopes only, and so can't be kept by anybody whose work has ended, however it did.
 */
export class Turns {
  readonly #waiting: Record<Urgency, Waiting[]> = { now: [], later: [] };
  readonly #running: Record<Urgency, number> = { now: 0, later: 0 };

  /** @param most turns at once; those of work in the background leave one free */
  constructor(private readonly most: number) {}

  async run<T>(wish: TurnWish, work: () => Promise<T>): Promise<T> {
    const giveBack = await this.#take(wish);
    try {
      return await work();
    } finally {
      giveBack();
    }
  }

  /** The same for work that is told piece by piece. */
  async *stream<T>(wish: TurnWish, work: () => AsyncGenerator<T>, unreadMostMs = UNREAD_MOST_MS): AsyncGenerator<T> {
    const giveBack = await this.#take(wish);
    let timer: NodeJS.Timeout | undefined;
    const pieces = work();
    try {
      for (;;) {
        const { value, done } = await pieces.next();
        if (done) return;
        let unread = false;
        timer = setTimeout(() => {
          unread = true;
          // Its tab goes with it.
          void pieces.return(undefined).finally(giveBack);
        }, unreadMostMs);
        yield value;
        clearTimeout(timer);
        if (unread) throw new HttpError(408, 'The measurement was ended, since nobody took its results.');
      }
    } finally {
      clearTimeout(timer);
      try {
        await pieces.return(undefined);
      } finally {
        giveBack();
      }
    }
  }

  async #take({ urgency, signal, waitMostMs = urgency === 'now' ? WAIT_MOST_MS : Infinity }: TurnWish): Promise<() => void> {
    await new Promise<void>((resolve, reject) => {
      if (signal?.aborted) return reject(new Aborted());
      const queue = this.#waiting[urgency];
      let timer: NodeJS.Timeout | undefined;
      const leave = (error: Error) => {
        clearTimeout(timer);
        signal?.removeEventListener('abort', gone);
        queue.splice(queue.indexOf(mine), 1);
        reject(error);
      };
      const gone = () => leave(new Aborted());
      const mine: Waiting = {
        since: performance.now(),
        begin: () => {
          clearTimeout(timer);
          signal?.removeEventListener('abort', gone);
          this.#running[urgency]++;
          resolve();
        },
      };
      signal?.addEventListener('abort', gone, { once: true });
      if (waitMostMs < Infinity)
        timer = setTimeout(() => {
          const words = `The browser was busy with other measurements for ${Math.round(waitMostMs / 1000)} seconds. Try again in a moment.`;
          leave(new HttpError(503, words));
        }, waitMostMs);
      queue.push(mine);
      this.#next();
    });
    let given = false;
    return () => {
      if (given) return;
      given = true;
      this.#running[urgency]--;
      this.#next();
    };
  }

  #next(): void {
    const { now, later } = this.#waiting;
    while (this.#running.now + this.#running.later < this.most) {
      const room = this.#running.later < Math.max(1, this.most - 1) ? later : [];
      const overdue = room[0] && performance.now() - room[0].since > PATIENCE_MS;
      const one = overdue ? room.shift() : (now.shift() ?? room.shift());
      if (!one) return;
      one.begin();
    }
  }
}

/** Whoever asked has gone, so the work is left. */
export class Aborted extends Error {
  override readonly name = 'AbortError';
}
