import type { CartLine, CartLineView, CartView } from '~/core/cart';
import { minor, type Minor } from '~/core/money';
import { missingForFreeDelivery, priceCart } from '~/core/offers';
import { wordProblem } from '~/core/problems';
import type { VariantFacts } from '~/data';
import type { App } from './app';
import { liveLane } from './live-lane';

/** Prices lines and dresses them for the shopper; lines whose variant is gone are left out. */
export async function viewLines(
  app: App,
  lines: readonly CartLine[],
  deliveryMinor: Minor | null = null,
): Promise<{ view: CartView; facts: Map<number, VariantFacts> }> {
  const [{ lane }, facts] = await Promise.all([
    liveLane(app),
    lines.length === 0
      ? new Map<number, VariantFacts>()
      : app.catalogue.variantFacts(lines.map((line) => line.variantId)),
  ]);
  const known = lines.filter((line) => facts.has(line.variantId));
  const priced = priceCart({
    lines: known.map((line) => ({
      id: line.id,
      quantity: line.quantity,
      unitPriceMinor: facts.get(line.variantId)!.priceMinor,
    })),
    offers: lane.offers,
    tax: lane.shop.tax,
    deliveryMinor,
  });
  const view: CartView = {
    lines: known.map((line, i) => viewLine(line, facts.get(line.variantId)!, priced.lines[i]!.totalMinor)),
    count: known.reduce((sum, line) => sum + line.quantity, 0),
    subtotalMinor: priced.subtotalMinor,
    discountMinor: priced.discountMinor,
    deliveryMinor: priced.deliveryMinor,
    taxMinor: priced.taxMinor,
    taxIncluded: lane.shop.tax.included,
    totalMinor: priced.totalMinor,
    missingForFreeDeliveryMinor: missingForFreeDelivery(priced.subtotalMinor, lane.offers),
    steps: priced.steps,
  };
  return { view, facts };
}

function viewLine(line: CartLine, facts: VariantFacts, totalMinor: Minor): CartLineView {
  const short = facts.stock !== null && facts.stock < line.quantity;
  return {
    id: line.id,
    variantId: line.variantId,
    slug: facts.slug,
    name: facts.name,
    choices: Object.values(facts.choices).join(', '),
    picture: facts.picture,
    quantity: line.quantity,
    stock: facts.stock,
    unitMinor: minor(facts.priceMinor),
    totalMinor,
    problem: short
      ? wordProblem(
          facts.stock === 0
            ? { code: 'sold-out', facts: { name: facts.name } }
            : { code: 'not-enough-stock', facts: { name: facts.name, stock: facts.stock! } },
        )
      : null,
  };
}

export async function viewCart(app: App, token: string | null): Promise<CartView> {
  return (await viewLines(app, token ? await app.carts.readLines(token) : [])).view;
}
