import { orderMail } from '~/core/orders';
import type { App } from './app';
import { liveLane } from './live-lane';

const AT_ONCE = 20;

/**
 * Sends the mail of every paid order that has none yet. A mail service that fails must not fail an order: what could not be
 * sent is tried again at the next sweep, and the order's token as key keeps a mail from arriving twice.
 */
export async function sendOrderMails(app: App): Promise<number> {
  const tokens = await app.orders.listUnmailed(AT_ONCE);
  if (tokens.length === 0) return 0;
  const { lane, currency } = await liveLane(app);
  const { name: shopName, locale, tax } = lane.shop;
  let sent = 0;
  for (const token of tokens) {
    const order = await app.orders.find({ token });
    if (!order) continue;
    const mail = orderMail(order, { shopName, locale, currency, taxIncluded: tax.included });
    try {
      await app.mailbox.send({ key: `order-${token}`, to: order.email, ...mail });
    } catch (error) {
      app.log.error({ err: error, order: token }, 'order mail could not be sent');
      continue;
    }
    await app.orders.markMailed(token, app.now());
    sent += 1;
  }
  return sent;
}
