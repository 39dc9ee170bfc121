import { z } from 'zod';
import { changeCurrency, planCurrency, currencySchema } from '~/services/grounds/change-currency';
import { answer, check, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** What a change would do. */
export const GET = withAccount('owner', async ({ locals, url }) => {
  const wish = check(Object.fromEntries(url.searchParams), currencySchema);
  return wish.ok ? answer(await planCurrency(locals.app, wish.value)) : refuse(wish.problems);
});

const bodySchema = z.strictObject({ ...currencySchema.shape, edit: z.number().int() });

/** Changes it, on the draft of an edit number. */
export const POST = withAccount('owner', async ({ locals, request }, account) => {
  const body = await readBody(request, bodySchema);
  return body.ok ? answer(await changeCurrency(locals.app, body.value, account.id)) : refuse(body.problems);
});
