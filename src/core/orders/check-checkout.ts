import { z } from 'zod';
import type { Problem } from '~/core/problems';
import type { CheckoutForm } from './checkout.schema';
import { isPostcode } from '~/core/delivery/countries';

const email = z.email();

/** Every field that keeps a form from being ordered, so that all can be put right at once. `countries`: those served; null: nothing is sent. */
export function checkCheckout(form: CheckoutForm, countries: readonly string[] | null): Problem[] {
  const problems: Problem[] = [];
  const need = (path: keyof CheckoutForm) => {
    if (form[path] === '') problems.push({ path, code: 'missing' });
    return form[path] !== '';
  };
  if (need('email') && !email.safeParse(form.email).success) problems.push({ path: 'email', code: 'email-invalid' });
  need('name');
  if (need('cardNumber') && !/^\d{16}$/.test(form.cardNumber))
    problems.push({ path: 'cardNumber', code: 'card-invalid' });
  if (!countries) return problems;
  need('line1');
  need('city');
  const isServed = countries.includes(form.country);
  if (!isServed) problems.push({ path: 'country', code: 'country-unserved' });
  if (need('postcode') && isServed && !isPostcode(form.country, form.postcode)) {
    problems.push({ path: 'postcode', code: 'postcode-invalid', facts: { country: form.country } });
  }
  if (form.delivery === '') problems.push({ path: 'delivery', code: 'delivery-unknown' });
  return problems;
}
