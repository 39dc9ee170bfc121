import { listingParamsSchema, listProducts } from '~/services/browse-shop';
import { withAccount } from '../../_with-account';

/** Names and slugs of products that match, for pickers. */
export const GET = withAccount('viewer', async ({ locals, url }) => {
  const params = listingParamsSchema.parse({ q: url.searchParams.get('q') ?? '', sort: 'name' });
  const { cards } = await listProducts(locals.app, params, null, 2);
  return Response.json(cards.map(({ slug, name }) => ({ slug, name })));
});
