import { localeFor, sayIn } from '~/core/lane';
import { currencyOf } from '~/core/money';
import { countryName, orderMail, type Order } from '~/core/orders';
import { longDate } from '~/core/time';
import type { App } from './app';
import { liveLane } from './live-lane';
import { processSlot } from './process-slot';

const AT_ONCE = 20;

/**
 * Sends the mail of every paid order that has none yet. A mail service that fails must not fail an order: what could not be
 * sent is tried again at the next sweep, and the order's token as key keeps a mail from arriving twice.
 */
export async function sendOrderMails(app: App): Promise<number> {
  let sent = 0;
  for (const token of await app.orders.listUnmailed(AT_ONCE)) {
    const order = await app.orders.find({ token });
    if (order && (await sendOrderMail(app, order))) sent += 1;
  }
  return sent;
}

/** Sends the mail of one order; false when it could not be sent. */
export async function sendOrderMail(app: App, order: Order): Promise<boolean> {
  try {
    const { shop, shopWords } = (await liveLane(app)).lane;
    const locale = localeFor(shop, order.language);
    // In the language and the currency it was made in, whatever the shop sells in today.
    const mail = orderMail(order, {
      shopName: shop.name,
      locale,
      currency: currencyOf(order.currency),
      say: sayIn(shopWords, order.language),
      country: countryName(order.address.country, order.language),
      date: longDate(order.placedAt, locale, shop.timeZone),
      link: `${processSlot().origin ?? ''}/shop/thanks/${order.token}`,
      hasDownloads: (await app.orders.listDownloads(order.token)).length > 0,
    });
    await app.mailbox.send({ key: `order-${order.token}`, to: order.email, ...mail });
  } catch (error) {
    app.log.error({ err: error, order: order.token }, 'order mail could not be sent');
    return false;
  }
  await app.orders.markMailed(order.token, app.now());
  return true;
}
