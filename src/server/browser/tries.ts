import { HttpError } from '../http/errors';
import { log } from '../logging/log';
import { BrowserTrouble } from './trouble';

/** How often something is tried before it is given up. */
export const TRIES_MOST = 3;
/** Between tries, ms: a machine that has just run out of memory needs a moment. */
const PAUSE_MS = 300;

/** Says which page could not be worked on, and why, once it has been tried often enough. */
export class GivenUp extends HttpError {
  constructor(what: string, trouble: BrowserTrouble) {
    const times = trouble.kind === 'unstartable' ? '' : ` It was tried ${TRIES_MOST} times.`;
    super(503, `${what}: ${trouble.message}.${times}`);
  }
}

/**
 * Counts what befalls the browser while something is worked on, and waits before the next try.
 * What has brought something new since counts from one again.
 */
export class Tries {
  #made = 0;

  /** @param what the sentence's begin for people, "The page “Front” could not be measured" */
  constructor(private readonly what: string) {}

  /** @throws GivenUp after the last try; the error itself when another try wouldn't help */
  async after(error: unknown): Promise<void> {
    if (!(error instanceof BrowserTrouble)) throw error;
    this.#made++;
    log.warn({ trouble: error.kind, try: this.#made }, `${this.what}: ${error.message}`);
    if (this.#made >= TRIES_MOST) throw new GivenUp(this.what, error);
    await new Promise((done) => setTimeout(done, PAUSE_MS * this.#made));
  }

  progressed(): void {
    this.#made = 0;
  }
}

/** Does something in the browser, three times if need be. */
export async function tried<T>(what: string, work: () => Promise<T>): Promise<T> {
  const tries = new Tries(what);
  for (;;) {
    try {
      return await work();
    } catch (error) {
      await tries.after(error);
    }
  }
}
