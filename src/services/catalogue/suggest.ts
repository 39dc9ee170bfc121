import type { ProductCard } from '~/core/catalogue';
import { relatedTo, type Relation } from '~/core/suggest';
import type { DecidedPair } from '~/data';
import { quoteCards } from '~/services/cart/quote-product';
import type { App } from '~/services/app';

/** A suggestion; `why` is for the shop's own people. */
export interface SuggestedCard extends ProductCard {
  readonly why?: string;
}

/** What goes with the products named: what their owner picked, then what is close to them; never one of them, one in the cart or one sold out. */
export async function suggestNear(
  app: App,
  near: readonly string[],
  cartToken: string | null,
  most: number,
  { explains = false }: { readonly explains?: boolean } = {},
): Promise<SuggestedCard[]> {
  const [picked, known, cart, decided] = await Promise.all([
    app.catalogue.listPicked(near),
    app.catalogue.listRelatable(near),
    cartToken ? app.carts.read(cartToken) : null,
    explains ? app.pairs.listDecided() : [],
  ]);
  const facts = await app.catalogue.variantFacts((cart?.lines ?? []).map((line) => line.variantId));
  const inCart = new Set([...facts.values()].map((variant) => variant.slug));
  const given = known.filter((product) => near.includes(product.slug));
  const own = picked.filter((slug) => !inCart.has(slug) && !near.includes(slug));
  const found = relatedTo(given, known, new Set([...inCart, ...own]), most);
  const slugs = [...own, ...found.map((relation) => relation.slug)];
  const cards = await quoteCards(app, await app.catalogue.cardsOf(slugs));
  return slugs
    .flatMap((slug) => cards.find((card) => card.slug === slug && card.inStock) ?? [])
    .slice(0, most)
    .map((card) =>
      explains
        ? { ...card, why: own.includes(card.slug) ? whyPicked(card.slug, near, decided) : whyRelated(card, found) }
        : card,
    );
}

function whyPicked(slug: string, near: readonly string[], decided: readonly DecidedPair[]): string {
  const pair = decided.find(
    ({ a, b, state }) => state === 'accepted' && ((a === slug && near.includes(b)) || (b === slug && near.includes(a))),
  );
  if (!pair) return 'You picked it on the product.';
  const { both, baskets, lift } = pair;
  return `Bought together in ${both} of ${baskets} orders, ${lift.toFixed(1)} times as often as by chance; you took it over.`;
}

function whyRelated({ slug }: ProductCard, found: readonly Relation[]): string {
  const relation = found.find((one) => one.slug === slug)!;
  const shared = [
    relation.sharedTags.length > 0 && `the tags ${relation.sharedTags.join(', ')}`,
    relation.sharedCategories.length > 0 && `the categories ${relation.sharedCategories.join(', ')}`,
  ].filter(Boolean);
  return `Related: it shares ${shared.join(' and ')}. Nothing was picked that fits better.`;
}
