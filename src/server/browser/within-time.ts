/** Something in the browser took longer than it may. */
export class TooLong extends Error {
  override readonly name = 'TooLong';
}

/**
 * Waits for work in the browser, but not for ever: a page whose layout never comes to an end is given up.
 * @throws TooLong after `ms`, with what was given up closed
 */
export async function withinTime<T>(work: Promise<T>, ms: number, giveUp: () => Promise<unknown>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new TooLong(`Its layout took more than ${ms / 1000} seconds.`)), ms);
  });
  try {
    return await Promise.race([work, late]);
  } catch (error) {
    if (error instanceof TooLong) {
      work.catch(() => undefined);
      // A page that hangs can't even say that it's closed.
      void giveUp().catch(() => undefined);
    }
    throw error;
  } finally {
    clearTimeout(timer);
  }
}
