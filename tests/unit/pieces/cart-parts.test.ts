import { expect } from 'chai';
import { minor } from '~/core/money';
import { CartPage } from '~/pieces/cart-page/cart-page';
import type { CartPagePiece } from '~/pieces/cart-page/definition';
import { CheckoutPage, type CheckoutState } from '~/pieces/checkout/checkout-page';
import type { CheckoutPiece } from '~/pieces/checkout/definition';
import { timeLeft } from '~/core/words/time-left';
import { Countdown } from '~/pieces/_cart/parts/countdown';
import { View as Extras } from '~/pieces/_cart/parts/extras';
import { Coupon } from '~/pieces/_cart/parts/coupon';
import { countryNames } from '~/pieces/_cart/parts/country-names';
import { Estimate } from '~/pieces/_cart/parts/estimate';
import { Lines } from '~/pieces/_cart/lines';
import { Note } from '~/pieces/_cart/parts/note';
import { SaidLine } from '~/pieces/_cart/said';
import { Threshold } from '~/pieces/_cart/parts/threshold';
import { Totals } from '~/pieces/_cart/parts/totals';
import type { CartShown, CartController } from '~/pieces/_cart/cart-controller';
import type { CartView } from '~/core/cart';
import { CHECKOUT } from '../../support/checkout';
import { cartView, lineView } from '../../support/cart-view';
import { draw, money, pieceOf } from '../../support/draw';

const { words } = pieceOf<CartPagePiece>('cart-page');
const shownAs = (cart: CartView, over: Partial<CartShown> = {}): CartShown => ({
  cart,
  money,
  language: 'en',
  returnTo: '/shop/cart',
  controller: null,
  host: null,
  ...over,
});
const controller = (over: Partial<CartController> = {}): CartController => ({
  said: null,
  couponProblem: null,
  placeProblem: null,
  takeFocus: () => false,
  change: () => Promise.resolve({ ok: true, lineId: null, waiting: false }),
  remove: () => undefined,
  edit: () => true,
  clear: () => undefined,
  ...over,
});

describe('the lines of a cart', () => {
  const settings = { pictures: true, stepper: true, dividers: true };
  const lines = (cart: CartView, over: object = {}) =>
    draw(Lines, { shown: shownAs(cart), words, settings: { ...settings, ...over } });

  it('are forms that change the cart by themselves, and lead back', () => {
    const drawn = lines(cartView([lineView()]));
    const form = drawn.one('form.steps');

    expect(form.getAttribute('action')).to.equal('/shop/cart');
    expect(form.getAttribute('method')).to.equal('post');
    expect(drawn.all('form.steps [name=step]').map((button) => button.getAttribute('value'))).to.deep.equal([
      '-1',
      '1',
    ]);
    expect(drawn.one('form.steps [name=quantity]').getAttribute('value')).to.equal('2');
    expect(drawn.all('input[name=return]').map((input) => input.getAttribute('value'))).to.deep.equal([
      '/shop/cart',
      '/shop/cart',
    ]);
  });

  it('do not go below one by the stepper: that is what removing is for', () => {
    const drawn = lines(cartView([lineView({ quantity: 1 })]));

    expect(drawn.one('button[aria-label="One fewer"]').hasAttribute('disabled')).to.equal(true);
    expect(drawn.one('button[aria-label="Remove: Delta"]').textContent).to.equal('Remove');
  });

  it('say choices, answers and problems, and link to a file that was sent', () => {
    const answerTexts = [
      { key: 'name', label: 'Name', text: 'Ada' },
      { key: 'art', label: 'Artwork', text: 'lake.png', uploadId: 'u-1' },
    ];
    const drawn = lines(cartView([lineView({ answerTexts, problem: 'Only 1 of Delta left.' })]));

    expect(drawn.texts('.text small')).to.deep.equal(['Small, Harbour', 'Name: Ada', 'Artwork: lake.png']);
    expect(drawn.one('.text small a').getAttribute('href')).to.equal('/api/uploads/u-1');
    expect(drawn.texts('.problem')).to.deep.equal(['Only 1 of Delta left.']);
  });

  it('fold the answers of a line beyond two', () => {
    const answerTexts = ['a', 'b', 'c', 'd'].map((key) => ({ key, label: key, text: 'x' }));
    const drawn = lines(cartView([lineView({ answerTexts, choices: '' })]));

    expect(drawn.texts('.text > small')).to.deep.equal(['a: x', 'b: x']);
    expect(drawn.texts('summary')).to.deep.equal(['2 more']);
    expect(drawn.texts('details small')).to.deep.equal(['c: x', 'd: x']);
  });

  it('offer to change only what there is to change', () => {
    const drawn = lines(cartView([lineView(), lineView({ id: 'b', name: 'Hoop Winder', isChangeable: false })]));

    expect(drawn.texts('a.act')).to.deep.equal(['Edit']);
    expect(drawn.one('a.act').getAttribute('href')).to.equal('/shop/change/a?return=%2Fshop%2Fcart');
  });

  it('stand without pictures, steppers and hairlines where told to', () => {
    const drawn = lines(cartView([lineView()]), { pictures: false, stepper: false, dividers: false });

    expect(drawn.all('img')).to.deep.equal([]);
    expect(drawn.all('form.steps')).to.deep.equal([]);
    expect(drawn.text).to.include('× 2');
    expect(drawn.one('ul.lines').className).to.equal('lines');
  });

  it('keep a place for a picture that is not there', () => {
    expect(lines(cartView([lineView({ picture: null })])).all('.none')).to.have.length(1);
  });
});

describe('the sums of a cart', () => {
  const totals = (cart: CartView, settings: { taxShown?: 'within' | 'line' | 'hidden'; why?: boolean } = {}) =>
    draw(Totals, { shown: shownAs(cart), words, settings: { taxShown: 'within', why: true, ...settings } });
  const rows = (drawn: ReturnType<typeof draw>) => drawn.texts('.totals > div');

  it('name delivery as open, free or a sum', () => {
    const at = (deliveryMinor: number | null) =>
      rows(totals(cartView([lineView()], { deliveryMinor: deliveryMinor === null ? null : minor(deliveryMinor) })))[1];

    expect([at(null), at(0), at(490)]).to.deep.equal(['Deliveryat checkout', 'Deliveryfree', 'Delivery€4.90']);
    // What is said above the sums is said in them.
    const reached = { thresholdMinor: minor(6000), missingMinor: minor(0) };
    expect(rows(totals(cartView([lineView()], { deliveryMinor: null, freeDelivery: reached })))[1]).to.equal(
      'Deliveryfree',
    );
  });

  it('leave delivery out where nothing is sent, and a discount of nothing', () => {
    expect(rows(totals(cartView([lineView()], { needsDelivery: false })))).to.deep.equal([
      'Subtotal€10.00',
      'Total€10.00',
    ]);
  });

  it('tell each discount by its own name, once', () => {
    const discounts = [
      { offerId: 'five', label: 'Five (FIVE)', amountMinor: minor(100) },
      { offerId: 'bare', label: '', amountMinor: minor(30) },
    ];
    expect(rows(totals(cartView([lineView()], { discounts, discountMinor: minor(130) })))).to.include.members([
      'Five (FIVE)−€1.00',
      'Discount−€0.30',
    ]);
  });

  it('show an included tax within, on a line of its own, or not at all', () => {
    const cart = cartView([lineView()], { needsDelivery: false });

    expect(totals(cart).text).to.include('Includes €1.67 tax');
    const line = totals(cart, { taxShown: 'line' });
    expect(rows(line)).to.deep.equal(['Subtotal€10.00', 'Total − Tax€8.33', 'Tax€1.67', 'Total€10.00']);
    expect(line.text).not.to.include('including €1.67');
    expect(rows(totals(cart, { taxShown: 'hidden' }))).to.deep.equal(['Subtotal€10.00', 'Total€10.00']);
  });

  it('always show a tax that comes on top', () => {
    const cart = cartView([lineView()], { taxIncluded: false, taxMinor: minor(200), totalMinor: minor(1200) });

    expect(rows(totals(cart, { taxShown: 'hidden' }))).to.include('Tax€2.00');
  });

  it('call nothing a tax where the rate is nothing', () => {
    for (const taxIncluded of [true, false])
      for (const taxShown of ['within', 'line', 'hidden'] as const) {
        const shown = totals(cartView([lineView()], { taxIncluded, taxMinor: minor(0), steps: [] }), { taxShown });
        expect(shown.text, `${taxIncluded} ${taxShown}`).not.to.match(/tax/i);
      }
  });

  it('explain every step of every line, and of the whole', () => {
    const steps = [
      { code: 'list-price', amountMinor: minor(1000), quantity: 2, unitMinor: minor(500) },
      { code: 'option', amountMinor: minor(600), key: 'n', label: 'Name', per: 'unit', eachMinor: minor(300) },
      { code: 'option', amountMinor: minor(250), key: 'p', label: 'Print', per: 'once', eachMinor: minor(250) },
      { code: 'floor', amountMinor: minor(5) },
      { code: 'offer', amountMinor: minor(-185), offerId: 'x', name: 'Ten', coupon: 'TEN', isOfOrder: false },
    ] as const;
    const whole = [
      { code: 'delivery', amountMinor: minor(490) },
      { code: 'offer', amountMinor: minor(-490), offerId: 'f', name: 'Free from €15', coupon: null, isOfOrder: false },
      { code: 'tax-on-top', amountMinor: minor(334), basisPoints: 2000 },
    ] as const;
    const drawn = totals(cartView([lineView({ steps })], { steps: whole }));

    expect(drawn.texts('.step')).to.deep.equal([
      '2 × €5.00 €10.00',
      'Name (× €3.00) €6.00',
      'Print (once) €2.50',
      '≥ 0 €0.05',
      'TEN −€1.85',
      'Delivery €4.90',
      'Free from €15 −€4.90',
      'Tax 20 % €3.34',
    ]);
    expect(totals(cartView([lineView()]), { why: false }).all('details')).to.deep.equal([]);
  });
});

describe('the code of a cart', () => {
  const coupon = (cart: CartView, folded = false, over: Partial<CartShown> = {}) =>
    draw(Coupon, { shown: shownAs(cart, over), words, folded });

  it('is asked for in a field, folded or open', () => {
    expect(coupon(cartView([])).one('input[name=code]').hasAttribute('required')).to.equal(true);
    expect(coupon(cartView([]), true).one('details').hasAttribute('open')).to.equal(false);
  });

  it('unfolds with the reason when it was refused', () => {
    const drawn = coupon(cartView([]), true, { controller: controller({ couponProblem: 'There is no code “X”.' }) });

    expect(drawn.one('details').hasAttribute('open')).to.equal(true);
    expect(drawn.one('[role=alert]').textContent).to.equal('There is no code “X”.');
    expect(drawn.one('input[name=code]').getAttribute('aria-invalid')).to.equal('true');
  });

  const code = (taken: number, problem: string | null) => ({
    code: 'TEN',
    takenMinor: minor(taken),
    problem,
    isWaiting: false,
  });

  it('leaves room for another where several are taken', () => {
    expect(
      coupon(cartView([], { codes: [code(185, null)] })).all('input[name=code]:not([type=hidden])'),
    ).to.have.length(0);
    const open = coupon(cartView([], { codes: [code(185, null)], takesCode: true }));
    expect(open.all('input[name=code]:not([type=hidden])')).to.have.length(1);
  });

  it('says what it takes off, or why it no longer does, and can be taken off', () => {
    const good = coupon(cartView([], { codes: [code(185, null)] }));
    const bad = coupon(cartView([], { codes: [code(0, 'Over.')] }));

    expect(good.texts('[role=status]')).to.deep.equal(['TEN: €1.85 off']);
    expect(bad.texts('.problem')).to.deep.equal(['Over.']);
    expect(good.texts('button')).to.deep.equal(['Remove']);
  });
});

describe('the delivery estimate', () => {
  const estimate = (cart: CartView, over: Partial<CartShown> = {}) =>
    draw(Estimate, { shown: shownAs(cart, over), words });

  it('asks country and postcode, and shows the ways there', () => {
    const way = { key: 'standard', name: 'Standard', days: '2–3 working days', amountMinor: minor(490) };
    const free = { ...way, key: 'express', name: 'Express', amountMinor: minor(0) };
    const place = { country: 'NO', countryName: 'Norway', postcode: '0150' };
    const drawn = estimate(cartView([lineView()], { estimate: { ...place, ways: [way, free] } }));

    expect(drawn.texts('.ways li')).to.deep.equal(['Standard 2–3 working days€4.90', 'Express 2–3 working daysfree']);
    expect(drawn.one('option[selected]').textContent).to.equal('Norway');
    expect(drawn.one('input[name=postcode]').getAttribute('value')).to.equal('0150');
  });

  it('says when nobody goes there, and what is wrong with a place', () => {
    const place = { country: 'NO', countryName: 'Norway', postcode: '0150' };

    expect(estimate(cartView([lineView()], { estimate: { ...place, ways: [] } })).text).to.include(
      'We do not deliver to this address.',
    );
    const wrong = estimate(cartView([lineView()]), { controller: controller({ placeProblem: 'Not a postcode.' }) });
    expect(wrong.one('[role=alert]').textContent).to.equal('Not a postcode.');
  });

  it('is not there when nothing is sent', () => {
    expect(estimate(cartView([lineView()], { needsDelivery: false })).html).to.equal('');
  });

  it('names countries in the shopper’s language and order', () => {
    expect(countryNames(['DK', 'NO'], 'de').map(([, name]) => name)).to.deep.equal(['Dänemark', 'Norwegen']);
    expect(countryNames(['BE', 'AT'], 'en')[0]).to.deep.equal(['AT', 'Austria']);
    expect(countryNames(['AT', 'BE'], 'de').map(([code]) => code)).to.deep.equal(['BE', 'AT']);
  });
});

describe('small parts of a cart', () => {
  it('the meter says what is missing, then that it is reached, and nothing without an offer', () => {
    const meter = (missing: number | null, bar = true) => {
      const freeDelivery = missing === null ? null : { thresholdMinor: minor(6000), missingMinor: minor(missing) };
      return draw(Threshold, { cart: cartView([lineView()], { freeDelivery }), money, words, bar });
    };

    expect(meter(1800).text).to.equal('Add €18.00 for free delivery.');
    expect(meter(1800).one('meter').getAttribute('value')).to.equal('4200');
    expect(meter(0).text).to.equal('Delivery is free.');
    expect(meter(null).html).to.equal('');
    expect(meter(0, false).all('meter')).to.deep.equal([]);
  });

  it('the note holds what was kept', () => {
    const drawn = draw(Note, { shown: shownAs(cartView([], { note: 'Ring <twice>' })), words });

    expect(drawn.one('textarea').textContent).to.equal('Ring <twice>');
    expect(drawn.one('textarea').getAttribute('maxlength')).to.equal('500');
  });

  it('what was done to a line is said where it was, with the way back', () => {
    const said = controller({ said: { text: 'Done.', undo: () => undefined, at: 1 } });

    expect(draw(SaidLine, { controller: said, undo: 'Back', at: 1 }).one('[role=status]').textContent).to.equal(
      'Done.Back',
    );
    expect(draw(SaidLine, { controller: said, undo: 'Back', at: 0 }).text).to.equal('');
    expect(draw(SaidLine, { controller: said, undo: 'Back' }).text).to.equal('Done.Back');
    expect(draw(SaidLine, { controller: null, undo: 'Back' }).text).to.equal('');
  });
});

describe('the cart page', () => {
  const page = (cart: CartView, settings: object = {}, device: 'phone' | null = null, language = 'en') =>
    draw(CartPage, {
      shown: shownAs(cart, { language }),
      piece: pieceOf<CartPagePiece>('cart-page', settings, language),
      device,
    });
  const keys = (drawn: ReturnType<typeof draw>, place: string) =>
    drawn.all(`${place} > [data-part]`).map((part) => part.getAttribute('data-part'));

  it('puts the wallet beside the heading, lines in the wide column, sums and buttons in the box', () => {
    const drawn = page(cartView([lineView()]));

    expect(keys(drawn, '.head')).to.deep.equal(['heading', 'quickPay']);
    expect(keys(drawn, '.wide:not(.after)')).to.deep.equal(['notice', 'lines', 'threshold', 'note']);
    expect(keys(drawn, 'aside')).to.deep.equal(['totals', 'checkout', 'coupon', 'estimate', 'keepShopping']);
    expect(keys(drawn, '.after')).to.deep.equal(['suggestions']);
  });

  it('has words and a way out, and no box, while it is empty', () => {
    const drawn = page(cartView([]));

    expect(drawn.text).to.include('Your cart is empty.').and.include('See all products');
    expect(drawn.all('aside')).to.deep.equal([]);
  });

  it('leaves out what is hidden on a device', () => {
    const piece = pieceOf<CartPagePiece>('cart-page');
    const parts = piece.parts.map((part) => ({ ...part, hideOn: part.key === 'notice' ? (['phone'] as const) : [] }));
    const drawn = draw(CartPage, { shown: shownAs(cartView([])), piece: { ...piece, parts }, device: 'phone' });

    expect(drawn.all('[data-part=notice]')).to.deep.equal([]);
  });

  it('stands right to left in languages that do', () => {
    const drawn = page(cartView([lineView()]), {}, null, 'ar');

    expect(drawn.one('.page').getAttribute('dir')).to.equal('rtl');
    expect(drawn.texts('h1')).to.deep.equal(['سلتك']);
  });

  it('is cut and laid as told', () => {
    const drawn = page(cartView([lineView()]), { box: false, buttons: 'square', sums: 'below', pictureSize: 60 });

    expect(drawn.all('aside.box')).to.deep.equal([]);
    expect(drawn.one('.page').getAttribute('style')).to.include('--cut:2px').and.include('--picture:60px');
    expect(drawn.one('.page').getAttribute('data-sums')).to.equal('below');
  });
});

describe('the checkout', () => {
  const { form } = CHECKOUT;
  const page = (
    cart: CartView,
    over: Partial<CheckoutState> = {},
    settings: object = {},
    shown: Partial<CartShown> = {},
  ) =>
    draw(CheckoutPage, {
      shown: shownAs(cart, shown),
      piece: pieceOf<CheckoutPiece>('checkout', settings),
      state: { ...CHECKOUT, ...over },
      device: null,
    });
  const full = cartView([lineView()], { deliveryMinor: minor(1290), totalMinor: minor(2290) });

  it('carries the key and the total that was seen with the order', () => {
    const drawn = page(full);

    expect(drawn.one('input[name=key]').getAttribute('value')).to.equal('the-key');
    expect(drawn.one('input[name=seenTotal]').getAttribute('value')).to.equal('2290');
    expect(drawn.one('button[value=order]').getAttribute('form')).to.equal('checkout');
  });

  it('asks the e-mail once, and an address only when something is sent', () => {
    expect(page(full).all('input[type=email]')).to.have.length(1);
    const download = page(cartView([lineView()], { needsDelivery: false }));
    expect(download.all('[name=line1], [name=country], [name=delivery]')).to.deep.equal([]);
  });

  it('checks the chosen way, and says when there is none', () => {
    expect(page(full).one('input[name=delivery][checked]').getAttribute('value')).to.equal('express');
    expect(page(full, { ways: [], chosen: null }).text).to.include('We do not deliver to this address.');
  });

  it('ties what is wrong to its field, and counts the fields', () => {
    const drawn = page(full, { problems: { email: 'Enter an e-mail address.', city: 'This is needed.' } });
    const email = drawn.one('#email');

    expect(email.getAttribute('aria-invalid')).to.equal('true');
    expect(email.getAttribute('aria-describedby')).to.equal('email-help email-problem');
    expect(drawn.one('#email-problem').textContent).to.equal('Enter an e-mail address.');
    expect(drawn.texts('[data-problems]')).to.deep.equal([
      'Please check 2 fields:E-mail Enter an e-mail address.Town This is needed.',
    ]);
  });

  it('says what is wrong in the order in which it stands on the page', () => {
    const drawn = page(full, { problems: { cardNumber: 'C', delivery: 'D', city: 'T', name: 'N', email: 'E' } });

    const said = drawn.texts('[data-problems] li').map((text) => text.slice(-1));
    expect(said).to.deep.equal(['E', 'N', 'T', 'D', 'C']);
  });

  it('says what concerns the whole at the top', () => {
    const drawn = page(full, { problems: { cart: 'Heron is sold out.' } });

    expect(drawn.texts('[data-problems]')).to.deep.equal(['Heron is sold out.']);
  });

  it('never holds a form inside another', () => {
    const { html } = page(full);
    let depth = 0;
    for (const [tag] of html.matchAll(/<\/?form\b/g)) {
      depth += tag === '<form' ? 1 : -1;
      expect(depth).to.be.within(0, 1);
    }
  });

  it('asks for rates by a button only where there is no script', () => {
    expect(page(full).texts('button[value=quote]')).to.deep.equal(['Show delivery for this country']);
    expect(page(full, {}, {}, { controller: controller() }).all('button[value=quote]')).to.deep.equal([]);
  });

  it('keeps what was typed, and asks for a second line only where told to', () => {
    const drawn = page(full, { form: { ...form, name: 'Ada "Lund"' } }, { secondLine: false });

    expect(drawn.one('#name').getAttribute('value')).to.equal('Ada "Lund"');
    expect(drawn.all('#line2')).to.deep.equal([]);
    expect(drawn.one('#cardNumber').getAttribute('value')).to.equal('');
  });
});

describe('what may still come off', () => {
  it('is a code with a button, and a meter of what is missing', () => {
    const host = {
      now: () => 0,
      language: 'en',
    };
    const hints = [
      { kind: 'code', code: 'TEN', savedMinor: 79 },
      { kind: 'more', name: 'Big day', missingMinor: 1210, thresholdMinor: 2000 },
    ];
    const drawn = draw(Extras, {
      cart: { hints, deadline: null } as never,
      host: host as never,
      money: (amount: number) => `€${amount / 100}`,
      words: {
        ends: '',
        hintCode: '{amount} less with {code}',
        hintTake: 'Apply',
        hintMore: 'Add {amount} for “{name}”.',
      },
    });

    expect(drawn.texts('.hint span')).to.deep.equal(['€0.79 less with TEN']);
    expect(drawn.texts('.meter p')).to.deep.equal(['Add €12.1 for “Big day”.']);
    expect(drawn.one('meter').getAttribute('value')).to.equal('790');
    expect(drawn.one('button').getAttribute('aria-label')).to.equal('Apply: TEN');
  });
});

describe('a countdown', () => {
  it('says what is left by the server’s clock, and nothing once it is over', () => {
    const at = (now: number) =>
      draw(Countdown, {
        deadline: { name: 'Half', at: 10_000 },
        host: { now: () => now, language: 'en', cart: { load: () => Promise.resolve() } } as never,
        text: '{name} ends in {time}',
      });

    expect(at(1000).texts('[role=timer]')).to.deep.equal(['Half ends in 0:00:09']);
    expect(at(10_000).all('[role=timer]')).to.deep.equal([]);
    expect(timeLeft(90_061_000)).to.equal('25:01:01');
    expect(timeLeft(-5)).to.equal('0:00:00');
  });
});
