/** An answer line by line (NDJSON) while the work goes on; ending the request ends the work. */
export function streamLines(signal: AbortSignal, work: (signal: AbortSignal) => AsyncGenerator<unknown>): Response {
  const stop = new AbortController();
  const lines = work(AbortSignal.any([signal, stop.signal]));
  const text = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await lines.next();
      if (done) controller.close();
      else controller.enqueue(text.encode(`${JSON.stringify(value)}\n`));
    },
    async cancel() {
      stop.abort();
      await lines.return(undefined);
    },
  });
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
}
