import { minor } from '~/core/money';
import type { Order } from '~/core/orders';
import { dayIn } from '~/core/time';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';

/** A made-up order of one product, on which a page is shaped before anything was sold. */
async function madeUpOrder(app: App): Promise<Order | null> {
  const { lane, revision } = await liveLane(app);
  const [slug] = (await app.catalogue.listSlugs()).products;
  const [facts] = (slug && (await app.catalogue.factsOfProducts([slug])).get(slug)) || [];
  if (!facts) return null;
  const { variantId, sku, name, priceMinor, costMinor } = facts;
  const nothing = minor(0);
  const line = {
    variantId,
    sku,
    name,
    choices: Object.values(facts.choices).join(', '),
    quantity: 1,
    unitMinor: priceMinor,
    totalMinor: priceMinor,
    costMinor,
    taxBasisPoints: null,
    steps: [],
    answers: [],
    addOns: [],
  };
  return {
    id: 0,
    token: '',
    idempotencyKey: '',
    requestHash: '',
    status: 'paid',
    email: '',
    name: '',
    note: '',
    address: { line1: '', line2: '', postcode: '', city: '', country: lane.shop.delivery.home },
    delivery: 'standard',
    deliveryName: 'Standard',
    deliveryDays: '',
    language: 'en',
    currency: lane.shop.currency,
    subtotalMinor: priceMinor,
    discountMinor: nothing,
    deliveryMinor: nothing,
    taxMinor: nothing,
    taxIncluded: true,
    taxBasisPoints: null,
    totalMinor: priceMinor,
    shownTotalMinor: null,
    steps: [],
    laneRevision: revision,
    visitId: null,
    paymentReference: '',
    placedAt: app.now(),
    day: dayIn(lane.shop.timeZone, app.now()),
    coupon: null,
    cartToken: null,
    cartVersion: null,
    lines: [line],
  };
}

/** The last paid order, or a made-up one where nothing was sold, with a made-up buyer; null where nothing is there to sell. */
export async function exampleOrder(app: App, language: string): Promise<Order | null> {
  const token = await app.orders.findLatest();
  const order = token === null ? await madeUpOrder(app) : await app.orders.find(token);
  return (
    order && {
      ...order,
      language,
      email: 'ada@shop.example',
      name: 'Ada Lund',
      note: order.note && 'Please ring twice.',
      address: { ...order.address, line1: 'Seestraße 1', line2: '', postcode: '12345', city: 'Windau' },
      lines: order.lines.map((line) => ({ ...line, answers: [] })),
      // Recent enough for the page's offer.
      placedAt: app.now(),
    }
  );
}
