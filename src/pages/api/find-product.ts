import type { APIRoute } from 'astro';
import { findProduct } from '~/services/catalogue/browse-shop';
import { refuse } from './_respond';

/** The product that a SKU belongs to, for pages of other sites that name it by that. */
export const GET: APIRoute = async ({ locals, url }) => {
  const sku = (url.searchParams.get('sku') ?? '').trim().slice(0, 120);
  const facts = (await locals.app.catalogue.factsOfSkus([sku])).get(sku);
  const product = facts && (await findProduct(locals.app, facts.slug, locals.language));
  return product
    ? Response.json(product, { headers: { 'cache-control': 'private, max-age=15' } })
    : refuse([{ path: 'sku', code: 'not-found' }], locals);
};
