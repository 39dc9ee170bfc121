import type { z } from 'zod';
import type { Cart, CartView, DeliveryOption } from '~/core/cart';
import { minor } from '~/core/money';
import { checkoutSchema } from '~/core/orders/checkout.schema';
import type { CheckoutForm } from '~/core/orders';
import type { App } from './app';
import { shopToday } from './cart-goods';
import { liveLane } from './live-lane';
import { quoteDelivery } from './quote-delivery';
import { priceGoods, viewStored } from './view-cart';

/** What is kept of a checkout that is not done: everything but the card. */
export const keptFormSchema = checkoutSchema.omit({ cardNumber: true });
export type KeptForm = z.infer<typeof keptFormSchema>;

export function withoutCard({ cardNumber: _card, ...form }: CheckoutForm): KeptForm {
  return form;
}

/** The cart priced for a way of delivery, and the ways there are. */
export interface CheckoutQuote {
  readonly cart: CartView;
  readonly ways: readonly DeliveryOption[];
  readonly chosen: string | null;
}

/** What was typed before, so that nothing is asked twice; the destination of an estimate counts as typed. */
export async function readKeptForm(app: App, token: string): Promise<KeptForm> {
  const [kept, cart] = await Promise.all([app.carts.readCheckout(token), app.carts.read(token)]);
  const read = keptFormSchema.safeParse(kept ?? {});
  const form = read.success ? read.data : keptFormSchema.parse({});
  const { destination } = cart;
  if (!destination || form.postcode !== '') return form;
  return { ...form, country: destination.country, postcode: destination.postcode };
}

export async function keepForm(app: App, token: string, form: KeptForm): Promise<void> {
  await app.carts.writeCheckout(token, form, app.now());
}

/** Prices a cart for the destination and way of delivery of a form; a way that is not offered gives way to the cheapest. */
export async function quoteCheckout(
  app: App,
  cart: Cart & { readonly version?: number },
  form: Pick<CheckoutForm, 'country' | 'postcode' | 'delivery'>,
  language = 'en',
): Promise<CheckoutQuote> {
  const bare = await viewStored(app, { ...cart, destination: null }, { delivery: { amountMinor: null, method: null } });
  const rates = await quoteDelivery(app, form, bare.goods, language);
  const rate = rates.find((candidate) => candidate.key === form.delivery) ?? rates[0];
  const [live, today] = await Promise.all([liveLane(app), shopToday(app)]);
  const delivery = {
    amountMinor: rate?.amountMinor ?? (bare.view.needsDelivery ? null : minor(0)),
    method: rate?.key ?? null,
  };
  const facts = new Map(bare.goods.map((good) => [good.facts.variantId, good.facts]));
  const { view } = await viewStored(app, { ...cart, destination: null }, { delivery, facts, language });
  return {
    cart: view,
    ways: rates.map((way) => ({
      ...way,
      amountMinor: priceGoods(live, cart, bare.goods, today, { amountMinor: way.amountMinor, method: way.key })
        .deliveryMinor!,
    })),
    chosen: rate?.key ?? null,
  };
}
