import { offerFacts } from '~/core/pricing';
import { currencyOf, formatMoney } from '~/core/money';
import { own } from '~/core/own';
import { addressLines, isFree, orderNumber, receiptOf, type Order } from '~/core/orders';
import { countryName } from '~/core/delivery';
import type { ThanksPiece } from '~/pieces/_thanks/shared';
import type { ThankedOrder } from '~/pieces/shop-reader';
import type { ThanksShown } from '~/pieces/_thanks/shown';
import { findProduct } from '~/services/catalogue/browse-shop';
import { exampleAfterOffer, showAfterOffer } from '~/services/orders/add-after';
import { ableOffer, asksBirthday, showCode } from '~/services/orders/next-time';
import { afterOfferOf, couponOfferOf, hasPart } from '~/services/orders/thanks-page';
import { dayIn } from '~/core/time';
import { processSlot } from '~/services/process-slot';
import { drawText } from './rich-text';
import type { ShopContext } from './shop-context';

const VOICES = 3;
const GOOD_STARS = 4;
/** A few words: longer ones are for the product's own page. */
const LONGEST_VOICE = 320;

/** What the page that thanks for an order says of it. Its buyer's visit is noted with what there was to be pressed. */
export async function thanksFacts(piece: ThanksPiece, shop: ShopContext, thanked: ThankedOrder): Promise<ThanksShown> {
  const facts = await factsOf(piece, shop, thanked);
  if (thanked.isBuyer) await noteShown(shop, thanked.order, piece, facts);
  return facts;
}

/** Notes which of the blocks that ask for something were there to be pressed. */
async function noteShown({ app, lane }: ShopContext, { id }: Order, piece: ThanksPiece, facts: ThanksShown) {
  const asks: Readonly<Record<string, boolean>> = {
    offer: facts.offer !== null,
    coupon: facts.code !== null,
    reorder: hasPart(piece, 'reorder') && facts.canReorder,
    birthday: facts.months !== null,
  };
  const parts = Object.keys(asks).filter((part) => asks[part]);
  if (parts.length > 0) await app.blocks.noteShown(id, piece.id, parts, dayIn(lane.shop.timeZone, app.now()));
}

async function factsOf(
  piece: ThanksPiece,
  shop: ShopContext,
  { order, said, isExample, access }: ThankedOrder,
): Promise<ThanksShown> {
  const { app, say, link, locale, date } = shop;
  const currency = currencyOf(order.currency);
  const money = (amount: number) => formatMoney(amount, currency, locale);
  const [keeping, refunds, downloads, bought, addition] = await Promise.all([
    isExample ? null : app.orders.readKeeping(order.id),
    app.orders.listRefunds(order.id),
    app.orders.listDownloads(order.token),
    boughtProducts(shop, order),
    isExample ? null : app.afterOrders.readAddition(order.id),
  ]);
  const { sentAt = null, cancelledAt = null, tracking = '' } = keeping ?? {};
  const refundedMinor = refunds.reduce((sum, refund) => sum + refund.amountMinor, 0);
  const receipt = receiptOf(order, say);
  const isBuyer = access === 'buyer';
  const wish = isBuyer ? afterOfferOf(piece) : null;
  const offer = wish && (await (isExample ? exampleAfterOffer(app, wish) : showAfterOffer(app, order, wish)));
  const coupon = isBuyer ? couponOfferOf(piece) : null;
  const clock = new Intl.DateTimeFormat(locale, { timeStyle: 'short', timeZone: shop.lane.shop.timeZone });
  const now = app.now();
  const [first] = bought;
  return {
    action: link(`/shop/thanks/${isExample ? 'example' : order.token}`),
    name: order.name,
    number: say('orderNumber', { number: orderNumber(order) }),
    orderedOn: say('orderedOn', { date: date(order.placedAt) }),
    states: [
      sentAt === null && cancelledAt === null && say('thanksText', { email: order.email }),
      cancelledAt !== null && say('cancelled'),
      sentAt !== null &&
        [say('sentOn', { date: date(sentAt) }), tracking && say('tracking', { tracking })].filter(Boolean).join(' · '),
    ].filter((state) => state !== false),
    said,
    lines: receipt.lines.map(({ amountMinor, wasMinor, ...line }) => ({
      ...line,
      amount: wasMinor !== null && amountMinor === 0 ? say('deliveryFree') : money(amountMinor),
      was: wasMinor === null ? null : money(wasMinor),
    })),
    cameOff: receipt.cameOffMinor === null ? null : say('cameOff', { amount: money(receipt.cameOffMinor) }),
    sums: [
      ...receipt.sums.map(({ kind, label, amountMinor }) => ({
        kind,
        label,
        amount: isFree({ kind, amountMinor }) ? say('deliveryFree') : money(amountMinor),
      })),
      ...(refundedMinor > 0 ? [{ kind: 'refunded', label: say('refunded'), amount: money(-refundedMinor) }] : []),
    ],
    address: addressLines(order, countryName(order.address.country, order.language)),
    delivery: order.deliveryName ? { name: order.deliveryName, days: order.deliveryDays } : null,
    email: order.email,
    note: order.note,
    downloads: downloads.map(({ name, token, usesLeft, until }) => {
      const isOver = usesLeft === 0 || until <= now;
      const left = isOver ? say('downloadOver') : say('downloadLeft', { count: usesLeft, date: date(until) });
      return { name, left, action: isOver ? null : `/files/${token}` };
    }),
    offer: offer && {
      name: offer.quantity > 1 ? `${offer.quantity} × ${offer.name}` : offer.name,
      answers: offer.answers.map(({ label, text }) => `${label}: ${text}`),
      picture: offer.facts.picture,
      full: money(offer.price.fullTotalMinor),
      price: money(offer.price.totalMinor),
      isLess: offer.price.totalMinor < offer.price.fullTotalMinor,
      time: clock.format(offer.until),
      until: new Date(offer.until).toISOString(),
      leftMs: offer.until - now,
      order: orderNumber(order),
      totalMinor: offer.price.totalMinor,
    },
    added: addition?.state === 'paid' ? money(addition.amountMinor) : null,
    code: coupon === null ? null : ((await codeOf(shop, order, coupon, isExample))?.toUpperCase() ?? null),
    canReorder: bought.length > 0,
    reorderOff: isBuyer ? await reorderOff(shop, order, piece.settings.reorderOffer) : null,
    months:
      isBuyer && hasPart(piece, 'birthday') && (isExample || (await asksBirthday(app, order)))
        ? monthNames(order.language)
        : null,
    mail: first ? mailTo(first.name, `${processSlot().origin ?? ''}${link(`/shop/p/${first.slug}`)}`) : null,
    voices: bought
      .flatMap(({ name, slug, reviews }) =>
        reviews
          .filter(({ stars, text }) => stars >= GOOD_STARS && text.length <= LONGEST_VOICE)
          .map(({ text, author }) => ({ text, author, product: name, href: link(`/shop/p/${slug}`) })),
      )
      .slice(0, VOICES),
    nextHtml: hasPart(piece, 'next') ? await drawText(piece.words.next, shop) : '',
    messageHtml: hasPart(piece, 'message') ? await drawText(piece.words.message, shop) : '',
    backHref: link('/shop/'),
  };
}

/** What an order holds that is still sold. */
async function boughtProducts({ app }: ShopContext, order: Order) {
  const facts = await app.catalogue.variantFacts(order.lines.flatMap(({ variantId }) => variantId ?? []));
  const slugs = [...new Set([...facts.values()].map(({ slug }) => slug))];
  return (await Promise.all(slugs.map((slug) => findProduct(app, slug)))).filter((product) => product !== null);
}

/** The order's own code; in the bench one that looks like it. */
async function codeOf({ app, lane }: ShopContext, order: Order, offerId: string, isExample: boolean) {
  if (!isExample) return showCode(app, order, offerId);
  const code = own(lane.offers, offerId)?.when.code;
  return code ? `${code}-example23` : null;
}

function monthNames(language: string): string[] {
  const format = new Intl.DateTimeFormat(language, { month: 'long', timeZone: 'UTC' });
  return Array.from({ length: 12 }, (_, month) => format.format(Date.UTC(2024, month, 15)));
}

const mailTo = (subject: string, body: string) =>
  `mailto:?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(body)}`;

/** What the offer chosen for ordering again takes off, as it is read. */
async function reorderOff({ app, lane, money }: ShopContext, order: Order, offerId: string): Promise<string | null> {
  const offer = ableOffer(lane, offerId, app.now());
  if (!offer) return null;
  // One that was given and used takes nothing off any more.
  const given = await app.afterOrders.findGiven(order.id, offerId);
  if (given !== null && (await showCode(app, order, offerId)) === null) return null;
  const off = offerFacts(offer).off?.(offer);
  if (!off) return offer.name;
  return 'basisPoints' in off ? `${off.basisPoints / 100} %` : money(off.amountMinor);
}
