import type { CheckoutQuote } from '~/contract/shop/cart';
import type { CheckoutForm } from '~/core/orders';
import { fail, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import type { OrderRequest } from './order-request';
import { placeOrder } from './place-order';
import { quoteCheckout } from '~/services/cart/show-checkout';

export type WalletView = Awaited<ReturnType<App['wallet']['open']>> & { readonly quote: CheckoutQuote };

/** What the wallet asks its owner to confirm: address, delivery (the cheapest way) and sum. */
export async function showQuickPay(app: App, cartToken: string, language = 'en'): Promise<WalletView> {
  const wallet = await app.wallet.open();
  const { country, postcode } = wallet.holder;
  const quote = await quoteCheckout(
    app,
    await app.carts.read(cartToken),
    { country, postcode, delivery: '' },
    { language },
  );
  return { ...wallet, quote };
}

/** Places the order with what the wallet hands over. */
export async function quickPay(
  app: App,
  request: Omit<OrderRequest, 'form'> & { readonly card: string },
): Promise<Result<{ token: string }>> {
  const { holder, cards, quote } = await showQuickPay(app, request.cartToken);
  const card = cards.find((candidate) => candidate.key === request.card);
  if (!card) return fail('card', 'not-found');
  const form: CheckoutForm = {
    ...holder,
    line2: '',
    delivery: quote.chosen ?? '',
    cardNumber: card.cardNumber,
  };
  const { card: _card, ...rest } = request;
  return placeOrder(app, { ...rest, form });
}
