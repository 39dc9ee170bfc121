import { findInFile, previewOrders } from '~/services/catalogue/orders-file';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/suggestions/orders', async ({ app, form: { file, options, find } }) => {
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (!find) return previewOrders(app, bytes, options);
  const found = await findInFile(app, bytes, options);
  return found.ok ? { ok: true, ...found.value } : found;
});
