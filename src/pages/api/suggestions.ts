import type { APIRoute } from 'astro';
import { z } from 'zod';
import { suggestNear } from '~/services/catalogue/suggest';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { check, refuse } from './_respond';

const querySchema = z.strictObject({
  near: z.string().min(1).max(4000),
  most: z.coerce.number().int().min(1).max(8).default(4),
});

export const GET: APIRoute = async ({ locals, cookies, request, url }) => {
  const query = check(Object.fromEntries(url.searchParams), querySchema);
  if (!query.ok) return refuse(query.problems, locals);
  const { near, most } = query.value;
  // Why something is suggested is for the shop’s own people.
  const explains = locals.account !== null;
  return Response.json(
    await suggestNear(locals.app, near.split(' ').slice(0, 60), {
      cartToken: cartToken(cookies, request.headers),
      most,
      explains,
      language: locals.language,
    }),
  );
};
