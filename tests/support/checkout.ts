import { minor } from '~/core/money';
import { checkoutSchema } from '~/core/orders/checkout.schema';
import type { CheckoutState } from '~/pieces/checkout/checkout-page';

/** A filled-in order, paid with a card the stand-in takes. */
export const ORDER_FORM = checkoutSchema.parse({
  email: 'ada@example.com',
  name: 'Ada',
  line1: 'Seestraße 1',
  postcode: '12345',
  city: 'Windau',
  country: 'DE',
  delivery: 'standard',
  cardNumber: '5000000000000001',
});

/** The checkout before anything is typed, with two ways of delivery and the dearer one chosen. */
export const CHECKOUT: CheckoutState = {
  form: { email: '', name: '', line1: '', line2: '', postcode: '', city: '', country: 'NO', delivery: '' },
  ways: [
    { key: 'standard', name: 'Standard', days: '2 days', amountMinor: minor(490) },
    { key: 'express', name: 'Express', days: '1 day', amountMinor: minor(1290) },
  ],
  chosen: 'express',
  problems: {},
  mended: [],
  key: 'the-key',
};
