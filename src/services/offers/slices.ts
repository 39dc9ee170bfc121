/** The longest a slice may hold the process, in ms. */
const SLICE_MS = 12;

/** Runs a long computation in slices, so that the shop keeps answering. Throws when it is aborted. */
export async function runInSlices<T>(work: Generator<number, T>, ends: AbortSignal): Promise<T> {
  for (;;) {
    const until = performance.now() + SLICE_MS;
    do {
      const step = work.next();
      if (step.done) return step.value;
    } while (performance.now() < until);
    ends.throwIfAborted();
    // Requests that wait are answered first.
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/**
 * A long computation as lines of JSON: `{"done": 0.4}` now and then, `{"answer": …}` at the end. Done in slices, so that the shop
 * keeps answering; it ends when the caller disconnects.
 */
export function streamWork<T>(work: Generator<number, T>, show: (answer: T) => unknown = (answer) => answer): Response {
  const encoder = new TextEncoder();
  let isGone = false;
  const line = (value: unknown) => encoder.encode(`${JSON.stringify(value)}\n`);
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const until = performance.now() + SLICE_MS;
      for (;;) {
        const step = work.next();
        if (step.done) {
          controller.enqueue(line({ answer: show(step.value) }));
          return controller.close();
        }
        if (isGone) return;
        if (performance.now() < until) continue;
        controller.enqueue(line({ done: step.value }));
        // Requests that wait are answered first.
        return new Promise((resolve) => setImmediate(resolve));
      }
    },
    cancel() {
      isGone = true;
      work.return(undefined as never);
    },
  });
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
}
