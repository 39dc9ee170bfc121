import { removeProduct, saveProduct, saveProductSchema, showProduct } from '~/services/catalogue/edit-product';
import { answer, readBody, refuse } from '../../../_respond';
import { withAccount } from '../../../_with-account';

export const GET = withAccount('viewer', async ({ locals, params }) => {
  const product = await showProduct(locals.app, params['slug']!);
  return product ? Response.json(product) : refuse([{ path: '', code: 'not-found' }]);
});

/** Keeps a product; 409 answers with the newer one, so that nothing has to be asked for twice. */
export const PUT = withAccount('editor', async ({ locals, params, request }, account) => {
  const body = await readBody(request, saveProductSchema);
  if (!body.ok) return refuse(body.problems);
  const saved = await saveProduct(locals.app, params['slug']!, body.value, account.id);
  if (!saved.ok && saved.problems[0]?.code === 'stale-product')
    return Response.json(
      { problems: saved.problems, product: await showProduct(locals.app, params['slug']!) },
      { status: 409 },
    );
  return answer(saved);
});

export const DELETE = withAccount('editor', async ({ locals, params }, account) =>
  answer(await removeProduct(locals.app, params['slug']!, account.id)),
);
