import { findInFile, ordersOptionsSchema, previewOrders } from '~/services/catalogue/orders-file';
import { streamWork } from '~/services/offers/slices';
import { readFile } from '../../_read-file';
import { answer, check, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** A form with a file of past orders, `options` as JSON, and `find` when it is to be looked through and not only understood. */
export const POST = withAccount('editor', async ({ locals, request }) => {
  const sent = await readFile(request);
  if (!sent.ok) return refuse(sent.problems);
  const { bytes, form } = sent.value;
  const options = check(sent.value.options, ordersOptionsSchema);
  if (!options.ok) return refuse(options.problems);
  if (form.get('find') !== '1') return answer(await previewOrders(locals.app, bytes, options.value));
  const found = await findInFile(locals.app, bytes, options.value);
  return found.ok ? streamWork(found.value.work, found.value.show) : refuse(found.problems);
});
