import type { ProductCard } from '~/core/catalogue';
import { relatedTo } from '~/core/suggest';
import type { App } from './app';

/** Products close to those named, never one of them, one in the cart or one sold out. */
export async function suggestNear(
  app: App,
  near: readonly string[],
  cartToken: string | null,
  most: number,
): Promise<ProductCard[]> {
  const [known, cart] = await Promise.all([
    app.catalogue.listRelatable(near),
    cartToken ? app.carts.read(cartToken) : null,
  ]);
  const facts = await app.catalogue.variantFacts((cart?.lines ?? []).map((line) => line.variantId));
  const inCart = new Set([...facts.values()].map((variant) => variant.slug));
  const given = known.filter((product) => near.includes(product.slug));
  const found = relatedTo(given, known, inCart, most);
  const cards = await app.catalogue.cardsOf(found.map((relation) => relation.slug));
  return found.flatMap((relation) => cards.find((card) => card.slug === relation.slug && card.inStock) ?? []);
}
