import { createHash } from 'node:crypto';
import { offersOf, type Circumstances } from '~/core/pricing';
import type { App } from '~/services/app';
import { liveLane, type LiveLane } from '~/services/lane/live-lane';
import { dayIn } from '~/core/time';

/** What is known of the buyer. */
export interface Buyer {
  /** ISO 3166-1; null while it is not known. */
  readonly country: string | null;
  /** As typed at checkout; empty while it is not known. */
  readonly email: string;
  /** Where the visit came from; absent, null: nobody knows. */
  readonly source?: string | null;
}

export const UNKNOWN_BUYER: Buyer = { country: null, email: '' };

/** A hash by which a buyer is recognised without saying who it is. */
export function shopperKey(app: App, email: string): string {
  return createHash('sha256').update(app.secret.sign(email.trim().toLowerCase())).digest('base64url');
}

/** Everything a price depends on besides the goods. Only what these offers ask about is looked up. */
export async function circumstancesOf(
  app: App,
  live: LiveLane,
  { country, email, source = null }: Buyer,
): Promise<Circumstances> {
  const offers = offersOf(live.lane.offers).filter(({ on }) => on);
  const limited = offers.filter(({ limits }) => limits.total !== null || limits.perShopper !== null);
  const asksWho = offers.some(({ when }) => when.shopper !== 'any');
  const asksBirthday = offers.some(({ when }) => when.birthdayDays !== null);
  const [used, isReturning, birthday] = await Promise.all([
    limited.length > 0
      ? app.orders.countRedemptions(
          limited.map(({ id }) => id),
          email ? shopperKey(app, email) : null,
        )
      : {},
    asksWho && email !== '' ? app.orders.hasBought(email.trim().toLowerCase()) : false,
    asksBirthday && email !== '' ? app.afterOrders.birthdayOf(shopperKey(app, email)) : null,
  ]);
  const at = app.now();
  return {
    at,
    today: dayIn(live.lane.shop.timeZone, at),
    shopper: isReturning ? 'returning' : 'new',
    country,
    source: source?.toLowerCase() ?? null,
    birthday: birthday ?? null,
    used,
  };
}

/** Keeps with a cart where its shopper's visit came from, where any offer asks about it. */
export async function noteSource(app: App, cartToken: string, visitId: string): Promise<void> {
  const { lane } = await liveLane(app);
  if (offersOf(lane.offers).some(({ on, when }) => on && when.sources.length > 0))
    await app.carts.noteSource(cartToken, visitId, app.now());
}
