import { expect } from 'chai';
import { evaluateOptions, newOption, sampleAnswers, type Answers, type ProductOption } from '~/core/options';
import type { OptionsPiece } from '~/pieces/_options/shared';
import { OptionFields } from '~/pieces/_options/fields';
import type { OptionEvents, OptionsShown } from '~/pieces/_options/shown';
import { Bar, type BarState } from '~/pieces/buy-bar/bar';
import type { BuyBarPiece } from '~/pieces/buy-bar/definition';
import { Popup } from '~/pieces/added-popup/popup';
import type { AddedPopupPiece } from '~/pieces/added-popup/definition';
import { ownPage } from '~/runtime/host-page';
import type { PieceHost } from '~/runtime/piece-host';
import { minor } from '~/core/money';
import type { Product } from '~/core/catalogue';
import { cartView, lineView } from '../../support/cart-view';
import { draw, money, pieceOf } from '../../support/draw';

const TODAY = '2026-11-25';
const LIVE: OptionEvents = { answer: () => undefined, upload: () => undefined, sending: new Set() };
const option = (kind: Parameters<typeof newOption>[0], key: string, over: object = {}) =>
  ({ ...newOption(kind, key, key[0]!.toUpperCase() + key.slice(1)), ...over }) as ProductOption;

function fields(
  options: ProductOption[],
  answers: Answers = {},
  over: Partial<OptionsShown> = {},
  settings: object = {},
) {
  return draw(OptionFields, {
    options,
    answers,
    evaluation: evaluateOptions(options, answers, TODAY),
    problems: {},
    uploads: {},
    piece: pieceOf<OptionsPiece>('product-options', settings),
    device: null,
    today: TODAY,
    money,
    language: 'en',
    idPrefix: 'po',
    on: LIVE,
    ...over,
  });
}

describe('the fields of options', () => {
  it('are named so that the page’s own form carries them', () => {
    const drawn = fields([
      option('text', 'name'),
      option('many', 'extras'),
      option('addOn', 'winder', { product: null }),
    ]);

    expect(drawn.all('[name]').map((field) => field.getAttribute('name'))).to.deep.equal([
      'option:name',
      'option:extras',
      'option:extras',
    ]);
  });

  it('show what is needed, and what an answer costs, each or once', () => {
    const effect = (amountMinor: number, per: string) => ({ amountMinor, per, weightGrams: 0 });
    const drawn = fields([
      option('text', 'name', { required: true, effect: effect(900, 'unit') }),
      option('number', 'tail', { times: 'number', unit: 'm', effect: effect(150, 'unit') }),
      option('file', 'art', { effect: effect(-250, 'once') }),
    ]);

    expect(drawn.texts('.po-label')).to.deep.equal(['Name required +€9.00', 'Tail +€1.50 / m', 'Art −€2.50 once']);
    expect(
      fields([option('text', 'name', { effect: effect(900, 'unit') })], {}, {}, { prices: 'hidden' }).texts(
        '.po-label',
      ),
    ).to.deep.equal(['Name']);
  });

  it('count the characters that are left, as people count them', () => {
    expect(fields([option('text', 'name', { most: 18 })], { name: '🪁 Ada' }).texts('[data-word=left]')).to.deep.equal([
      '13 characters left',
    ]);
    expect(fields([option('text', 'name')], {}, {}, { counter: false }).all('[data-word=left]')).to.deep.equal([]);
  });

  it('are a field for short texts and an area for long ones', () => {
    expect(fields([option('text', 'name', { most: 80 })]).all('textarea')).to.have.length(0);
    expect(fields([option('text', 'name', { most: 81 })]).all('textarea')).to.have.length(1);
  });

  it('offer one of a few as buttons, and of many or where told to as a list', () => {
    const choices = (count: number) =>
      Array.from({ length: count }, (_, i) => ({
        value: `v${i}`,
        label: `V${i}`,
        effect: { amountMinor: 100 * i, per: 'unit', weightGrams: 0 },
      }));
    const eight = option('one', 'size', { choices: choices(8) });
    const nine = option('one', 'size', { choices: choices(9) });

    expect(fields([eight]).all('input[type=radio]')).to.have.length(8);
    expect(fields([nine]).texts('option')).to.deep.equal([
      'None',
      'V0',
      ...Array.from({ length: 8 }, (_, i) => `V${i + 1} +€${i + 1}.00`),
    ]);
    expect(fields([eight], {}, {}, { choicesAs: 'list' }).all('select')).to.have.length(1);
  });

  it('check what is answered', () => {
    const drawn = fields([option('swatch', 'colour'), option('many', 'extras'), option('number', 'n')], {
      colour: 'second',
      extras: ['first', 'second'],
      n: '4',
    });

    expect(drawn.all('[checked]').map((field) => field.getAttribute('value'))).to.deep.equal([
      'second',
      'first',
      'second',
    ]);
    expect(drawn.one('input[type=number]').getAttribute('value')).to.equal('4');
  });

  it('hold numbers and days to their limits', () => {
    const drawn = fields([option('number', 'n', { min: 2, max: 6, step: 0.5 }), option('date', 'day')]);

    expect(['min', 'max', 'step'].map((name) => drawn.one('input[type=number]').getAttribute(name))).to.deep.equal([
      '2',
      '6',
      '0.5',
    ]);
    expect(drawn.one('input[type=date]').getAttribute('min')).to.match(/^\d{4}-\d\d-\d\d$/);
  });

  it('take only the files that are wanted, and show what was sent', () => {
    const art = option('file', 'art', { forms: ['picture', 'pdf'] });
    const drawn = fields([art], { art: 'upload-123' }, { uploads: { 'upload-123': 'lake.png' } });

    expect(drawn.one('input[type=file]').getAttribute('accept')).to.equal(
      'image/png,image/jpeg,image/webp,application/pdf',
    );
    expect(drawn.one('a').textContent).to.equal('lake.png');
    expect(drawn.one('input[type=hidden]').getAttribute('value')).to.equal('upload-123');
    expect(drawn.text).to.include('Choose another');
    const sending = fields([art], {}, { on: { ...LIVE, sending: new Set(['art']) } });
    expect(sending.text).to.include('Sending …');
  });

  it('tie what is wrong, and help, to the field', () => {
    const drawn = fields([option('text', 'name', { help: 'Up to 18.' })], {}, { problems: { name: 'Too long.' } });

    expect(drawn.one('input').getAttribute('aria-describedby')).to.equal('po-name-help po-name-problem');
    expect(drawn.one('#po-name-problem').textContent).to.equal('Too long.');
    expect(
      fields([option('text', 'name', { help: 'Up to 18.' })], {}, {}, { help: 'folded' }).texts('summary'),
    ).to.deep.equal(['What is this?']);
  });

  it('add up what the answers add', () => {
    const priced = option('text', 'name', { effect: { amountMinor: 900, per: 'unit', weightGrams: 0 } });

    expect(fields([priced], { name: 'Ada' }).texts('.po-extra')).to.deep.equal(['Options: +€9.00']);
    expect(fields([priced]).all('.po-extra')).to.deep.equal([]);
  });

  it('that are not asked yet stand only where shoppers without script find them, with the reason', () => {
    const options = [option('text', 'name'), option('text', 'motto', { shownWhen: { op: 'isSet', option: 'name' } })];

    const served = fields(options, {}, { on: null });
    const live = fields(options);

    expect(served.html).to.match(/<noscript>.*Counts only when: Name is filled in.*<\/noscript>/);
    expect(live.html).not.to.include('motto');
  });

  it('are all to be seen with sample answers', () => {
    const options = [
      option('text', 'name', { required: true }),
      option('swatch', 'ink', { shownWhen: { op: 'isSet', option: 'name' } }),
      option('many', 'extras', { least: 2 }),
      option('number', 'n'),
    ];
    const answers = sampleAnswers(options);

    expect(evaluateOptions(options, answers, TODAY).problems).to.deep.equal([]);
    expect(evaluateOptions(options, answers, TODAY).shown).to.have.length(4);
  });
});

const host = (over: Partial<PieceHost> = {}) =>
  ({
    language: 'en',
    device: 'phone',
    surfaces: { close: () => undefined },
    page: ownPage(''),
    ...over,
  }) as unknown as PieceHost;

describe('the buy bar', () => {
  const variant = (id: number, size: string, stock: number, priceMinor = 5000) => ({
    id,
    sku: String(id),
    choices: { Size: size },
    priceMinor: minor(priceMinor),
    wasMinor: null,
    stock,
    weightGrams: 1,
    picture: null,
  });
  const product = {
    name: 'Delta',
    axes: ['Size'],
    variants: [variant(1, 'Small', 3), variant(2, 'Large', 0, 7000)],
    pictures: [],
    rating: { stars: 4.5, count: 12 },
  } as unknown as Product;
  const state = (over: object = {}): BarState =>
    ({
      page: 'product',
      product,
      choices: { Size: 'Small' },
      quantity: 1,
      extra: { unitMinor: 0, onceMinor: 0 },
      isOpen: false,
      ...over,
    }) as BarState;
  const bar = (it: BarState, settings: object = {}) =>
    draw(Bar, {
      piece: pieceOf<BuyBarPiece>('buy-bar', settings),
      host: host(),
      state: it,
      isShown: true,
      edge: 'bottom',
      money,
      onChoose: () => undefined,
      onQuantity: () => undefined,
      onQuote: () => undefined,
      onPress: () => undefined,
    });

  it('says what can be done: add, choose first, or nothing', () => {
    expect(bar(state()).texts('button')).to.deep.equal(['Add to cart']);
    expect(bar(state({ choices: {} })).texts('button')).to.deep.equal(['Choose options']);
    expect(bar(state({ isOpen: true })).texts('button')).to.deep.equal(['Choose options']);
    const gone = bar(state({ choices: { Size: 'Large' } }));
    expect(gone.texts('button')).to.deep.equal(['Sold out']);
    expect(gone.one('button').hasAttribute('disabled')).to.equal(true);
  });

  it('prices what is chosen with what the answers add, and from the lowest while it is open', () => {
    expect(bar(state({ extra: { unitMinor: 900, onceMinor: 0 } })).texts('.price')).to.deep.equal(['€59.00']);
    // What counts once counts once, however many are bought.
    const many = state({ quantity: 3, extra: { unitMinor: 900, onceMinor: 500 } });
    expect(bar(many).texts('.price')).to.deep.equal(['€182.00']);
    expect(bar(state({ choices: {} })).texts('.price')).to.deep.equal(['€50.00']);
  });

  it('offers choices as fields, naming what is gone, or says them', () => {
    expect(bar(state()).texts('option')).to.deep.equal(['Small', 'Large (Sold out)']);
    expect(bar(state(), { choicesAs: 'words' }).texts('[data-part=choices]')).to.deep.equal(['Small']);
  });

  it('is about the cart on cart and checkout', () => {
    const cart = cartView([lineView()], { totalMinor: minor(1490) });

    const onCart = bar({ page: 'cart', cart });
    expect(onCart.text).to.include('2 items').and.include('€14.90').and.include('Go to checkout');
    expect(bar({ page: 'checkout', cart }).texts('button')).to.deep.equal(['Order and pay']);
  });
});

describe('the added popup', () => {
  const popup = (settings: object = {}, line = lineView({ answerTexts: [{ key: 'n', label: 'Name', text: 'Ada' }] })) =>
    draw(Popup, {
      piece: pieceOf<AddedPopupPiece>('added-popup', settings),
      host: host(),
      cart: cartView([line], { freeDelivery: { thresholdMinor: minor(6000), missingMinor: minor(5000) } }),
      line,
      money,
      onHold: () => undefined,
      onCart: () => undefined,
    });

  it('says what was added to those who see and to those who hear', () => {
    const drawn = popup();

    expect(drawn.one('[role=status].announce').textContent).to.equal('Delta: Added to your cart');
    expect(drawn.texts('[data-part=choices]')).to.deep.equal(['Small, Harbour · Name: Ada']);
    expect(drawn.texts('[data-part=total]')).to.deep.equal(['2 items in your cart: €10.00']);
    expect(drawn.texts('.buttons > *')).to.deep.equal(['Keep shopping', 'View cart', 'Go to checkout']);
  });

  it('keeps picture, name, choices and price together', () => {
    expect(
      popup()
        .all('.thing > [data-part]')
        .map((part) => part.getAttribute('data-part')),
    ).to.deep.equal(['picture', 'name', 'choices', 'price']);
  });
});
