import { goodsSchema } from '~/core/lane/settings/types/goods';
import { linkFacts } from '~/services/links/linked-goods';
import { parseJson } from '../_parse-json';
import { check, refuse } from '../_respond';
import { withAccount } from '../_with-account';

/** What snippets say of goods: `sku`, `quantity`, `code` and `answers` (JSON) as a buy link holds them. */
export const GET = withAccount('viewer', async ({ locals, url }) => {
  const asked = {
    sku: url.searchParams.get('sku'),
    quantity: Number(url.searchParams.get('quantity') ?? 1),
    code: url.searchParams.get('code') ?? '',
    answers: parseJson(url.searchParams.get('answers') ?? '{}'),
  };
  const goods = check(asked, goodsSchema);
  if (!goods.ok) return refuse(goods.problems);
  const facts = await linkFacts(locals.app, goods.value, {
    forMail: true,
    asks: url.searchParams.get('asks') === '1',
  });
  return facts ? Response.json(facts) : refuse([{ path: 'sku', code: 'not-found' }]);
});
