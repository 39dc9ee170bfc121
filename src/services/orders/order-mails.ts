import { localeFor } from '~/core/lane';
import { sayIn, type SayShop } from '~/core/words';
import { currencyOf, formatMoney } from '~/core/money';
import { noteMail, orderMail, orderNumber, type Order } from '~/core/orders';
import { countryName } from '~/core/delivery';
import { longDate } from '~/core/time';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { giveCode } from './next-time';
import { detailsKey } from './order-access';
import { couponOfferOf, hasPart, thanksPageOf } from './thanks-page';
import { processSlot } from '~/services/process-slot';

const AT_ONCE = 20;

/** Where a mail leads: its key opens the details of the order, and never charges. */
const linkTo = (app: App, { token }: Pick<Order, 'token'>) =>
  `${processSlot().origin ?? ''}/shop/thanks/${token}?key=${detailsKey(app, token)}`;

/**
 * Sends the mail of every paid order that has none yet. A mail service that fails must not fail an order: what could not be
 * sent is tried again at the next sweep, and the order's token as key keeps a mail from arriving twice.
 */
export async function sendOrderMails(app: App): Promise<number> {
  let sent = 0;
  for (const token of await app.orders.listUnmailed(AT_ONCE)) {
    const order = await app.orders.find(token);
    if (order && (await sendOrderMail(app, order))) sent += 1;
  }
  return sent;
}

/** Sends the mail of one order; false when it could not be sent. */
export async function sendOrderMail(app: App, order: Order): Promise<boolean> {
  try {
    const live = await liveLane(app);
    const { lane } = live;
    const { shop } = lane;
    const locale = localeFor(shop, order.language);
    const page = await thanksPageOf(app, order, live);
    const coupon = couponOfferOf(page);
    // In the language and the currency it was made in, whatever the shop sells in today.
    const mail = orderMail(order, {
      shopName: shop.name,
      locale,
      currency: currencyOf(order.currency),
      say: sayIn(lane, order.language),
      country: countryName(order.address.country, order.language),
      date: longDate(order.placedAt, locale, shop.timeZone),
      link: linkTo(app, order),
      again: hasPart(page, 'reorder') ? page.words.reorderButton : null,
      code: coupon === null ? null : await giveCode(app, order, coupon),
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

/** Tells a buyer that their order is on its way. Once: a change of the tracking number alone sends no second mail. */
export async function sendSentMail(app: App, order: Order, tracking: string): Promise<void> {
  await sendNote(app, order, `sent-${order.token}`, (say, facts) => ({
    subject: say('sentSubject', facts),
    lines: [say('sentText', facts), ...(tracking ? [say('tracking', { tracking })] : [])],
  }));
}

/** Tells a buyer what was given back. */
export async function sendRefundMail(
  app: App,
  order: Order,
  refund: { readonly key: string; readonly amountMinor: number },
): Promise<void> {
  if (refund.amountMinor === 0) return;
  await sendNote(app, order, `refund-${refund.key}`, (say, facts, locale) => ({
    subject: say('refundSubject', facts),
    lines: [
      say('refundText', { ...facts, amount: formatMoney(refund.amountMinor, currencyOf(order.currency), locale) }),
    ],
  }));
}

/** Tells a buyer what they added after they had ordered, and what it cost. */
export async function sendAddedMail(
  app: App,
  order: Order,
  added: { readonly name: string; readonly quantity: number; readonly amountMinor: number },
): Promise<void> {
  const what = `${added.quantity} × ${added.name}`;
  await sendNote(app, order, `added-${order.token}`, (say, facts, locale) => ({
    subject: say('addedSubject', facts),
    lines: [
      say('addedText', { ...facts, what, amount: formatMoney(added.amountMinor, currencyOf(order.currency), locale) }),
    ],
  }));
}

/** A short mail about an order, in its language. A mail that cannot be sent is logged and fails nothing. */
async function sendNote(
  app: App,
  order: Order,
  key: string,
  write: (
    say: SayShop,
    facts: { shop: string; number: string; name: string },
    locale: string,
  ) => { subject: string; lines: readonly string[] },
): Promise<void> {
  try {
    const { lane } = await liveLane(app);
    const { shop } = lane;
    const say = sayIn(lane, order.language);
    const facts = { shop: shop.name, number: orderNumber(order), name: order.name };
    const { subject, lines } = write(say, facts, localeFor(shop, order.language));
    const link = linkTo(app, order);
    const mail = noteMail({
      subject,
      lines,
      link,
      linkText: say('orderPage'),
      shopName: shop.name,
      language: order.language,
    });
    await app.mailbox.send({ key, to: order.email, ...mail });
  } catch (error) {
    app.log.error({ err: error, order: order.token }, 'a mail about an order could not be sent');
  }
}
