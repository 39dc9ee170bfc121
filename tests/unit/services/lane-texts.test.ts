import fc from 'fast-check';
import { expect } from 'chai';
import { laneTexts, writeLaneText, type Lane } from '~/core/lane';
import { exportTexts, importTexts } from '~/services/texts/po-texts';
import { definitions } from '~/pieces/definitions';
import { liveDemoLane } from '../../../demo/lane';

const textsIn = (lane: Lane, language = 'de') => laneTexts({ lane, definitions, language });
const textOf = (lane: Lane, key: string, language = 'de') => textsIn(lane, language).find((text) => text.key === key)!;
const CHECKOUT = 'pieces/slide-out-cart/words/checkout';

describe('texts of a lane beside each other', () => {
  it('say whether they are written, shipped, stale or missing', () => {
    const lane = liveDemoLane();
    lane.shop.languages = ['en', 'de', 'ar', 'fr'];
    expect(textOf(lane, CHECKOUT)).to.include({ state: 'shipped' });
    expect(textOf(lane, CHECKOUT, 'fr')).to.include({ state: 'missing', target: '' });
    (lane.pieces['slide-out-cart']!.words['en'] ??= {})['checkout'] = 'Off we go';
    expect(textOf(lane, CHECKOUT)).to.include({ state: 'stale', source: 'Off we go' });
    expect(writeLaneText(lane, CHECKOUT, 'de', 'Los geht’s')).to.equal(true);
    expect(textOf(lane, CHECKOUT)).to.include({ state: 'own', target: 'Los geht’s' });
    expect(writeLaneText(lane, CHECKOUT, 'de', '')).to.equal(true);
    expect(lane.pieces['slide-out-cart']!.words).not.to.have.property('de');
  });

  it('are every word of every piece, of the shop’s pages, and the pages of the owner', () => {
    const keys = textsIn(liveDemoLane()).map(({ key }) => key);
    expect(new Set(keys).size).to.equal(keys.length);
    for (const key of [CHECKOUT, 'shopWords/add', 'legal/terms']) expect(keys).to.include(key);
  });

  it('are written nowhere but where they stand', () => {
    const lane = liveDemoLane();
    for (const key of [
      'pieces/none/words/add',
      'pieces/quick-view/look/css',
      'pages/none/title',
      'legal/none',
      'shop/name',
      '',
    ])
      expect(writeLaneText(lane, key, 'de', 'x'), key).to.equal(false);
    expect(lane).to.deep.equal(liveDemoLane());
  });
});

describe('translations as a PO file', () => {
  it('come back without loss, whatever is in them', () => {
    const keys = textsIn(liveDemoLane())
      .filter(({ source, isMessage }) => source !== '' && isMessage)
      .map(({ key }) => key);
    const written = fc
      .string({ minLength: 1, maxLength: 60, unit: 'binary' })
      .filter((text) => /^[^{}\0\r\n]+$/.test(text.trim()) && text.trim() === text);
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...keys), written, { minKeys: 1, maxKeys: 12 }), (texts) => {
        const lane = liveDemoLane();
        for (const [key, text] of Object.entries(texts)) writeLaneText(lane, key, 'de', text);
        const read = importTexts(liveDemoLane(), definitions, exportTexts(lane, definitions, 'de'));
        if (!read.ok) throw new Error(JSON.stringify(read.problems));
        const wanted = textsIn(lane).map(({ key, target }) => [key, target]);
        expect(textsIn(read.value.lane).map(({ key, target }) => [key, target])).to.deep.equal(wanted);
        expect([read.value.unknown, read.value.otherSource]).to.deep.equal([[], []]);
      }),
      { numRuns: 40 },
    );
  });

  it('are refused whole where a plural is broken or a fact is none, with the place', () => {
    const lane = liveDemoLane();
    const codes = (key: string, text: string) => {
      const changed = liveDemoLane();
      writeLaneText(changed, key, 'de', text);
      const read = importTexts(lane, definitions, exportTexts(changed, definitions, 'de'));
      return read.ok ? [] : read.problems.map(({ code, path }) => [code, path]);
    };
    expect(codes('shopWords/products', '{count, plural, one {# Drachen}}')).to.deep.equal([
      ['po-text', 'shopWords/products'],
    ]);
    expect(codes('shopWords/products', '{count, plural, one {# Drachen')).to.deep.equal([
      ['po-text', 'shopWords/products'],
    ]);
    expect(codes('shopWords/add', 'In den Korb, {name}')).to.deep.equal([['po-fact', 'shopWords/add']]);
    expect(codes('shopWords/products', '{count, plural, other {# Drachen}}')).to.deep.equal([]);
  });

  it('are refused where the file is no PO file, or in a language nobody can choose', () => {
    const codes = (file: string) => {
      const read = importTexts(liveDemoLane(), definitions, file);
      return read.ok ? [] : read.problems.map(({ code }) => code);
    };
    expect(codes('msgid "a\nmsgstr')).to.deep.equal(['po-unreadable']);
    expect(codes('')).to.deep.equal(['po-unreadable']);
    expect(codes(exportTexts(liveDemoLane(), definitions, 'en'))).to.deep.equal(['po-language']);
    expect(codes(exportTexts(liveDemoLane(), definitions, 'fr'))).to.deep.equal(['po-language']);
  });

  it('tell what stands nowhere, and what was translated from another source', () => {
    const file = exportTexts(liveDemoLane(), definitions, 'de')
      .replace('msgctxt "shopWords/add"', 'msgctxt "shopWords/gone"')
      .replace(/(msgctxt "shopWords\/soldOut"\nmsgid )"[^"]*"(\nmsgstr )"[^"]*"/, '$1"All gone"$2"Alle weg"');
    const read = importTexts(liveDemoLane(), definitions, file);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.unknown).to.deep.equal(['shopWords/gone']);
    expect(read.value.otherSource).to.deep.equal(['Pages of the shop: Sold out']);
  });
});
