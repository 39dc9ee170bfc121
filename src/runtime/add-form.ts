import { readAnswers } from '~/core/options/answers';
import type { CartChangeRequest } from './cart-change';

/** What a form that adds to the cart asks for. */
export function readAddForm(form: HTMLFormElement): CartChangeRequest & { kind: 'add' } {
  const choices: Record<string, string> = {};
  const fields = new FormData(form);
  for (const [name, value] of fields) if (name.startsWith('choice:')) choices[name.slice(7)] = String(value);
  const variantId = Number(fields.get('variantId'));
  const quantity = Number(fields.get('quantity')) || 1;
  if (variantId) return { kind: 'add', variantId, quantity };
  return { kind: 'add', product: String(fields.get('product')), choices, quantity, answers: readAnswers(fields) };
}
