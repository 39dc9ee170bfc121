import fc from 'fast-check';

const PATHS = [
  '/api/cart',
  '/api/orders',
  '/api/events',
  '/api/studio/draft',
  '/api/studio/publish',
  '/api/studio/imports',
  '/api/checkout',
  '/api/uploads',
  '/api/studio/icons',
] as const;

const body = fc.oneof(
  fc.json(),
  fc.string(),
  fc.record({
    kind: fc.constantFrom('add', 'set', 'remove', 'reshape', 'coupon', 'destination', 'note'),
    answers: fc.anything(),
    code: fc.anything(),
    country: fc.string(),
    lineId: fc.string(),
    quantity: fc.anything(),
    variantId: fc.anything(),
  }),
);

/** Sends generated nonsense to every way in, signed in as the owner; throws on an answer that takes it, or on a fault of ours. */
export async function sendBadInputs(origin: string, owner: string, runs: number): Promise<void> {
  const where = fc.constantFrom(...PATHS);
  await fc.assert(
    fc.asyncProperty(where, body, fc.string({ maxLength: 30 }), async (path, what, cookie) => {
      const text = typeof what === 'string' ? what : (JSON.stringify(what) ?? '');
      const value = encodeURIComponent(cookie);
      const headers = {
        'content-type': 'application/json',
        origin,
        cookie: `${owner}; pl_cart=${value}; pl_visit=${value}`,
      };
      const response = await fetch(origin + path, { method: 'POST', headers, body: text });
      await response.arrayBuffer();
      return response.status >= 400 && response.status < 500;
    }),
    { numRuns: runs },
  );
}
