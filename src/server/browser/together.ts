/** What several sources tell, as it comes. Ends when all have ended, or with the first that fails; then the others are ended, too. */
export async function* together<T>(sources: readonly AsyncGenerator<T>[]): AsyncGenerator<T> {
  const next = async (source: AsyncGenerator<T>) => ({ source, result: await source.next() });
  const waiting = new Map<AsyncGenerator<T>, ReturnType<typeof next>>();
  const ask = (source: AsyncGenerator<T>) => {
    const asked = next(source);
    // Whoever fails second isn't waited for any more.
    asked.catch(() => undefined);
    waiting.set(source, asked);
  };
  sources.forEach(ask);
  try {
    while (waiting.size > 0) {
      const { source, result } = await Promise.race(waiting.values());
      waiting.delete(source);
      if (result.done) continue;
      yield result.value;
      ask(source);
    }
  } finally {
    await Promise.allSettled(sources.map((source) => source.return(undefined)));
  }
}
