import { fail, type Result } from '~/core/problems';
import {
  importOptionsSchema,
  previewImport,
  startImport,
  type ImportOptions,
} from '~/services/catalogue/import-catalogue';
import { answer, check, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';
import { parseJson } from '../../_parse-json';
import { readForm } from '../../../_read-form';

const MOST_BYTES = 20 * 1024 * 1024;

/** A form with the file, `options` as JSON, and `apply` when it is to be written. */
export const POST = withAccount('editor', async ({ locals, request }, account) => {
  const form = await readForm(request);
  const file = form?.get('file');
  if (!form || !(file instanceof File) || file.size === 0) return refuse([{ path: 'file', code: 'missing' }]);
  if (file.size > MOST_BYTES) return refuse([{ path: 'file', code: 'body-too-large', facts: { limit: '20 MB' } }]);
  const options = readOptions(form.get('options'));
  if (!options.ok) return refuse(options.problems);
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (form.get('apply') !== '1') return answer(await previewImport(locals.app, bytes, options.value));
  const started = await startImport(locals.app, bytes, options.value, account.id);
  return started.ok ? Response.json(started.value, { status: 202 }) : refuse(started.problems);
});

function readOptions(text: FormDataEntryValue | null): Result<ImportOptions> {
  const options = parseJson(typeof text === 'string' ? text : '{}');
  if (options === undefined) return fail('options', 'invalid', { message: 'The options are not JSON.' });
  return check(options, importOptionsSchema);
}
