let last: Promise<void> = Promise.resolve();

/**
 * Resolves in a round of the event loop that nobody else was given. Reading a document takes a while; many that were asked for
 * at once would be read in one go, and nobody be answered meanwhile.
 */
export function ownTurn(): Promise<void> {
  last = last.then(() => new Promise((done) => setImmediate(done)));
  return last;
}
