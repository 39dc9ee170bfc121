import { importOptionsSchema, previewImport, startImport } from '~/services/catalogue/import-catalogue';
import { readFile } from '../../_read-file';
import { answer, check, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** A form with the file, `options` as JSON, and `apply` when it is to be written. */
export const POST = withAccount('editor', async ({ locals, request }, account) => {
  const sent = await readFile(request);
  if (!sent.ok) return refuse(sent.problems);
  const { bytes, form } = sent.value;
  const options = check(sent.value.options, importOptionsSchema);
  if (!options.ok) return refuse(options.problems);
  if (form.get('apply') !== '1') return answer(await previewImport(locals.app, bytes, options.value));
  const started = await startImport(locals.app, bytes, options.value, account.id);
  return started.ok ? Response.json(started.value, { status: 202 }) : refuse(started.problems);
});
