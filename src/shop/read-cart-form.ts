import { problemsFromZod, type Result } from '~/core/problems';
import { cartRequestSchema, type CartRequest } from '~/services/change-cart';

/** A cart form as a request: fields named `choice:Size` become choices. */
export function readCartForm(form: FormData): Result<CartRequest> {
  const fields: Record<string, unknown> = {};
  const choices: Record<string, string> = {};
  for (const [name, value] of form) {
    if (typeof value !== 'string') continue;
    if (name.startsWith('choice:')) choices[name.slice('choice:'.length)] = value;
    else if (value !== '') fields[name] = value;
  }
  if (fields['kind'] === 'add') fields['choices'] = choices;
  const parsed = cartRequestSchema.safeParse(fields);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, problems: problemsFromZod(parsed.error) };
}
