import { listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { createProduct, newProductSchema } from '~/services/catalogue/edit-product';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Names and slugs of products that match, for pickers. */
export const GET = withAccount('viewer', async ({ locals, url }) => {
  const q = url.searchParams.get('q') ?? '';
  // What is looked for as shoppers find it; all there is by name.
  const params = listingParamsSchema.parse({ q, ...(q === '' && { sort: 'name' }) });
  const { cards } = await listProducts(locals.app, params, 2);
  return Response.json(cards.map(({ slug, name }) => ({ slug, name })));
});

export const POST = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, newProductSchema);
  return body.ok ? answer(await createProduct(locals.app, body.value.name, account.id)) : refuse(body.problems);
});
