import type { APIRoute } from 'astro';
import { listingParamsSchema, listProducts } from '~/services/browse-shop';

/** Names and slugs of products that match, for pickers. */
export const GET: APIRoute = async ({ locals, url }) => {
  const params = listingParamsSchema.parse({ q: url.searchParams.get('q') ?? '', sort: 'name' });
  const { cards } = await listProducts(locals.app, params, null, 2);
  return Response.json(cards.map(({ slug, name }) => ({ slug, name })));
};
