import { previewImport } from '~/services/catalogue/import-catalogue';
import { startImport } from '~/services/catalogue/running-imports';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/imports', async ({ app, account, form: { file, options, apply } }) => {
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (!apply) return previewImport(app, bytes, options);
  const started = await startImport(app, bytes, options, account.id);
  return started.ok ? { ...started, status: 202 } : started;
});
