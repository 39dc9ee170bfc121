import { type KeptForm, keptFormSchema, type CheckoutQuote } from '~/contract/shop/cart';
import type { Cart } from '~/core/cart';
import { minor } from '~/core/money';
import type { CheckoutForm } from '~/core/orders';
import { typedCodes } from '~/services/offers/one-time-codes';
import type { App } from '~/services/app';
import { circumstancesOf, shopperKey } from '~/services/offers/circumstances';
import { liveLane, type LiveLane } from '~/services/lane/live-lane';
import { requestContext } from '~/services/request-context';
import { quoteDelivery } from './quote-delivery';
import { priceCartGoods, viewStored } from './view-cart';

export function withoutCard({ cardNumber: _card, ...form }: CheckoutForm): KeptForm {
  return form;
}

/** What was typed before, so that nothing is asked twice; the destination of an estimate counts as typed. */
export async function readKeptForm(app: App, token: string): Promise<KeptForm> {
  const [kept, cart] = await Promise.all([app.carts.readCheckout(token), app.carts.read(token)]);
  const read = keptFormSchema.safeParse(kept ?? {});
  const typed = read.success ? read.data : keptFormSchema.parse({});
  const form = { ...typed, country: typed.country || (await homeCountry(app)) };
  const { destination } = cart;
  if (!destination || form.postcode !== '') return form;
  return { ...form, country: destination.country, postcode: destination.postcode };
}

/** The country assumed of a shopper who has not named one. */
async function homeCountry(app: App): Promise<string> {
  return (await liveLane(app)).lane.shop.delivery.home;
}

export async function keepForm(app: App, token: string, form: KeptForm): Promise<void> {
  await app.carts.writeCheckout(token, form, app.now());
}

/**
 * The mail address the cart has been priced for; empty until somebody pressed Pay with it. Before that no price depends on it:
 * typing somebody else's address reveals nothing about them.
 */
export function judgedEmail(app: App, { judgedFor }: { readonly judgedFor?: string | null }, email: string): string {
  return judgedFor && email !== '' && shopperKey(app, email) === judgedFor ? email : '';
}

/** Prices a cart for the destination and way of delivery of a form; a way that is not offered gives way to the cheapest. */
export async function quoteCheckout(
  app: App,
  cart: Cart & { readonly version?: number; readonly judgedFor?: string | null },
  form: Pick<CheckoutForm, 'country' | 'postcode' | 'delivery'> & { readonly email?: string },
  {
    language = 'en',
    lane = null,
  }: {
    readonly language?: string;
    /** The lane it is priced by; absent: the live one. */
    readonly lane?: LiveLane | null;
  } = {},
): Promise<CheckoutQuote> {
  const nowhere = { amountMinor: null, method: null };
  const context = await requestContext(app, { language, lane });
  const { live } = context;
  const bare = await viewStored(context, { ...cart, destination: null }, { delivery: nowhere });
  const place = { ...form, country: form.country || live.lane.shop.delivery.home };
  const rates = await quoteDelivery(context, place, bare.goods);
  const rate = rates.find((candidate) => candidate.key === form.delivery) ?? rates[0];
  const buyer = { country: place.country, email: judgedEmail(app, cart, form.email ?? ''), source: cart.source };
  const circumstances = await circumstancesOf(app, live, buyer);
  const codes = await typedCodes(app, live.lane, cart.codes);
  const delivery = {
    amountMinor: rate?.amountMinor ?? (bare.view.needsDelivery ? null : minor(0)),
    method: rate?.key ?? null,
  };
  const facts = new Map(bare.goods.map((good) => [good.facts.variantId, good.facts]));
  const { view } = await viewStored(context, { ...cart, destination: null }, { delivery, facts, buyer });
  return {
    cart: view,
    ways: rates.map((way) => ({
      ...way,
      amountMinor: priceCartGoods(live, codes, bare.goods, {
        circumstances,
        delivery: {
          amountMinor: way.amountMinor,
          method: way.key,
        },
      }).deliveryMinor!,
    })),
    chosen: rate?.key ?? null,
  };
}
