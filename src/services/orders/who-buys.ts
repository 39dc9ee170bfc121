import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { Lane } from '~/core/lane';
import { offersOf, asksFor } from '~/core/pricing';
import type { App } from '~/services/app';
import { network } from '~/services/limits';

/** Whether any offer asks who buys: those that do are judged when an order is placed, and never before. */
export function asksWhoBuys({ offers }: Lane): boolean {
  return offersOf(offers).some((offer) => offer.on && (asksFor(offer, 'buyer') || offer.limits.perShopper !== null));
}

const POINTS = 10;
const limits = new WeakMap<App, RateLimiterMemory>();

function limiterOf(app: App): RateLimiterMemory {
  let own = limits.get(app);
  if (!own) limits.set(app, (own = new RateLimiterMemory({ points: POINTS, duration: 900 })));
  return own;
}

/**
 * An order that is refused for who buys tells whether an address has bought here before. So such tries are counted, and further ones
 * wait: the seconds, or null.
 */
export async function waitForWho(app: App, from: string): Promise<number | null> {
  const used = await limiterOf(app).get(network(from));
  return used && used.consumedPoints >= POINTS ? Math.ceil(used.msBeforeNext / 1000) : null;
}

export async function countWhoTry(app: App, from: string): Promise<void> {
  // Only counted here: the limit is checked before the next one.
  await limiterOf(app)
    .consume(network(from))
    .catch(() => undefined);
}
