import { type Costed, type PastOrder, pricedLine } from '~/core/pricing';
import type { VariantFacts } from '~/data';
import type { App } from '~/services/app';
import type { Shop } from '~/core/lane';
import { ownTaxRate } from '~/core/lane';
import { liveLane } from '~/services/lane/live-lane';
import { dayIn } from '~/core/time';

/** A variant on which an owner tries offers. */
export function costed(facts: VariantFacts, shop: Shop): Costed {
  const { sku, slug, name, choices, priceMinor, costMinor, categories, tags, taxRate } = facts;
  return {
    sku,
    slug,
    name,
    choices: Object.values(choices).join(', '),
    priceMinor,
    costMinor,
    categories,
    tags,
    taxBasisPoints: ownTaxRate(shop, taxRate),
  };
}

/** The variants of products for trying offers on, with their costs. */
export async function goodsOfProducts(app: App, slugs: readonly string[]): Promise<Costed[]> {
  const [{ lane }, facts] = await Promise.all([liveLane(app), app.catalogue.factsOfProducts(slugs)]);
  return slugs.flatMap((slug) => (facts.get(slug) ?? []).map((one) => costed(one, lane.shop)));
}

/** Every variant, and again at each lower price it has in the place of another product. */
export async function allGoods(app: App): Promise<{ goods: Costed[]; swapped: Costed[] }> {
  const [{ lane }, { products }] = await Promise.all([liveLane(app), app.catalogue.listSlugs()]);
  const facts = [...(await app.catalogue.factsOfProducts([...products])).values()].flat();
  const swapped = facts.flatMap((one) => {
    const good = costed(one, lane.shop);
    const less = new Set(Object.values(one.insteadMinor).filter((price) => price < one.priceMinor));
    const choices = [good.choices, 'swapped in'].filter(Boolean).join(', ');
    return [...less].map((priceMinor) => ({ ...good, priceMinor, choices }));
  });
  return { goods: facts.map((one) => costed(one, lane.shop)), swapped };
}

/** What an order holds that can still be had; null when there is no such order. */
export async function goodsOfOrder(
  app: App,
  id: number,
): Promise<{ goods: Costed[]; lines: { sku: string; quantity: number }[] } | null> {
  const token = await app.orders.tokenOf(id);
  const order = token === null ? null : await app.orders.find(token);
  if (!order) return null;
  const facts = await app.catalogue.variantFacts(order.lines.flatMap(({ variantId }) => variantId ?? []));
  const goods = await goodsOfProducts(app, [...new Set([...facts.values()].map(({ slug }) => slug))]);
  const lines = order.lines.flatMap(({ variantId, quantity }) => {
    const found = variantId === null ? undefined : facts.get(variantId);
    return found ? [{ sku: found.sku, quantity }] : [];
  });
  return { goods, lines };
}

/** Past orders in the shop's currency, to be priced again: goods as the catalogue has them now, at the prices of then, before offers. */
export async function pastOrders(app: App): Promise<PastOrder[]> {
  const { lane } = await liveLane(app);
  const rows = await app.orders.listForPricing(lane.shop.currency);
  const facts = await app.catalogue.variantFacts([...new Set(rows.flatMap(({ variantId }) => variantId ?? []))]);
  const returning = new Set<string>();
  const orders = new Map<number, PastOrder & { lines: PastOrder['lines'][number][] }>();
  for (const row of rows) {
    let order = orders.get(row.orderId);
    if (!order) {
      // Delivery before offers, if the order has it; otherwise what was paid.
      order = {
        id: row.orderId,
        lines: [],
        deliveryMinor: row.deliveryMinor,
        deliveryMethod: row.delivery,
        circumstances: {
          at: row.placedAt,
          today: dayIn(lane.shop.timeZone, row.placedAt),
          source: null,
          birthday: null,
          used: {},
          shopper: row.email !== '' && returning.has(row.email) ? 'returning' : 'new',
          country: row.country,
        },
      };
      orders.set(row.orderId, order);
      returning.add(row.email);
    }
    const known = row.variantId === null ? undefined : facts.get(row.variantId);
    const rate = ownTaxRate(lane.shop, known?.taxRate ?? null);
    // Options are in what the line came to before offers.
    const priceMinor = Math.round(row.fullMinor / row.quantity);
    const goods = {
      slug: known?.slug ?? '',
      sku: row.sku,
      categories: known?.categories ?? [],
      tags: known?.tags ?? [],
      priceMinor,
      taxBasisPoints: rate,
    };
    order.lines.push({
      ...pricedLine(goods, row.quantity, { id: `${order.lines.length}` }),
      costMinor: row.costMinor,
    });
  }
  return [...orders.values()];
}
