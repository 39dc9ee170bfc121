import { findInFile, ordersOptionsSchema, previewOrders } from '~/services/catalogue/orders-file';
import { streamWork } from '~/services/offers/slices';
import { readForm } from '../../../_read-form';
import { parseJson } from '../../_parse-json';
import { answer, check, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

const MOST_BYTES = 20 * 1024 * 1024;

/** A form with a file of past orders, `options` as JSON, and `find` when it is to be looked through and not only understood. */
export const POST = withAccount('editor', async ({ locals, request }) => {
  const form = await readForm(request);
  const file = form?.get('file');
  if (!form || !(file instanceof File) || file.size === 0) return refuse([{ path: 'file', code: 'missing' }]);
  if (file.size > MOST_BYTES) return refuse([{ path: 'file', code: 'body-too-large', facts: { limit: '20 MB' } }]);
  const options = check(parseJson(String(form.get('options') ?? '{}')), ordersOptionsSchema);
  if (!options.ok) return refuse(options.problems);
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (form.get('find') !== '1') return answer(await previewOrders(locals.app, bytes, options.value));
  const found = await findInFile(locals.app, bytes, options.value);
  return found.ok ? streamWork(found.value.work, found.value.show) : refuse(found.problems);
});
