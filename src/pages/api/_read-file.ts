import { fail, ok, type Result } from '~/core/problems';
import { readForm } from '../_read-form';
import { parseJson } from './_parse-json';

/** What a file of an owner can have at most. */
const MOST_BYTES = 10 * 1024 * 1024;

/** A form with a file, `options` as JSON, and whatever else it says. */
export async function readFile(
  request: Request,
): Promise<Result<{ readonly bytes: Uint8Array; readonly options: unknown; readonly form: FormData }>> {
  const form = await readForm(request);
  const file = form?.get('file');
  if (!form || !(file instanceof File) || file.size === 0) return fail('file', 'missing');
  if (file.size > MOST_BYTES) return fail('file', 'body-too-large', { limit: '10 MB' });
  const text = form.get('options');
  const options = parseJson(typeof text === 'string' ? text : '{}');
  if (options === undefined) return fail('options', 'invalid', { message: 'The options are not JSON.' });
  return ok({ bytes: new Uint8Array(await file.arrayBuffer()), options, form });
}
