import type { CartRequest } from '~/contract/shop/cart';
import { eventBatchSchema } from '~/contract/shop/visits';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/cart/change-cart';
import { noteSource } from '~/services/offers/circumstances';
import { quoteChoice } from '~/services/cart/quote-product';
import { quoteCheckout } from '~/services/cart/show-checkout';
import { viewCart } from '~/services/cart/show-cart';
import { findProduct, listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { orderRows } from '~/services/catalogue/list-selection';
import { loadFacts } from '~/services/catalogue/product-facts';
import { selectionOf } from '~/core/lane';
import { currencyOf } from '~/core/money';
import { beginOffer } from '~/core/pricing';
import { backtest, offersOf, searchBelowFloor } from '~/core/pricing';
import { liveLane } from '~/services/lane/live-lane';
import { allGoods, pastOrders } from '~/services/offers/goods';
import { codesCsv, makeCodes } from '~/services/offers/one-time-codes';
import { ingestEvents } from '~/services/visits/ingest-events';
import { UNDER_COST } from '../../demo/planted';
import { actOnOrder } from '~/services/orders/fulfilment';
import { showOrder } from '~/services/orders/place-order';
import { ORDER_FORM as form } from '../support/checkout';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

describe('offers in the shop', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  const change = (token: string, request: object) =>
    changeCartOf(shop.app, token, { choices: {}, answers: {}, ...request } as CartRequest);
  const idOf = async (slug: string) => (await shop.app.catalogue.findProduct(slug))!.variants[0]!.id;
  async function cartWith(slug: string, quantity = 1): Promise<string> {
    const token = randomUUID();
    const added = await changeCartOf(shop.app, token, {
      kind: 'add',
      variantId: await idOf(slug),
      quantity,
      choices: {},
      answers: {},
    });
    expect(added.ok, JSON.stringify(added)).to.equal(true);
    return token;
  }
  const withCode = (token: string, code: string) =>
    changeCartOf(shop.app, token, { kind: 'coupon', code } as CartRequest);
  const codeOf = (answer: Awaited<ReturnType<typeof orderNow>>) => (answer.ok ? 'ok' : answer.problems[0]!.code);
  const winders = { only: { products: ['hoop-winder'] } };

  /** What is shown of the winder: page, card, row, fact, and quoted by the number. */
  async function shownOf() {
    const product = (await findProduct(shop.app, 'hoop-winder', 'en'))!;
    const { cards } = await listProducts(shop.app, listingParamsSchema.parse({ q: 'hoop winder' }), 2);
    const card = cards.find(({ slug }) => slug === 'hoop-winder')!;
    const picked = selectionOf({ from: 'picked', picked: { slugs: ['hoop-winder'] } });
    const [row] = await orderRows(shop.app, picked, { rows: 'variant', described: false });
    const fact = (await loadFacts(shop.app, ['hoop-winder'])).get('hoop-winder')!;
    const quoted = await Promise.all(
      [1, 2, 3].map(
        async (quantity) =>
          (await quoteChoice(shop.app, product.variants[0]!.id, { quantity, unitMinor: 0, onceMinor: 0 }))!.totalMinor,
      ),
    );
    const ones = [product.variants[0]!.priceMinor, card.fromMinor, row!.priceMinor, fact.fromMinor];
    return { product, card, quoted, ones };
  }
  async function chargedFor(slug: string) {
    const charged: number[] = [];
    for (const quantity of [1, 2, 3]) {
      const cart = await viewCart(shop.app, await cartWith(slug, quantity));
      charged.push(cart.subtotalMinor - cart.discountMinor);
    }
    return charged;
  }

  const SHOWN: Readonly<Record<string, object>> = {
    'percent off lines': { kind: 'percentOff', target: 'lines', basisPoints: 1500, selection: winders },
    'amount off lines': { kind: 'amountOff', target: 'lines', amountMinor: 133, selection: winders },
    'a price': { kind: 'priceIs', unitMinor: 599, selection: winders },
    'quantity breaks': {
      kind: 'quantityBreaks',
      selection: winders,
      breaks: [
        { from: 2, basisPoints: 500 },
        { from: 3, basisPoints: 1200 },
      ],
    },
    'a threshold': { kind: 'percentOff', target: 'lines', basisPoints: 1000, when: { minGoodsMinor: 1500 } },
    'free delivery': { kind: 'deliveryOff', basisPoints: 10_000 },
  };
  for (const [name, offer] of Object.entries(SHOWN))
    it(`show the price that is charged, wherever it shows: ${name}`, async () => {
      await sellWith(shop.app, { one: offer });
      const charged = await chargedFor('hoop-winder');
      const { product, card, quoted, ones } = await shownOf();

      expect(quoted).to.deep.equal(charged);
      expect(ones).to.deep.equal(Array<number>(4).fill(charged[0]!));
      const isCheaper = charged[0]! < 790;
      expect([product.variants[0]!.wasMinor, card.wasMinor]).to.deep.equal(isCheaper ? [790, 790] : [null, null]);
      expect(product.isOffered ?? false).to.equal(name !== 'free delivery');
      expect(product.told ?? []).to.deep.equal([]);
    });

  const TOLD: Readonly<Record<string, readonly [object, string]>> = {
    'percent off the order': [{ kind: 'percentOff', target: 'order', basisPoints: 1500 }, '15% off your order'],
    'amount off the order': [
      { kind: 'amountOff', target: 'order', amountMinor: 333, when: { minGoodsMinor: 1000 } },
      '€3.33 off your order, for orders from €10.00',
    ],
    'three for two': [
      { kind: 'buyGet', buy: winders, get: winders, buyQuantity: 2, getQuantity: 1, basisPoints: 10_000 },
      '3 for the price of 2',
    ],
    'a second one for less': [
      { kind: 'buyGet', buy: winders, get: winders, buyQuantity: 1, getQuantity: 1, basisPoints: 5000 },
      'Buy 1, get 1 more at 50% off',
    ],
    'free with something else': [
      {
        kind: 'buyGet',
        buy: { only: { categories: ['power'] } },
        get: winders,
        buyQuantity: 1,
        getQuantity: 1,
        basisPoints: 10_000,
      },
      'Free with 1 × Power',
    ],
    'a bundle': [
      {
        kind: 'bundle',
        items: [
          { selection: winders, quantity: 2 },
          { selection: { only: { products: ['end-cap'] } }, quantity: 1 },
        ],
        priceMinor: 1200,
      },
      '2 × Hoop Winder and End Cap together for €12.00',
    ],
    'up to a sum': [
      { kind: 'percentOff', target: 'lines', basisPoints: 2000, maxMinor: 100 },
      '20% off, at most €1.00 per order',
    ],
    'one that stands alone': [
      { kind: 'percentOff', target: 'lines', basisPoints: 2000, combine: { alone: true } },
      '€6.32, while no other offer applies',
    ],
    'over several products': [
      { kind: 'quantityBreaks', count: 'selection', breaks: [{ from: 5, basisPoints: 500 }] },
      '5% off, from 5 items',
    ],
    'for those who return': [
      { kind: 'percentOff', target: 'lines', basisPoints: 1000, when: { shopper: 'returning' } },
      '10% off, comes off when you pay, if you have bought here before',
    ],
    'once a shopper': [
      { kind: 'amountOff', target: 'lines', amountMinor: 100, limits: { perShopper: 1 } },
      '€1.00 off, once per customer',
    ],
    'a gift': [{ kind: 'gift', variant: 'CAP', quantity: 1 }, 'With a gift: End Cap'],
  };
  for (const [name, [offer, line]] of Object.entries(TOLD))
    it(`are told in a line where the price cannot promise them: ${name}`, async () => {
      const cap = (await shop.app.catalogue.findProduct('end-cap'))!.variants[0]!.sku;
      await sellWith(shop.app, { one: 'variant' in offer ? { ...offer, variant: cap } : offer });
      const charged = await chargedFor('hoop-winder');
      const { product, card, quoted, ones } = await shownOf();

      expect(product.told).to.deep.equal([line]);
      expect(card.told).to.have.length(1);
      // What is shown is the full price, and no cart is dearer.
      expect(quoted).to.deep.equal([790, 1580, 2370]);
      expect(ones).to.deep.equal([790, 790, 790, 790]);
      expect(charged.every((amount, i) => amount <= quoted[i]!)).to.equal(true);
    });

  it('as an owner begins them, never make a cart dearer than its pages said', async () => {
    const one = { ...beginOffer('percentOff', currencyOf('EUR')), on: true, basisPoints: 2000, selection: winders };
    const other = {
      ...beginOffer('amountOff', currencyOf('EUR')),
      on: true,
      target: 'lines',
      amountMinor: 90,
      selection: { only: { products: ['end-cap'] } },
    };
    await sellWith(shop.app, { one, other });
    const shown = await Promise.all(
      ['hoop-winder', 'end-cap'].map(async (slug) => (await findProduct(shop.app, slug))!.variants[0]!.priceMinor),
    );
    const token = await cartWith('hoop-winder');
    await change(token, { kind: 'add', variantId: await idOf('end-cap'), quantity: 1 });
    const cart = await viewCart(shop.app, token);

    expect(shown).to.deep.equal([632, 0]);
    expect(cart.subtotalMinor - cart.discountMinor).to.equal(632);
  });

  it('price options before they are in the cart as the cart does', async () => {
    await sellWith(shop.app, { one: { kind: 'percentOff', target: 'lines', basisPoints: 3333 } });
    const product = (await shop.app.catalogue.findProduct('sail-your-own'))!;
    const token = randomUUID();
    await change(token, {
      kind: 'add',
      variantId: product.variants[0]!.id,
      quantity: 2,
      answers: { name: 'Ada', lettering: 'night', printing: 'one-colour', tail: 'no' },
    });
    const { lines } = await viewCart(shop.app, token);
    const unitMinor = lines[0]!.unitMinor - product.variants[0]!.priceMinor;
    const onceMinor = lines[0]!.fullMinor - lines[0]!.unitMinor * 2;

    const quoted = await quoteChoice(shop.app, product.variants[0]!.id, { quantity: 2, unitMinor, onceMinor });

    expect(unitMinor).to.be.greaterThan(0);
    expect(quoted!.totalMinor).to.equal(lines[0]!.totalMinor);
  });

  it('take several codes where the shop does, in the place of each other where it does not', async () => {
    const offers = {
      ten: { kind: 'percentOff', target: 'lines', basisPoints: 1000, when: { code: 'TEN' } },
      two: { kind: 'amountOff', target: 'order', amountMinor: 200, when: { code: 'TWO' } },
    };
    await sellWith(shop.app, offers);
    const one = await cartWith('hoop-winder');
    await withCode(one, 'TEN');
    const replaced = await withCode(one, 'two');
    await sellWith(shop.app, offers, { severalCodes: true });
    const both = await cartWith('hoop-winder');
    await withCode(both, 'TEN');
    await withCode(both, 'two');
    const cart = await viewCart(shop.app, both);
    const off = await changeCartOf(shop.app, both, { kind: 'coupon-off', code: 'ten' });

    expect(replaced.ok && replaced.value.view.codes.map(({ code }) => code)).to.deep.equal(['TWO']);
    expect(cart.codes.map(({ code, takenMinor }) => [code, takenMinor])).to.deep.equal([
      ['TEN', 79],
      ['TWO', 200],
    ]);
    expect(cart.totalMinor).to.equal(511);
    expect(off.ok && off.value.view.codes.map(({ code }) => code)).to.deep.equal(['TWO']);
    await sellWith(shop.app, offers, { severalCodes: false });
  });

  it('that are told of say in the cart what they would save or lack, and keep it', async () => {
    const told = true;
    await sellWith(shop.app, {
      ten: { kind: 'percentOff', target: 'lines', basisPoints: 1000, when: { code: 'TEN' }, told },
      // Never worth it beside the other: half of that.
      five: { kind: 'percentOff', target: 'lines', basisPoints: 500, when: { code: 'FIVE' }, told },
      quiet: { kind: 'percentOff', target: 'lines', basisPoints: 9000, when: { code: 'QUIET' } },
      over: {
        kind: 'amountOff',
        target: 'order',
        amountMinor: 700,
        when: { code: 'OVER', until: '2020-01-01T00:00:00Z' },
        told,
      },
      big: {
        name: 'Big day',
        kind: 'amountOff',
        target: 'order',
        amountMinor: 300,
        when: { minGoodsMinor: 2000 },
        told,
      },
      bigger: {
        name: 'Bigger day',
        kind: 'amountOff',
        target: 'order',
        amountMinor: 900,
        when: { minGoodsMinor: 9000 },
        told,
      },
    });
    const token = await cartWith('hoop-winder');
    const cart = await viewCart(shop.app, token);
    expect(cart.hints).to.deep.equal([
      { kind: 'code', code: 'TEN', savedMinor: 79 },
      { kind: 'code', code: 'FIVE', savedMinor: 40 },
      { kind: 'more', name: 'Big day', missingMinor: 2000 - 790, thresholdMinor: 2000 },
    ]);
    const taken = await withCode(token, 'TEN');
    const after = taken.ok ? taken.value.view : null;
    expect(after!.totalMinor).to.equal(cart.totalMinor - 79);
    // One code at a time: in its place another would make it dearer.
    expect(after!.hints.map(({ kind }) => kind)).to.deep.equal(['more']);
    await change(token, { kind: 'add', variantId: await idOf('hoop-winder'), quantity: 2 });
    const full = await viewCart(shop.app, token);
    expect(full.hints).to.deep.include({
      kind: 'more',
      name: 'Bigger day',
      missingMinor: 9000 - 2370,
      thresholdMinor: 9000,
    });
    expect((await viewCart(shop.app, null)).hints).to.deep.equal([]);
  });

  it('are had by codes of which each works once, and again when its order is cancelled', async () => {
    const { once } = await sellWith(shop.app, {
      once: { kind: 'amountOff', target: 'order', amountMinor: 100, when: { code: 'THANKS', isOneTime: true } },
    });
    expect(await makeCodes(shop.app, { offerId: 'once', offer: once!, count: 40, accountId: null })).to.deep.equal({
      made: 40,
      used: 0,
    });
    const codes = (await shop.app.codes.list('once')).map(({ code }) => code.toUpperCase());
    expect(new Set(codes).size).to.equal(40);
    const [code] = codes;
    const carts = await Promise.all(Array.from({ length: 6 }, () => cartWith('hoop-winder')));
    for (const cart of carts) expect((await withCode(cart, ` ${code} `)).ok).to.equal(true);
    const begin = await withCode(carts[0]!, 'THANKS');
    expect(begin.ok ? '' : begin.problems[0]).to.have.nested.property(
      'facts.message',
      'There is no code “THANKS”. Check how it is written.',
    );

    const seen = (await quoteCheckout(shop.app, await shop.app.carts.read(carts[0]!), form)).cart.totalMinor;
    const answers = await Promise.all(
      carts.map((cartToken) => orderNow(shop.app, { cartToken, seenTotalMinor: seen })),
    );
    expect(answers.map(codeOf).sort()).to.deep.equal(['ok', ...Array<string>(5).fill('code-lost')].sort());
    expect(await shop.app.codes.count('once')).to.deep.equal({ made: 40, used: 1 });
    expect((await codesCsv(shop.app, 'once')).trim().split('\n')).to.have.length(41);
    const late = await withCode(await cartWith('hoop-winder'), code!);
    expect(late.ok ? '' : late.problems[0]).to.have.nested.property(
      'facts.message',
      `The code “${code}” has been used up. You can order without it.`,
    );
    const won = answers.find((answer) => answer.ok)!;
    const order = (await showOrder(shop.app, won.ok ? won.value.token : ''))!;
    expect(order.coupon).to.equal(code);
    expect(order.steps.flatMap((step) => ('coupon' in step ? [step.coupon] : []))).to.deep.equal([]);
    expect(order.lines[0]!.steps).to.deep.include({
      code: 'offer',
      amountMinor: -100,
      offerId: 'once',
      name: '',
      coupon: code,
      isOfOrder: true,
    });
    await actOnOrder(shop.app, order.id, { action: 'cancel', restock: true, reason: '' }, 1);
    expect(await shop.app.codes.count('once')).to.deep.equal({ made: 40, used: 0 });
  });

  it('are given out as often as they are limited, however many ask at once; the others are told and pay without', async () => {
    await shop.app.db.run('UPDATE stock_levels SET quantity = 1000 WHERE variant_id = $id', {
      id: await idOf('hoop-winder'),
    });
    await sellWith(shop.app, {
      few: { kind: 'percentOff', target: 'lines', basisPoints: 5000, when: { code: 'FEW' }, limits: { total: 20 } },
    });
    const tokens = await Promise.all(Array.from({ length: 200 }, () => cartWith('hoop-winder')));
    const seen: number[] = [];
    for (const token of tokens) {
      await withCode(token, 'FEW');
      seen.push((await quoteCheckout(shop.app, await shop.app.carts.read(token), form)).cart.totalMinor);
    }

    const answers = await Promise.all(
      tokens.map((cartToken, i) =>
        orderNow(shop.app, {
          cartToken,
          seenTotalMinor: seen[i]!,
          form: { ...form, email: `buyer${i}@example.com` },
        }),
      ),
    );

    const [count] = await shop.app.db.select<{ n: number }>(
      `SELECT count(*) n FROM redemptions r JOIN orders o ON o.id = r.order_id WHERE r.offer_id = 'few' AND o.status = 'paid'`,
    );
    expect(new Set(seen)).to.deep.equal(new Set([395 + 490]));
    expect(answers.filter(({ ok }) => ok)).to.have.length(20);
    expect(count!.n).to.equal(20);
    const lost = answers.findIndex(({ ok }) => !ok);
    const refused = answers[lost]!;
    expect(codeOf(refused)).to.equal('code-lost');
    expect(refused.ok || refused.problems[0]!.facts?.['why']).to.equal(
      'The code “FEW” has been used up. You can order without it.',
    );
    const kept = await quoteCheckout(shop.app, await shop.app.carts.read(tokens[lost]!), form);
    expect([kept.cart.count, kept.cart.totalMinor]).to.deep.equal([1, 790 + 490]);
    expect(codeOf(await orderNow(shop.app, { cartToken: tokens[lost]!, seenTotalMinor: 1280 }))).to.equal('ok');
  });

  it('count uses by shopper, whatever the spelling of the address, and give them back when payment fails or the order is cancelled', async () => {
    await sellWith(shop.app, {
      once: { kind: 'amountOff', target: 'order', amountMinor: 100, when: { code: 'ONCE' }, limits: { perShopper: 1 } },
    });
    const buy = async (email: string, over: object = {}) => {
      const cartToken = await cartWith('hoop-winder');
      await withCode(cartToken, 'ONCE');
      return orderNow(shop.app, { cartToken, form: { ...form, email, ...over } });
    };
    const couponOf = async (answer: Awaited<ReturnType<typeof buy>>) =>
      answer.ok && (await showOrder(shop.app, answer.value.token))!.coupon;

    expect(codeOf(await buy('bo@example.com', { cardNumber: '5000000000000002' }))).to.equal('payment-declined');
    const first = await buy('bo@example.com');
    expect(await couponOf(first)).to.equal('ONCE');
    expect(await couponOf(await buy('BO@Example.com'))).to.equal(null);
    expect(await couponOf(await buy('cy@example.com'))).to.equal('ONCE');

    const { id } = (await shop.app.orders.find(first.ok ? first.value.token : ''))!;
    const cancelled = await actOnOrder(shop.app, id, { action: 'cancel', restock: true, reason: '' }, 1);
    expect(cancelled.ok).to.equal(true);
    expect(await couponOf(await buy('bo@example.com'))).to.equal('ONCE');
  });

  it('give what can be had, at nothing and outside the sums, and take it from the shelf', async () => {
    const cap = (await shop.app.catalogue.findProduct('end-cap'))!.variants[0]!;
    const set = (stock: number) =>
      shop.app.db.run('UPDATE stock_levels SET quantity = $stock WHERE variant_id = $id', { stock, id: cap.id });
    await sellWith(shop.app, {
      cap: { kind: 'gift', name: 'A cap with it', variant: cap.sku, quantity: 2, when: { minGoodsMinor: 700 } },
    });
    await set(1);
    const none = await viewCart(shop.app, await cartWith('hoop-winder'));
    await set(3);
    const token = await cartWith('hoop-winder');
    const cart = await viewCart(shop.app, token);
    const placed = await orderNow(shop.app, { cartToken: token });
    const order = (await showOrder(shop.app, placed.ok ? placed.value.token : ''))!;

    expect(none.gifts.map(({ gone }) => gone)).to.deep.equal(['The gift “End Cap” has run out.']);
    expect(cart.gifts.map(({ name, quantity, valueMinor }) => [name, quantity, valueMinor])).to.deep.equal([
      ['End Cap', 2, 180],
    ]);
    expect([cart.subtotalMinor, cart.discountMinor, cart.count]).to.deep.equal([790, 0, 1]);
    expect(order.subtotalMinor).to.equal(790);
    expect(order.lines.map(({ name, quantity, totalMinor }) => [name, quantity, totalMinor])).to.deep.equal([
      ['Hoop Winder', 1, 790],
      ['End Cap', 2, 0],
    ]);
    expect(order.lines[1]!.steps[0]).to.include({ code: 'gift', name: 'A cap with it', valueMinor: 90 });
    expect((await shop.app.catalogue.variantFacts([cap.id])).get(cap.id)!.stock).to.equal(1);
  });

  it('for visits from somewhere count for those alone, from the cart to the order, until it is ordered', async () => {
    await sellWith(shop.app, {
      letter: {
        name: 'Letter',
        kind: 'amountOff',
        target: 'order',
        amountMinor: 100,
        when: { sources: ['newsletter'] },
      },
    });
    const visitFrom = async (source: string) => {
      const visitId = randomUUID();
      const event = { id: randomUUID(), at: Date.now(), kind: 'page', page: 'home', product: null, piece: null };
      const batch = eventBatchSchema.parse({ visit: visitId, device: 'phone', source, events: [event] });
      await ingestEvents(shop.app, batch, { userAgent: 'Mozilla/5.0 Chrome/140.0', isOwner: false, from: '127.0.0.1' });
      return visitId;
    };
    const token = await cartWith('hoop-winder');
    const discount = async () => (await viewCart(shop.app, token)).discountMinor;
    await noteSource(shop.app, token, await visitFrom('direct'));
    expect(await discount()).to.equal(0);
    await noteSource(shop.app, token, await visitFrom('Newsletter'));
    expect(await discount()).to.equal(100);
    // Come back by themselves they keep what they were promised, also after a change.
    await noteSource(shop.app, token, await visitFrom('direct'));
    await noteSource(shop.app, token, 'no-such-visit');
    await change(token, { kind: 'add', variantId: await idOf('hoop-winder'), quantity: 1 });
    expect(await discount()).to.equal(100);
    const stored = await shop.app.carts.read(token);
    const quoted = await quoteCheckout(shop.app, stored, { ...form, country: 'DE' });
    const placed = await orderNow(shop.app, { cartToken: token, seenTotalMinor: quoted.cart.totalMinor });
    expect(codeOf(placed)).to.equal('ok');
    expect((await showOrder(shop.app, placed.ok ? placed.value.token : ''))!.discountMinor).to.equal(100);
    // The next order is another matter.
    expect((await shop.app.carts.read(token)).source).to.equal(null);
    // Where no offer asks, nothing is kept.
    await sellWith(shop.app, {});
    const other = await cartWith('hoop-winder');
    await noteSource(shop.app, other, await visitFrom('newsletter'));
    expect((await shop.app.carts.read(other)).source).to.equal(null);
  });

  it('count by country once it is known, and wait beside the code until then', async () => {
    await sellWith(shop.app, {
      north: { kind: 'amountOff', target: 'order', amountMinor: 200, when: { code: 'NORTH', countries: ['NO'] } },
    });
    const token = await cartWith('hoop-winder');
    const typed = await withCode(token, 'NORTH');
    const there = await changeCartOf(shop.app, token, { kind: 'destination', country: 'NO', postcode: '0150' });

    expect(typed.ok && typed.value.view.codes[0]!.problem).to.include('does not count for where this order goes');
    expect(there.ok && there.value.view.codes[0]!.takenMinor).to.equal(200);
  });
});

describe('the demo’s offers', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0.1);
  });
  after(() => shop.close());
  const finish = <T>(work: Generator<number, T>): T => {
    for (;;) {
      const step = work.next();
      if (step.done) return step.value;
    }
  };

  it('sell one thing under cost together, which neither does alone, and the guard finds just that', async () => {
    const { lane } = await liveLane(shop.app);
    const { goods } = await allGoods(shop.app);
    const search = (ids: readonly string[], floor: number) => {
      const by = Object.fromEntries(ids.map((id) => [id, lane.offers[id]!]));
      const margins = { ...lane.margins, shop: floor };
      const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);
      const { tax, severalCodes } = lane.shop;
      return finish(
        searchBelowFloor({ goods, offers: offersOf(by), margins, tax, severalCodes, at: Date.now(), dayOf }),
      );
    };
    const { worst } = search(Object.keys(lane.offers), 0);

    expect(worst!.lines.map(({ good }) => good.name)).to.include(UNDER_COST.product);
    expect(worst!.codes).to.deep.equal([UNDER_COST.code]);
    expect(Object.keys(worst!.priced.taken).sort()).to.deep.equal(['first-wind', UNDER_COST.offer]);
    for (const id of Object.keys(lane.offers)) expect(search([id], 0).worst, id).to.equal(null);
  });

  it('are looked for where a better one is swapped in for less, too', async () => {
    const { lane } = await liveLane(shop.app);
    const write = (price: number) =>
      shop.app.db.run("UPDATE products SET better_price_minor = $price WHERE slug = 'merlin'", { price });
    const search = async () => {
      const { goods, swapped } = await allGoods(shop.app);
      const { tax } = lane.shop;
      const margins = { ...lane.margins, shop: 0 };
      const dayOf = () => '2026-11-26';
      return finish(
        searchBelowFloor({ goods, swapped, offers: [], margins, tax, severalCodes: false, at: Date.now(), dayOf }),
      );
    };
    const usual = await search();
    await write(100);
    const { worst } = await search();
    await write(19900);

    expect(usual.worst).to.equal(null);
    expect(worst!.lines.map(({ good, quantity }) => [good.slug, good.priceMinor, quantity])).to.deep.equal([
      ['merlin-ultralight', 100, 12],
    ]);
    expect(worst!.lines[0]!.good.choices).to.match(/swapped in$/);
  });

  it('are priced on all past orders as the orders were', async () => {
    const { lane } = await liveLane(shop.app);
    const orders = await pastOrders(shop.app);
    const answer = finish(backtest(orders, lane.offers, 'first-wind', lane.shop.tax));
    const [sums] = await shop.app.db.select<{ n: number; goods: number }>(
      `SELECT count(*) n, sum(subtotal_minor) goods FROM orders WHERE status = 'paid'`,
    );

    expect(answer.orders).to.equal(sums!.n);
    expect(orders.flatMap(({ lines }) => lines).reduce((sum, one) => sum + one.unitMinor * one.quantity, 0)).to.equal(
      sums!.goods,
    );
    expect(answer.got.every(({ goodsMinor }) => goodsMinor >= 3000)).to.equal(true);
    expect(answer.uplift!.low).to.be.at.most(answer.uplift!.value);
  });
});
