import type { APIRoute } from 'astro';
import { z } from 'zod';
import { findWhileTyping } from '~/services/catalogue/browse-shop';
import { shopContext } from '~/shop/shop-context';
import { check, refuse } from './_respond';

const querySchema = z.object({ q: z.string().trim().min(1).max(100) });

/** What a search would find first, while it is typed. */
export const GET: APIRoute = async ({ locals, url }) => {
  const query = check(Object.fromEntries(url.searchParams), querySchema);
  if (!query.ok) return refuse(query.problems, locals);
  const { app, money, say, link, priceNote } = await shopContext(locals);
  const cards = await findWhileTyping(app, query.value.q);
  const hits = cards.map((card) => ({
    name: card.name,
    href: link(`/shop/p/${card.slug}`),
    price: `${card.toMinor > card.fromMinor ? `${say('from')} ` : ''}${money(card.fromMinor)}${priceNote ? ` ${priceNote}` : ''}`,
    picture: card.picture?.src ?? null,
  }));
  return Response.json(hits, { headers: { 'cache-control': 'private, max-age=60', vary: 'cookie' } });
};
