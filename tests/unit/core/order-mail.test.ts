import { CALLED_CART } from '~/core/words';
import { expect } from 'chai';
import { currencyOf, minor } from '~/core/money';
import { sayIn } from '~/core/words';
import { orderMail, receiptOf, type Order, type OrderLine, type OrderMailFacts } from '~/core/orders';

const line: OrderLine = {
  variantId: 1,
  sku: 'D',
  name: 'Delta',
  choices: 'Small',
  quantity: 2,
  unitMinor: minor(500),
  totalMinor: minor(900),
  costMinor: 100,
  taxBasisPoints: null,
  steps: [{ code: 'offer', amountMinor: minor(-100), offerId: 'ten', name: 'Ten', coupon: 'TEN', isOfOrder: true }],
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
  shownTotalMinor: null,
  steps: [],
  laneRevision: 1,
  visitId: null,
  paymentReference: null,
  placedAt: 0,
  day: '2026-11-25',
  coupon: 'TEN',
  note: 'Ring "twice"',
  language: 'en',
  deliveryName: 'Standard',
  deliveryDays: '2–3 working days',
  taxIncluded: true,
  taxBasisPoints: 2000,
  cartToken: null,
  cartVersion: null,
  lines: [line],
};
const facts: OrderMailFacts = {
  shopName: 'Hollowtarn Kites',
  locale: 'en-IE',
  currency: currencyOf('EUR'),
  say: sayIn({ shopWords: {}, shop: { cart: CALLED_CART } }, 'en'),
  country: 'Germany',
  date: '25 November 2026',
  link: 'https://shop.example.test/shop/thanks/t',
  again: null,
  hasDownloads: false,
  code: null,
};
const mail = (over: Partial<Order> = {}, how: Partial<OrderMailFacts> = {}) =>
  orderMail({ ...order, ...over }, { ...facts, ...how });
const rows = (text: string) =>
  text
    .split('\n')
    .filter(Boolean)
    .map((row) => row.replace(/ {2,}/g, ' | '));

describe('orderMail', () => {
  it('says what was ordered, what it came to, how it comes and where to', () => {
    expect(rows(mail().text)).to.deep.equal([
      'Thank you, Ada.',
      'Paid; we are preparing it. We sent a confirmation to ada@example.com.',
      'Order 1001. Ordered on 25 November 2026.',
      '2 × Delta | €10.00',
      ' | Small',
      ' | Name: Ada & <Bo>',
      'Subtotal | €10.00',
      'Ten | −€1.00',
      'Delivery | €4.90',
      'Total | €13.90',
      'Includes tax | €2.32',
      'Delivery address:',
      'Ada',
      'Seestraße 1',
      '12345 Windau',
      'Germany',
      'Delivery:',
      'Standard, 2–3 working days',
      'Contact:',
      'ada@example.com',
      'Your note:',
      'Ring "twice"',
      'See your order: https://shop.example.test/shop/thanks/t',
      'Hollowtarn Kites',
    ]);
  });

  it('adds up from top to bottom, with a code and without', () => {
    for (const made of [
      order,
      {
        ...order,
        discountMinor: minor(0),
        coupon: null,
        lines: [{ ...line, totalMinor: minor(1000), steps: [] }],
        totalMinor: minor(1490),
      },
    ]) {
      const { lines, sums } = receiptOf(made, sayIn({ shopWords: {}, shop: { cart: CALLED_CART } }, 'en'));
      const above = sums.filter(({ kind }) => ['discount', 'delivery', 'tax'].includes(kind));
      const added = [...lines, ...above].reduce((sum, { amountMinor }) => sum + amountMinor, 0);

      expect(added).to.equal(sums.find(({ kind }) => kind === 'total')!.amountMinor);
    }
  });

  it('leaves out what there is not', () => {
    const { text } = mail({
      discountMinor: minor(0),
      delivery: 'none',
      deliveryName: '',
      deliveryDays: '',
      note: '',
      address: { ...order.address, line1: '' },
    });

    expect(text).not.to.match(/Discount|note|Delivery/);
  });

  it('leads to ordering the same again where the page of the order does', () => {
    const { text, html } = mail({}, { again: 'Order again' });
    expect(text).to.include('Order again: https://shop.example.test/shop/thanks/t#reorder');
    expect(html).to.include('href="https://shop.example.test/shop/thanks/t#reorder"');
    expect(mail().text).not.to.include('#reorder');
  });

  it('says that delivery is free, and where downloads are', () => {
    const { text } = mail({ deliveryMinor: minor(0) }, { hasDownloads: true });

    expect(rows(text)).to.include('Delivery | free');
    expect(text).to.include('Your downloads: https://shop.example.test/shop/thanks/t');
  });

  it('puts a tax on top where it is', () => {
    const { text } = mail({ taxIncluded: false });

    expect(rows(text)).to.include('Tax | €2.32');
    expect(text).not.to.include('Includes');
  });

  it('speaks the language of the order', () => {
    const { html, subject } = mail(
      { language: 'ar' },
      { say: sayIn({ shopWords: {}, shop: { cart: CALLED_CART } }, 'ar') },
    );

    expect(html).to.include('<html lang="ar" dir="rtl">');
    expect(subject).to.include('1001').and.not.match(/Order/);
  });

  it('escapes everything a shopper typed', () => {
    const { html } = mail({ name: '<script>alert(1)</script>' });

    expect(html).not.to.include('<script>');
    expect(html).to.include('Ada &amp; &lt;Bo&gt;').and.include('Ring &quot;twice&quot;');
  });

  it('needs nothing from elsewhere', () => {
    expect(mail().html.replaceAll('href="https://shop.example.test/', '')).not.to.match(/https?:|url\(|<img|<link/);
  });
});
