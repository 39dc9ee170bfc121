import { expect } from 'chai';
import { currencyOf, minor } from '~/core/money';
import { orderMail, type Order } from '~/core/orders';

const line = {
  variantId: 1,
  sku: 'D',
  name: 'Delta',
  choices: 'Small',
  quantity: 2,
  unitMinor: minor(500),
  totalMinor: minor(900),
  costMinor: 100,
  steps: [],
  answers: [{ key: 'n', label: 'Name', text: 'Ada & <Bo>' }],
  addOns: [],
};
const order: Order = {
  id: 1,
  token: 't',
  idempotencyKey: 'k',
  requestHash: '',
  status: 'paid',
  email: 'ada@example.com',
  name: 'Ada',
  address: { line1: 'Seestraße 1', line2: '', postcode: '12345', city: 'Windau', country: 'DE' },
  delivery: 'standard',
  currency: 'EUR',
  subtotalMinor: minor(1000),
  discountMinor: minor(100),
  deliveryMinor: minor(490),
  taxMinor: minor(232),
  totalMinor: minor(1390),
  steps: [],
  laneRevision: 1,
  visitId: null,
  paymentReference: null,
  placedAt: 0,
  day: '2026-11-25',
  coupon: 'TEN',
  note: 'Ring "twice"',
  cartToken: null,
  cartVersion: null,
  lines: [line],
};
const facts = { shopName: 'Hollowtarn Kites', locale: 'en-IE', currency: currencyOf('EUR'), taxIncluded: true };
const mail = (over: Partial<Order> = {}, how: Partial<typeof facts> = {}) =>
  orderMail({ ...order, ...over }, { ...facts, ...how });

describe('orderMail', () => {
  it('says what was ordered, what it came to and where it goes', () => {
    expect(mail().text.split('\n').filter(Boolean)).to.deep.equal([
      'Thank you, Ada. Your order is paid and on the bench.',
      '2 × Delta   €9.00',
      '   Small',
      '   Name: Ada & <Bo>',
      'Saved with TEN   −€1.00',
      'Delivery   €4.90',
      'Paid   €13.90',
      'of which tax   €2.32',
      'Your note: Ring "twice"',
      'It goes to:',
      'Ada',
      'Seestraße 1',
      '12345 Windau',
      'DE',
      'Hollowtarn Kites',
    ]);
  });

  it('leaves out what there is not', () => {
    const { text } = mail({
      discountMinor: minor(0),
      deliveryMinor: minor(0),
      note: '',
      address: { ...order.address, line1: '' },
    });

    expect(text).not.to.match(/Saved|note|goes to/);
    expect(text).to.include('Delivery   free');
  });

  it('puts a tax on top where it is', () => {
    expect(mail({}, { taxIncluded: false }).text)
      .to.include('Tax   €2.32')
      .and.not.include('of which');
  });

  it('escapes everything a shopper typed', () => {
    const { html } = mail({ name: '<script>alert(1)</script>' });

    expect(html).not.to.include('<script>');
    expect(html).to.include('Ada &amp; &lt;Bo&gt;').and.include('Ring &quot;twice&quot;');
  });

  it('needs nothing from elsewhere', () => {
    expect(mail().html).not.to.match(/https?:|url\(|<img|<link/);
  });
});
