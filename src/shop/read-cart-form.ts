import { cartRequestSchema, type CartRequest } from '~/contract/shop/cart';
import { ANSWER_FIELD, readAnswers, type Answer } from '~/core/options';
import { ok, problemsFromZod, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { keepUpload } from '~/services/files/uploads';

interface ReadCartForm {
  readonly request: Result<CartRequest>;
  /** What was answered, kept files among it; also of a form that cannot be taken. */
  readonly answers: ReadonlyMap<string, Answer>;
}

/**
 * A cart form as a request: fields named `choice:Size` become choices, `option:name` answers. Files that come with the form
 * are kept first; one that cannot be is the form's problem.
 */
export async function readCartForm(
  app: App,
  form: FormData,
  who: { cartToken: string; from: string },
): Promise<ReadCartForm> {
  // Names come from outside: a map has no prototype they could reach.
  const fields = new Map<string, unknown>();
  const choices = new Map<string, string>();
  const answers = new Map(Object.entries(readAnswers(form)));
  let refused: Result<never> | null = null;
  for (const [name, value] of form) {
    if (value instanceof File) {
      if (!name.startsWith(ANSWER_FIELD) || value.size === 0) continue;
      const option = name.slice(ANSWER_FIELD.length);
      const bytes = new Uint8Array(await value.arrayBuffer());
      const product = String(form.get('product') ?? '');
      const kept = await keepUpload(app, { ...who, product, option, name: value.name, bytes });
      if (kept.ok) answers.set(option, kept.value.id);
      else refused ??= kept;
    } else if (name.startsWith('choice:')) choices.set(name.slice('choice:'.length), value);
    else if (!name.startsWith(ANSWER_FIELD) && name !== 'return' && (value !== '' || name === 'note'))
      fields.set(name, value);
  }
  if (fields.get('kind') === 'add' || fields.get('kind') === 'reshape') {
    fields.set('choices', Object.fromEntries(choices));
    fields.set('answers', Object.fromEntries(answers));
  }
  // Without script a press on − or + sends the number in the field and which of the two it was.
  const step = Number(fields.get('step') ?? 0);
  if (fields.delete('step') && Number.isInteger(step))
    fields.set('quantity', Math.max(0, Number(fields.get('quantity')) + step));
  if (refused) return { request: refused, answers };
  const parsed = cartRequestSchema.safeParse(Object.fromEntries(fields));
  return {
    request: parsed.success ? ok(parsed.data) : { ok: false, problems: problemsFromZod(parsed.error) },
    answers,
  };
}

/** Where a cart form leads back to: a page of the shop, and no other. */
export function returnTo(form: FormData, fallback: string): string {
  const wanted = form.get('return');
  return typeof wanted === 'string' && /^\/shop\/[\w/-]*$/.test(wanted) ? wanted : fallback;
}
