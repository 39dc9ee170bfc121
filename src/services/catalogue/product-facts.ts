import type { FactSource } from '~/core/facts';
import { quoteCards } from '~/services/cart/quote-product';
import type { App } from '../app';

/** Products that texts name, by slug; those that are gone or not shown are left out. */
export async function loadFacts(app: App, slugs: readonly string[]): Promise<ReadonlyMap<string, FactSource>> {
  if (slugs.length === 0) return new Map<string, FactSource>();
  const cards = await quoteCards(app, await app.catalogue.cardsOf([...new Set(slugs)]));
  const extras = await app.catalogue.extrasOf(cards.map(({ id }) => id));
  return new Map(
    cards.map((card) => {
      const { slug, name, shortText, fromMinor, toMinor, wasMinor, picture, rating } = card;
      const own = extras.get(card.id);
      const source: FactSource = {
        slug,
        name,
        shortText,
        fromMinor,
        toMinor,
        wasMinor,
        picture,
        stars: rating?.stars ?? null,
        stock: own?.stock ?? null,
        attributes: own?.attributes ?? [],
      };
      return [slug, source] as const;
    }),
  );
}
