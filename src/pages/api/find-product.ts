import type { APIRoute } from 'astro';
import { findBySku } from '~/services/catalogue/about-product';
import { refuse } from './_respond';

/** The product that a SKU belongs to, for pages of other sites that name it by that. */
export const GET: APIRoute = async ({ locals, url }) => {
  const sku = (url.searchParams.get('sku') ?? '').trim().slice(0, 120);
  const product = await findBySku(locals.app, sku, locals.language);
  return product
    ? Response.json(product, { headers: { 'cache-control': 'private, max-age=15' } })
    : refuse([{ path: 'sku', code: 'not-found' }], locals);
};
