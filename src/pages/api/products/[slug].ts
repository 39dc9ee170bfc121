import type { APIRoute } from 'astro';
import { findProduct } from '~/services/catalogue/browse-shop';
import { refuse } from '../_respond';

export const GET: APIRoute = async ({ locals, params }) => {
  const product = await findProduct(locals.app, params['slug']!, locals.language);
  return product
    ? Response.json(product, { headers: { 'cache-control': 'private, max-age=15' } })
    : refuse([{ path: 'slug', code: 'not-found' }]);
};
