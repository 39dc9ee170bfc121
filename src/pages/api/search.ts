import { ok } from '~/core/problems';
import { findWhileTyping } from '~/services/catalogue/browse-shop';
import { shopContext } from '~/shop/shop-context';
import { serve } from './_serve';

export const GET = serve('GET /api/search', async ({ app, query, context }) => {
  const { money, say, link, priceNote } = await shopContext(context.locals);
  const cards = await findWhileTyping(app, query.q);
  const hits = cards.map((card) => ({
    name: card.name,
    href: link(`/shop/p/${card.slug}`),
    price: `${card.toMinor > card.fromMinor ? `${say('from')} ` : ''}${money(card.fromMinor)}${priceNote ? ` ${priceNote}` : ''}`,
    picture: card.picture?.src ?? null,
  }));
  return ok(hits);
});
